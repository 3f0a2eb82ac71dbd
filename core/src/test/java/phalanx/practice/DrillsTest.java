package phalanx.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Track;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.ChartText;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

class DrillsTest {
    private static Arrangement arranged(Song song) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL, List.of(), () -> false);
    }

    private static Arrangement chart(String text, int bars) {
        return arranged(ChartText.parse(text, Meter.COMMON)
                .over(TuneEdit.empty("Made up", Key.C_MAJOR, 90, Meter.COMMON, bars)));
    }

    private static Optional<Step> named(List<Step> drills, String start) {
        return drills.stream().filter(step -> step.name().startsWith(start)).findFirst();
    }

    /** From C to F barred finger 1 must lie down and 4 free fingers change: the change is named, with its times. */
    @Test
    void theHardestChangeGoesBackAndForthWithItsTimes() {
        Arrangement arrangement = chart("| C(x32010) | C(x32010) | F(133211) | C(x32010) |", 4);
        List<Step> drills = Drills.of(arrangement);
        Step change = named(drills, "back and forth").orElseThrow();
        assertThat(change.adds()).contains("finger 1").containsPattern("needs \\d+ of \\d+ ms");
        assertThat(change.bars()).extracting(bar -> bar.number()).contains(3);
        // one stroke before and one after
        assertThat(change.notes().stream().map(ArrangedNote::tick).distinct()).hasSize(2);
        Track track = Track.of(arrangement, new MoveMeter(Instrument.STANDARD, Hand.AVERAGE));
        double worst =
                track.changes().stream().mapToDouble(Change::tempoCeiling).min().orElseThrow();
        assertThat(change.why()).contains("up to " + (int) Math.floor(worst) + " bpm");
    }

    @Test
    void theHandsPlayApart() {
        List<Step> drills = Drills.of(chart("| C(x32010) | G(320003) | C(x32010) | G(320003) |", 4));
        Step right = named(drills, "right hand alone").orElseThrow();
        assertThat(right.notes()).isNotEmpty().allSatisfy(note -> {
            assertThat(note.fret()).isZero();
            assertThat(note.left()).isEmpty();
            assertThat(note.midi()).isEqualTo(Instrument.STANDARD.midi(note.string(), 0));
        });
        Step left = named(drills, "left hand in silence").orElseThrow();
        assertThat(left.notes()).isEmpty();
        assertThat(left.hands()).isEqualTo(Step.Hands.LEFT);
        assertThat(left.count()).startsWith("1 2 3 4 |");
        assertThat(named(drills, "the chain").orElseThrow().adds()).startsWith("4 shapes");
        // open chords are no stretch
        assertThat(named(drills, "stretch")).isEmpty();
    }

    @Test
    void aStretchComesWithItsCautionAndNeverFirst() {
        // x 4 6 2 0 0: about 120 mm from finger 1 to 4; common practice, no source
        List<Step> drills = Drills.of(chart("| Em(022000) | E(x46200) |", 2));
        Step stretch = named(drills, "stretch").orElseThrow();
        assertThat(stretch.why()).contains("warm hand", "clinician");
        assertThat(stretch.notes()).isNotEmpty();
        assertThat(drills.get(0).name()).doesNotStartWith("stretch");
    }

    /** D over its open string, moved two frets at a time: the same fingers, each place within reach, the pedal open. */
    @Test
    void aShapeGoesAlongTheNeckOverAPedal() {
        Song song = ChartText.parse("| D(xx0232) | A7(x02020) |", Meter.COMMON)
                .over(TuneEdit.empty("Made up", Key.parse("D"), 90, Meter.COMMON, 2));
        Step moved = Drills.of(arranged(song)).stream()
                .filter(step -> step.name().contains("along the neck"))
                .findFirst()
                .orElseThrow();
        assertThat(moved.name()).isEqualTo("xx0232 along the neck over open string 4");
        assertThat(moved.adds()).endsWith("xx0232, xx0454, xx0676");
        List<Integer> beats =
                moved.notes().stream().map(ArrangedNote::tick).distinct().toList();
        assertThat(beats).hasSize(4);
        for (int at = 0; at < 4; at++) {
            int tick = beats.get(at);
            int by = List.of(0, 2, 4, 2).get(at);
            List<ArrangedNote> struck =
                    moved.notes().stream().filter(note -> note.tick() == tick).toList();
            assertThat(struck).extracting(ArrangedNote::string).containsExactly(4, 3, 2, 1);
            assertThat(struck).extracting(ArrangedNote::fret).containsExactly(0, 2 + by, 3 + by, 2 + by);
            assertThat(struck).extracting(ArrangedNote::midi).allSatisfy(midi -> assertThat(midi)
                    .isPositive());
            assertThat(struck.get(0).right()).isEqualTo(Digit.P);
            assertThat(struck.stream().map(ArrangedNote::right).distinct()).hasSize(4);
        }
        // no string of the key lies open below the shape: E flat in standard tuning
        Song flat = ChartText.parse("| Eb(xx1343) | Bb(x13331) |", Meter.COMMON)
                .over(TuneEdit.empty("Made up", Key.parse("Eb"), 90, Meter.COMMON, 2));
        assertThat(Drills.of(arranged(flat))).noneMatch(step -> step.name().contains("along the neck"));
    }

    /** Any song: drills are of its own bars, and never ask for more than its tempo. */
    @Test
    void drillsAreOfTheSong() {
        for (long seed = 0; seed < 2; seed++) {
            Arrangement arrangement = arranged(Songs.random(seed, 6));
            List<Step> drills = Drills.of(arrangement, 1, 4);
            assertThat(drills).as("seed %d", seed).isNotEmpty().allSatisfy(step -> {
                assertThat(arrangement.song().bars()).containsAll(step.bars());
                assertThat(step.tempo()).isLessThanOrEqualTo(arrangement.song().tempo());
                assertThat(step.adds()).isNotBlank();
                int start = step.bars().get(0).startTick();
                int end = step.bars().get(step.bars().size() - 1).endTick();
                assertThat(step.notes()).allMatch(note -> note.tick() >= start && note.tick() < end);
            });
            assertThat(drills).extracting(Step::name).doesNotHaveDuplicates();
        }
        assertThat(Drills.of(chart("| N.C. | N.C. |", 2))).isEmpty();
        assertThatThrownBy(() -> Drills.of(chart("| C | C |", 2), 1, 5))
                .isInstanceOf(IndexOutOfBoundsException.class)
                .hasMessageContaining("bars 1 to 5 of 2");
    }
}

package phalanx.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.song.ChordChange;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.testing.Deep;

/** Lines of the thumb under chords alone. What is wanted of them is common practice, no source. */
class WalkingBassTest {
    private static final String[] ROOTS = {"C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"};
    private static final int[] STEPS = {0, 2, 4, 5, 7, 9};
    private static final String[] KINDS = {"maj7", "m7", "m7", "maj7", "7", "m7"};

    private static Song progression(int seed) {
        Random random = new Random(seed);
        int key = random.nextInt(12);
        StringBuilder chords = new StringBuilder();
        for (int bar = 0; bar < 8; bar++) {
            int degree = random.nextInt(STEPS.length);
            chords.append(ROOTS[(key + STEPS[degree]) % 12])
                    .append(KINDS[degree])
                    .append(' ');
        }
        Meter meter = new Meter(2 + random.nextInt(3), 4);
        return Songs.of(ROOTS[key], meter, chords.toString(), "");
    }

    private static List<ArrangedNote> bass(Song song, BassLine line) {
        Picking picking = Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), line, Level.EVEN));
        Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, picking, Wishes.USUAL.withOctave(Octave.AS_WRITTEN), List.of(), () -> false);
        return arranged.notes().stream()
                .filter(note -> note.role() == Role.BASS)
                .toList();
    }

    /** The root on every change, steps of a fourth at most, a step or half step into the next root. */
    @Test
    void aLineWalks() {
        int steps = 0;
        int narrow = 0;
        int changes = 0;
        int approached = 0;
        for (int seed = 0; seed < Deep.of(12, 100); seed++) {
            Song song = progression(seed);
            List<ArrangedNote> line = bass(song, BassLine.WALKING);
            for (ChordChange change : song.chart()) {
                assertThat(line)
                        .as("song %d", seed)
                        .anyMatch(note -> note.tick() == change.startTick()
                                && note.midi() % 12
                                        == change.chord().orElseThrow().root().pitchClass());
            }
            for (int i = 1; i < line.size(); i++) {
                int wide = Math.abs(line.get(i).midi() - line.get(i - 1).midi());
                int tick = line.get(i).tick();
                steps++;
                narrow += wide <= 5 ? 1 : 0;
                if (song.chart().stream().anyMatch(change -> change.startTick() == tick)) {
                    changes++;
                    approached += wide == 1 || wide == 2 ? 1 : 0;
                }
            }
        }
        assertThat(narrow / (double) steps).isGreaterThan(0.98);
        assertThat(approached / (double) changes).isGreaterThan(0.95);
    }

    /** Under a tune that lies low the line stays below it or leaves it the place. */
    @Test
    void theTuneStaysOnTop() {
        Song song = Songs.of("C", Meter.COMMON, "C F G C", "A3:1 B3:1 C4:2 A3:4 B3:2 D4:2 C4:4");
        for (ArrangedNote note : bass(song, BassLine.WALKING)) {
            assertThat(song.melody().stream()
                            .filter(tune -> tune.tick() <= note.tick() && tune.endTick() > note.tick()))
                    .as("tick %d", note.tick())
                    .allMatch(tune -> tune.midi() > note.midi());
        }
    }

    /** Under a tune at the bottom of the guitar there is no line; it begins again after it. */
    @Test
    void aLineBeginsAgainAfterALowTune() {
        Song song = Songs.of("C", Meter.COMMON, "C F C", "E2:4 A4:4 G4:4");
        List<BassStroke> asked = new BassWriter(song, walking()).strokes();
        List<BassStroke> line = new WalkingBass(song, walking(), 40, 54).over(asked);
        assertThat(line).hasSameSizeAs(asked);
        assertThat(line.subList(0, 4)).isEqualTo(asked.subList(0, 4));
        assertThat(line.subList(4, 12)).allMatch(stroke -> stroke.midi() > 0);
        assertThat(line.get(4).midi() % 12).isEqualTo(5);
    }

    private static Picking walking() {
        return Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), BassLine.WALKING, Level.EVEN));
    }

    @ParameterizedTest
    @CsvSource({"C, 5 4 6 4", "Am, 5 4 6 4", "E, 6 4 5 4", "F, 6 4 5 4", "G7, 6 5 4 5"})
    void aRoundTakesThreeStringsAndNoneTwiceInARow(String chord, String strings) {
        List<ArrangedNote> line = bass(Songs.of("C", Meter.COMMON, chord + " " + chord, ""), BassLine.ROUND);
        assertThat(line.subList(0, 4).stream().map(note -> String.valueOf(note.string())))
                .containsExactly(strings.split(" "));
    }
}

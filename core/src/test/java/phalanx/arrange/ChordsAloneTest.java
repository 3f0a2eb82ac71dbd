package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.ChartText;
import phalanx.song.ChordChange;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/** Songs without a tune, or with one that is sung: whole shapes of the chords, and the pattern over them. */
class ChordsAloneTest {
    private static Arrangement arranged(Song song, String pattern, Wishes wishes) {
        Picking picking = Picking.PLAIN.withPlan(new Picking.Plan(
                Optional.of(pattern).filter(name -> !name.isEmpty()).map(PatternLibrary.standard()::get),
                BassLine.ALTERNATING,
                Level.EVEN));
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song, picking, wishes, List.of(), () -> false);
    }

    /** Root, third and seventh are struck; the fifth may go. Blues, a minor waltz, jazz sevenths, a flat key, six-eight. */
    @ParameterizedTest
    @CsvSource({
        "E, 4/4, E7 . A7 E7 A7 . E7 . B7 A7 E7 B7, Rising Smoke",
        "E, 4/4, E7 . A7 E7 A7 . E7 . B7 A7 E7 B7, ''",
        "Am, 3/4, Am . Dm . E7 . Am ., ''",
        "C, 4/4, Dm7 G7 Cmaj7 Am7 Dm7 G7 Cmaj7 ., Rising Smoke",
        "Eb, 4/4, Eb Ab Bb7 Eb Cm Fm Bb7 Eb, Rising Smoke",
        "G, 6/8, G C D7 G Em Am D7 G, ''"
    })
    void chordsAreFullAndBeginOnTheirBass(String key, String meter, String chords, String pattern) {
        String[] parts = meter.split("/");
        Song song = Songs.of(key, new Meter(Integer.parseInt(parts[0]), Integer.parseInt(parts[1])), chords, "");
        Arrangement arranged = arranged(song, pattern, Wishes.USUAL);
        assertThat(arranged.request().tune()).isEqualTo(TuneUse.NONE);
        assertThat(arranged.slots()).allMatch(slot -> slot.printed().isPresent());
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            ChordSymbol chord = change.chord().orElseThrow();
            int end = song.chordEnd(i);
            List<ArrangedNote> struck = arranged.notes().stream()
                    .filter(note -> note.tick() >= change.startTick() && note.tick() < end)
                    .toList();
            assertThat(struck.get(0).role()).isEqualTo(Role.BASS);
            assertThat(struck.get(0).midi() % 12).isEqualTo(chord.bass().pitchClass());
            Set<Integer> heard = struck.stream().map(note -> note.midi() % 12).collect(Collectors.toSet());
            for (ChordTone tone : chord.colourTones()) {
                assertThat(heard)
                        .as("%s at %d", chord, change.startTick())
                        .contains(chord.noteOf(tone).pitchClass());
            }
            assertThat(struck.stream().map(ArrangedNote::string).distinct().count())
                    .isGreaterThanOrEqualTo(4);
        }
    }

    /** The rows of an arpeggio are the shape's own strings, each row another one. */
    @Test
    void rowsAreTheStringsOfTheShape() {
        Song song = Songs.of("C", Meter.COMMON, "C Am F G7 Em Dm C G", "").withTempo(60);
        Arrangement arranged = arranged(song, "Rising Smoke", Wishes.USUAL.withFullEnds(false));
        assertThat(arranged.joining().kept())
                .isGreaterThanOrEqualTo(arranged.joining().asked() * 97 / 100);
        for (int beat = 0; beat < song.endTick(); beat += Ticks.QUARTER) {
            int from = beat;
            List<Integer> strings = arranged.notes().stream()
                    .filter(note ->
                            note.role() == Role.INNER && note.tick() >= from && note.tick() < from + Ticks.QUARTER)
                    .map(ArrangedNote::string)
                    .toList();
            assertThat(strings).isSortedAccordingTo(Comparator.reverseOrder()).doesNotHaveDuplicates();
        }
    }

    @Test
    void aSungTuneIsKeptAndNotPlayed() {
        Song song = Songs.of("G", Meter.COMMON, "G Em C D7", "B4:2 D5:2 G4:4 E5:4 A4:4");
        Arrangement sung = arranged(song, "", Wishes.USUAL.withTune(TuneUse.SUNG));
        assertThat(sung.song().melody()).isEqualTo(song.melody());
        assertThat(sung.notes()).noneMatch(note -> note.role() == Role.MELODY);
        assertThat(sung.findings()).noneMatch(finding -> finding.message().contains("melody"));
        Arrangement none = arranged(song.withMelody(List.of()), "", Wishes.USUAL);
        assertThat(sung.notes().stream().filter(note -> note.tick() < 3 * Ticks.WHOLE))
                .as("the accompaniment does not hang on the tune, but for its ends")
                .hasSameSizeAs(none.notes().stream()
                        .filter(note -> note.tick() < 3 * Ticks.WHOLE)
                        .toList());
    }

    @Test
    void aTuneAtSingingPitchIsPlayedAnOctaveLower() {
        Song song = Songs.of("C", Meter.COMMON, "C F G7 C", "C5:2 E5:2 A5:2 F5:2 G5:2 B5:2 C6:4");
        Arrangement best = arranged(song, "", Wishes.USUAL);
        assertThat(best.movedBy()).isEqualTo(-12);
        assertThat(best.octave().orElseThrow().words()).contains("octave lower", "as written");
        Arrangement written = arranged(song, "", Wishes.USUAL.withOctave(Octave.AS_WRITTEN));
        assertThat(written.movedBy()).isZero();
        assertThat(best.effort()).isLessThan(written.effort());
        Song low = Songs.of("C", Meter.COMMON, "C F G7 C", "C4:2 E4:2 A3:2 F4:2 G3:2 B3:2 C4:4");
        assertThat(arranged(low, "", Wishes.USUAL).movedBy()).isZero();
    }

    /** The last chord sounds on four strings, unless the player wants it plain. */
    @Test
    void aPhraseEndsFuller() {
        Song song = Songs.of("C", Meter.COMMON, "C F G7 C", "E4:2 G4:2 A4:2 F4:2 D4:2 B4:2 C5:4");
        Wishes wishes = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
        long full = strings(arranged(song, "", wishes), 3 * Ticks.WHOLE);
        long plain = strings(arranged(song, "", wishes.withFullEnds(false)), 3 * Ticks.WHOLE);
        assertThat(full).isEqualTo(4);
        assertThat(plain).isLessThan(full);
    }

    /** A lock costs what its shape does, so that no other way looks cheaper than the chosen one for being a lock. */
    @Test
    void aLockOnTheChosenShapeCostsNothing() {
        Song song = Songs.of("G", Meter.COMMON, "G Em C D7", "");
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        Arrangement free = arranger.arrange(song, Picking.PLAIN, Wishes.USUAL, List.of(), () -> false);
        for (ArrangedSlot slot : free.slots()) {
            Arrangement locked = arranger.arrange(song, Picking.PLAIN, Wishes.USUAL, List.of(slot.lock()), () -> false);
            assertThat(locked.effort()).as("tick %d", slot.startTick()).isGreaterThanOrEqualTo(free.effort() - 0.5);
        }
    }

    private static long strings(Arrangement arranged, int tick) {
        return arranged.notes().stream().filter(note -> note.tick() == tick).count();
    }

    /** A row of shapes with a pattern is an exercise: what is given as frets is held and struck, named or not. */
    @Test
    void fretsInTheChartAreHeldAndNamed() {
        Song blank = Songs.of("C", Meter.COMMON, "C", "").withTempo(60);
        Song song = ChartText.parse("| C(x32010) | x02210 | x35553 | 320003 |", Meter.COMMON)
                .over(blank);
        Arrangement arranged = arranged(song, "Rising Smoke", Wishes.USUAL.withFullEnds(false));
        assertThat(arranged.song().chart()).extracting(ChordChange::name).containsExactly("C", "Am", "C", "G");
        List<String> shapes = List.of("x32010", "x02210", "x35553", "320003");
        for (ArrangedNote note : arranged.notes()) {
            String shape = shapes.get(note.tick() / Ticks.WHOLE);
            assertThat(String.valueOf(note.fret())).isEqualTo(shape.substring(6 - note.string(), 7 - note.string()));
        }
        assertThat(arranged.findings()).noneMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT);
    }

    @Test
    void fretsThatNoHandHoldsAreAFinding() {
        Song blank = Songs.of("C", Meter.COMMON, "C", "");
        Song song = ChartText.parse("| C | G(1-12-1-12-1-12) | G(0320) |", Meter.COMMON)
                .over(blank);
        Arrangement arranged = arranged(song, "", Wishes.USUAL);
        assertThat(arranged.findings().stream()
                        .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                        .map(Finding::bar))
                .containsExactlyInAnyOrder(2, 3);
        assertThat(arranged.findings()).anyMatch(finding -> finding.message().contains("4 strings, the guitar has 6"));
        assertThat(arranged.notes()).anyMatch(note -> note.tick() >= Ticks.WHOLE && note.role() == Role.INNER);
    }

    /** Four strings have no room for root, third, seventh and three tensions; a plain triad is held whole. */
    @Test
    void aChordThatNobodyHoldsSaysWhatItLeavesOut() {
        Song song = Songs.of("C", Meter.COMMON, "C C13#11 G C13#11", "");
        Instrument four = Instrument.STANDARD.withTuning(Tuning.parse("D3 G3 B3 E4"));
        Arrangement arranged = new Arranger(four, Hand.AVERAGE).arrange(song);
        List<Finding> missing = arranged.findings().stream()
                .filter(finding -> finding.message().contains("cannot be held"))
                .toList();
        assertThat(missing).hasSize(1);
        assertThat(missing.get(0).bar()).isEqualTo(2);
        assertThat(missing.get(0).kind()).isEqualTo(FindingKind.TONE_MISSING);
        assertThat(new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                        .arrange(Songs.of("C", Meter.COMMON, "C G7 Am F", ""))
                        .findings())
                .noneMatch(finding -> finding.message().contains("cannot be held"));
    }

    /** With a bassist the thumb rests, and thirds and sevenths are still struck. */
    @Test
    void aBassistPlays() {
        Song song = Songs.of("C", Meter.COMMON, "Cmaj7 Am7 Dm7 G7", "");
        Picking picking = Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), BassLine.NONE, Level.EVEN));
        Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(song, picking, Wishes.USUAL, List.of(), () -> false);
        assertThat(arranged.notes()).isNotEmpty().noneMatch(note -> note.role() == Role.BASS);
        assertThat(arranged.findings()).noneMatch(finding -> finding.kind() == FindingKind.TONE_MISSING);
    }
}

package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Passage;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.song.Unfolding;
import phalanx.theory.Pitch;

/** A bass that the player wrote is played as it is written, in its bars and no others. */
class OwnBassTest {
    private static final int BAR = Ticks.WHOLE;

    /** Quarter notes from a tick on. */
    private static List<MelodyNote> line(int tick, String... pitches) {
        return IntStream.range(0, pitches.length)
                .mapToObj(i -> new MelodyNote(tick + i * Ticks.QUARTER, Ticks.QUARTER, Pitch.parse(pitches[i])))
                .toList();
    }

    private static Song song() {
        return Songs.of("C", Meter.COMMON, "C Am F G7", "E4:4 C4:4 A4:4 B4:4");
    }

    private static Arrangement arranged(Song song, BassLine otherwise) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(
                        song,
                        Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), otherwise, Level.EVEN)),
                        Wishes.USUAL.withOctave(Octave.AS_WRITTEN),
                        List.of(),
                        () -> false);
    }

    private static List<String> bass(Arrangement arrangement, int from, int to) {
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.BASS && note.tick() >= from && note.tick() < to)
                .map(note -> Pitch.of(note.midi(), arrangement.song().key()).toString())
                .toList();
    }

    @Test
    void itIsPlayedNoteByNoteAndOtherBarsAsThePickingHasThem() {
        List<MelodyNote> own = line(BAR, "A2", "G2", "F#2", "E2");
        Song song = song();
        Arrangement with = arranged(song.withBass(own), BassLine.ALTERNATING);
        Arrangement without = arranged(song, BassLine.ALTERNATING);
        assertThat(bass(with, BAR, 2 * BAR)).containsExactly("A2", "G2", "F#2", "E2");
        assertThat(bass(with, 0, BAR)).isEqualTo(bass(without, 0, BAR)).isNotEmpty();
        assertThat(bass(with, 3 * BAR, 4 * BAR)).isEqualTo(bass(without, 3 * BAR, 4 * BAR));
        assertThat(with.findings()).extracting(Finding::kind).doesNotContain(FindingKind.OWN_BASS_NOT_KEPT);
        assertThat(bass(arranged(song.withBass(own), BassLine.NONE), 0, 4 * BAR))
                .as("where a bassist plays only what is written")
                .containsExactly("A2", "G2", "F#2", "E2");
        assertThat(bass(arranged(song.withBass(own), BassLine.WALKING), BAR, 2 * BAR))
                .containsExactly("A2", "G2", "F#2", "E2");
    }

    /** Parts for a bass guitar are written an octave lower than a guitar reaches. */
    @Test
    void whatLiesBeyondTheBassStringsIsPlayedInTheNextOctaveThatIsNot() {
        Song song = song().withBass(line(0, "C1", "C3", "C4", "C2"));
        assertThat(bass(arranged(song, BassLine.STEADY), 0, BAR)).containsExactly("C3", "C3", "C3", "C3");
    }

    /** The tune's B3 could be the bass itself; the player wrote another one. */
    @Test
    void aLowTuneDoesNotTakeItsPlace() {
        Song song = Songs.of("G", Meter.COMMON, "Em", "B3:4").withBass(line(0, "E3"));
        assertThat(bass(arranged(song, BassLine.ON_CHANGE), 0, BAR)).containsExactly("E3");
    }

    @Test
    void itNeedsNoChordAndNoTune() {
        Song song = Songs.of("C", Meter.COMMON, "N.C. .", "").withBass(line(0, "E2", "G2", "A2", "B2"));
        assertThat(bass(arranged(song, BassLine.STEADY), 0, 2 * BAR)).containsExactly("E2", "G2", "A2", "B2");
    }

    /** Whatever the level: what stands before the first chord belongs to none. */
    @Test
    void itMayBeginBeforeTheFirstChord() {
        Song song = Songs.of("C", Meter.COMMON, Ticks.QUARTER, "C", "G4:1 E4:4").withBass(line(0, "G2"));
        assertThat(bass(arranged(song, BassLine.STEADY), 0, Ticks.QUARTER)).containsExactly("G2");
    }

    @Test
    void whatCannotBeHeldIsAFinding() {
        // the tune takes the only string that has both
        Song song = Songs.of("C", Meter.COMMON, "C", "E2:4").withBass(line(0, "F#2"));
        Arrangement arrangement = arranged(song, BassLine.STEADY);
        assertThat(arrangement.findings()).extracting(Finding::kind).contains(FindingKind.OWN_BASS_NOT_KEPT);
        assertThat(arrangement.findings().stream()
                        .filter(finding -> finding.kind() == FindingKind.OWN_BASS_NOT_KEPT)
                        .findFirst()
                        .orElseThrow()
                        .message())
                .contains("Bar 1")
                .contains("F#2");
    }

    @Test
    void itGoesWithEveryEdit() {
        List<MelodyNote> own = line(BAR, "A2", "G2", "F#2", "E2");
        Song song = song().withBass(own);
        assertThat(song.transpose(7).bass())
                .as("the near way")
                .extracting(note -> note.pitch().toString())
                .containsExactly("E2", "D2", "C#2", "B1");
        assertThat(song.transpose(-12).bass()).isEqualTo(own);
        assertThat(Unfolding.ofBars(song, List.of(1, 1)).bass())
                .extracting(MelodyNote::tick)
                .containsExactly(
                        0,
                        1 * Ticks.QUARTER,
                        2 * Ticks.QUARTER,
                        3 * Ticks.QUARTER,
                        BAR,
                        BAR + Ticks.QUARTER,
                        BAR + 2 * Ticks.QUARTER,
                        BAR + 3 * Ticks.QUARTER);
        Song pasted = Passage.of(song, BAR, 2 * BAR).into(song, 3 * BAR);
        assertThat(pasted.bassBetween(3 * BAR, 4 * BAR))
                .extracting(MelodyNote::pitch)
                .isEqualTo(own.stream().map(MelodyNote::pitch).toList());
        Song typed = TuneEdit.onBass(
                song, line -> TuneEdit.put(line, new MelodyNote(BAR, 2 * Ticks.QUARTER, Pitch.parse("C3"))));
        assertThat(typed.melody()).isEqualTo(song.melody());
        assertThat(typed.bass()).extracting(note -> note.pitch().toString()).containsExactly("C3", "F#2", "E2");
        List<MelodyNote> sung = new ArrayList<>(own);
        sung.set(0, own.get(0).sung(Optional.of("la")));
        assertThatThrownBy(() -> song.withBass(sung)).hasMessageContaining("words");
        assertThatThrownBy(() -> song.withBass(line(4 * BAR, "E2"))).hasMessageContaining("after the last bar");
    }

    /** The price of an arrangement with an own bass is the price of what is written, as everywhere. */
    @Test
    void songsWithAnOwnBassKeepIt() {
        int asked = 0;
        int kept = 0;
        for (int seed = 0; seed < (Boolean.getBoolean("phalanx.deep") ? 60 : 5); seed++) {
            Song plain = Songs.random(seed, 8);
            List<MelodyNote> own = new ArrayList<>();
            plain.chart().forEach(change -> change.chord()
                    .ifPresent(chord -> own.add(new MelodyNote(
                            change.startTick(),
                            Ticks.QUARTER,
                            new Pitch(chord.bass(), chord.bass().pitchClass() < 4 ? 3 : 2)))));
            Arrangement arrangement = arranged(plain.withBass(own), BassLine.STEADY);
            asked += own.size();
            for (MelodyNote note : own) {
                kept += arrangement.notes().stream()
                                .filter(one -> one.tick() == note.tick() && one.role() != Role.INNER)
                                .map(ArrangedNote::midi)
                                .anyMatch(midi -> (midi - note.midi()) % 12 == 0)
                        ? 1
                        : 0;
            }
            assertThat(arrangement.findings().stream()
                            .filter(finding -> finding.kind() == FindingKind.OWN_BASS_NOT_KEPT)
                            .count())
                    .as("seed " + seed)
                    .isLessThanOrEqualTo(own.size() / 4);
        }
        assertThat(kept / (double) asked).as("kept of own bass").isGreaterThan(0.9);
    }
}

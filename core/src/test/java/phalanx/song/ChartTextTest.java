package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class ChartTextTest {
    private static final Song BLANK = TuneEdit.empty("Blank", Key.C_MAJOR, 90, Meter.COMMON, 1);

    private static Song song(String chart) {
        return ChartText.parse(chart, Meter.COMMON).over(BLANK);
    }

    private static String chords(Song song) {
        return song.chart().stream()
                .map(change -> change.symbol() + "@" + change.startTick() / (double) Ticks.QUARTER)
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "| G . D/F# . | Em7 % |; G@0.0 D/F#@2.0 Em7@4.0",
                "| G C | % |; G@0.0 C@2.0 G@4.0 C@6.0",
                "| 3/4 Am . E7 | F | 6/8 C G |; Am@0.0 E7@2.0 F@3.0 C@6.0 G@7.5",
                "| N.C. | C; N.C.@0.0 C@4.0",
                "|: Am | 1. F :| 2. C |; Am@0.0 F@4.0 Am@8.0 C@12.0",
                "|: Am . . G :| F |; Am@0.0 G@3.0 Am@4.0 G@7.0 F@8.0",
                "| C . . . G . . . |; C@0.0 G@2.0",
                "| C(x32010) x02210 | % |; C(x32010)@0.0 x02210@2.0 C(x32010)@4.0 x02210@6.0",
                "|: x-10-12-12-12-x | 000232 :|; x-10-12-12-12-x@0.0 000232@4.0 x-10-12-12-12-x@8.0 000232@12.0"
            })
    void chartsAreReadInBars(String chart, String expected) {
        assertThat(chords(song(chart))).isEqualTo(expected.trim());
    }

    @Test
    void sectionsBeginWhereTheyAreNamed() {
        Song song = song("[A] | G | C |\n[bridge 2] | Am |");
        assertThat(song.sections()).containsExactly(new Section("A", 0), new Section("bridge 2", 2 * Ticks.WHOLE));
        assertThat(song.bars()).hasSize(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "| G | Hm |; Hm; H",
                "| G . C |; C; 3 entries do not share 4 beats",
                "| % |; %; no bar before",
                "| 4/5 C |; 4/5; not a meter",
                "| C | [] F |; []; a section needs a name",
                "| C | Cwrong |; Cwrong; wrong",
                "| x-30-12-12-12-x |; x-30-12-12-12-x; fret 30",
                "| xxxxxx |; xxxxxx; no string sounds",
                "| C(x3201q) |; C(x3201q); x3201q"
            })
    void mistakesAreMarkedUnderTheirWord(String chart, String word, String message) {
        ChartText read = ChartText.parse(chart, Meter.COMMON);
        ChartText.Mistake mistake = read.mistakes().get(0);
        assertThat(chart.substring(mistake.from(), mistake.to())).isEqualTo(word.trim());
        assertThat(mistake.message()).contains(message.trim());
        assertThatThrownBy(() -> read.over(BLANK)).hasMessageContaining(message.trim());
    }

    /** A song's chart as text, read again, is the same chart. */
    @Property(tries = 200)
    void textAndChartAreTheSame(@ForAll long seed) {
        Song song = Songs.random(seed, 9);
        Song again = ChartText.parse(ChartText.of(song), Meter.COMMON).over(song);
        assertThat(again.chart())
                .extracting(ChordChange::symbol)
                .isEqualTo(song.chart().stream().map(ChordChange::symbol).toList());
        assertThat(again.chart())
                .extracting(ChordChange::startTick)
                .isEqualTo(song.chart().stream().map(ChordChange::startTick).toList());
        assertThat(again.bars()).isEqualTo(song.bars());
        assertThat(again.melody()).isEqualTo(song.melody());
    }

    @Test
    void aShortFirstBarIsAPickup() {
        Song song = Songs.of("C", Meter.COMMON, Ticks.QUARTER, "C G", "E4:1 G4:4");
        assertThat(ChartText.of(song)).startsWith("| 1/4 . | 4/4 C | G |");
        assertThat(ChartText.parse(ChartText.of(song), Meter.COMMON).over(song)).isEqualTo(song);
    }

    @Property(tries = 500)
    void anyTextIsReadWithMistakesInPlace(
            @ForAll @StringLength(max = 60) @CharRange(from = ' ', to = '~') String text) {
        ChartText read = ChartText.parse(text, Meter.COMMON);
        assertThat(read.bars()).hasSameSizeAs(read.marks());
        assertThat(read.mistakes())
                .allMatch(mistake ->
                        mistake.from() >= 0 && mistake.from() < mistake.to() && mistake.to() <= text.length());
    }

    @Test
    void theTuneIsEditedNoteByNote() {
        Song song = TuneEdit.put(BLANK, note(0, 2, "E4"));
        song = TuneEdit.put(song, note(2, 2, "G4"));
        song = TuneEdit.put(song, note(1, 2, "F4"));
        assertThat(tune(song)).containsExactly("E4 0+1", "F4 1+2");
        song = TuneEdit.put(song, note(6, 4, "C5"));
        assertThat(song.bars()).hasSize(3);
        song = TuneEdit.lengthen(song, 3 * Ticks.QUARTER, Ticks.QUARTER);
        assertThat(tune(song)).containsExactly("E4 0+1", "F4 1+3", "C5 6+4");
        song = TuneEdit.transpose(song, Ticks.QUARTER, 8 * Ticks.QUARTER, -1);
        assertThat(tune(song)).containsExactly("E4 0+1", "E4 1+3", "B4 6+4");
        assertThat(tune(TuneEdit.clear(song, 0, 7 * Ticks.QUARTER))).isEmpty();
        assertThat(TuneEdit.lengthen(song, 5, 10)).isSameAs(song);
        assertThat(ChartText.parse("| C |", Meter.COMMON).over(song).bars()).hasSize(3);
    }

    /** Grace notes go where their note goes: with another length or time, up and down, in another key. */
    @Test
    void graceNotesGoWithTheirNote() {
        List<Pitch> graces = List.of(Pitch.parse("D4"), Pitch.parse("F4"));
        Song song = TuneEdit.put(BLANK, note(0, 2, "E4").graced(graces));
        song = TuneEdit.lengthen(song, 2 * Ticks.QUARTER, Ticks.QUARTER);
        assertThat(song.melody().get(0).graces()).isEqualTo(graces);
        song = TuneEdit.transpose(song, 0, Ticks.QUARTER, 2);
        assertThat(song.melody().get(0).graces()).extracting(Pitch::toString).containsExactly("E4", "G4");
        assertThat(song.transpose(-12).melody().get(0).graces())
                .extracting(Pitch::toString)
                .containsExactly("E3", "G3");
        assertThat(song.transpose(3).melody().get(0).graces())
                .extracting(Pitch::midi)
                .containsExactly(67, 70);
        assertThatThrownBy(() ->
                        note(0, 1, "E4").graced(List.of(graces.get(0), graces.get(1), graces.get(0), graces.get(1))))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("4 grace notes before one note; at most 3 can be");
    }

    private static MelodyNote note(int beat, int beats, String pitch) {
        return new MelodyNote(beat * Ticks.QUARTER, beats * Ticks.QUARTER, Pitch.parse(pitch));
    }

    private static List<String> tune(Song song) {
        return song.melody().stream()
                .map(note ->
                        note.pitch() + " " + note.tick() / Ticks.QUARTER + "+" + note.lengthTicks() / Ticks.QUARTER)
                .toList();
    }

    /** A barre chord goes up by frets; down it stays on the neck an octave higher. */
    @Test
    void fretsMoveWithTheKey() {
        Song song = song("| x32010 | 355433 |");
        assertThat(chords(song.transpose(2))).isEqualTo("x54232@0.0 577655@4.0");
        assertThat(chords(song.transpose(-2))).isEqualTo("x-13-12-10-11-10@0.0 133211@4.0");
        assertThat(chords(song.transpose(12))).isEqualTo("x32010@0.0 355433@4.0");
    }
}

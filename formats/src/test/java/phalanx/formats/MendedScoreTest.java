package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.song.Ticks;

/** Scores as other programs write them: short, over-full, of several parts, with signs that lead nowhere. */
class MendedScoreTest {
    private static final String FOUR = LeadSheet.start(0, "major", 4, 4);
    private static final String C = LeadSheet.chord("C", "major");
    private static final String FORWARD = "<barline location=\"left\"><repeat direction=\"forward\"/></barline>";
    private static final String BACK = "<barline><repeat direction=\"backward\"/></barline>";

    private static Reading read(String xml) throws FormatException {
        return new MusicXmlReader("x").read(xml.getBytes(StandardCharsets.UTF_8));
    }

    /** Bars in quarter notes, then notes with their onsets, then chords. */
    private static String words(Song song) {
        return song.bars().stream().map(bar -> quarters(bar.lengthTicks())).collect(Collectors.joining(" "))
                + " | "
                + song.melody().stream()
                        .map(note -> note.pitch() + "@" + quarters(note.tick()))
                        .collect(Collectors.joining(" "))
                + " | "
                + song.chart().stream().map(ChordChange::symbol).collect(Collectors.joining(" "));
    }

    private static String quarters(int ticks) {
        double quarters = ticks / (double) Ticks.QUARTER;
        return quarters == Math.rint(quarters)
                ? String.valueOf((int) quarters)
                : String.format(Locale.ROOT, "%.2f", quarters);
    }

    private static String meter(String beats, String unit) {
        return "<attributes><divisions>12</divisions><time><beats>" + beats + "</beats><beat-type>" + unit
                + "</beat-type></time></attributes>";
    }

    private static String ending(String number, String type) {
        return "<barline><ending number=\"" + number + "\" type=\"" + type + "\"/></barline>";
    }

    private static LeadSheet sheet(String... firstBar) {
        return new LeadSheet().bar(firstBar);
    }

    private static Arguments of(LeadSheet sheet, String words, String said) {
        return Arguments.of(sheet.xml(), words, said);
    }

    static Stream<Arguments> mended() {
        return Stream.of(
                // bars
                of(sheet(FOUR, C, "C4:5").bar("D4:4"), "5 4 | C4@0 D4@5 | C", "bar 1: it holds 5 quarter notes"),
                of(
                        sheet(FOUR, C, "C4:4").bar("D4:3").bar("E4:4"),
                        "4 4 4 | C4@0 D4@4 E4@8 | C",
                        "bar 2: it holds 3 of 4 quarter notes; a rest was added"),
                of(
                        sheet(FOUR, C, "C4:4", "D4:4", "E4:4"),
                        "4 4 4 | C4@0 D4@4 E4@8 | C",
                        "without a bar line; it is divided into bars of 4/4"),
                of(sheet(meter("3+2", "8"), C, "C4:2.5"), "2.50 | C4@0 | C", "read as their sum"),
                of(sheet(meter("40", "4"), C, "C4:4"), "4 | C4@0 | C", "meter 40/4 is not used"),
                of(
                        sheet("<attributes><divisions>12</divisions><time><senza-misura/></time></attributes>", "C4:4")
                                .bar(C, "D4:9"),
                        "4 4 4 1 | C4@0 D4@4 | C",
                        "bar 2: it holds 9 quarter notes without a bar line"),
                of(
                        sheet(FOUR, C, "C4:4").bar("<backup><duration>48</duration></backup>", "D4:4"),
                        "4 4 | C4@0 D4@4 | C",
                        "past the beginning of the bar"),
                // notes
                of(
                        sheet(FOUR, C, "C4:2", "<backup><duration>12</duration></backup>", "D4:3"),
                        "4 | C4@0 D4@1 | C",
                        "notes overlap"),
                of(sheet(FOUR, C, "C4:0", "D4:4"), "4 | D4@0 | C", "without length"),
                of(
                        sheet(
                                FOUR,
                                C,
                                "C4:3",
                                "<note><pitch><step>D</step><octave>2147483647</octave></pitch>"
                                        + "<duration>12</duration></note>"),
                        "4 | C4@0 | C",
                        "without usable pitch"),
                of(
                        sheet(
                                FOUR,
                                C,
                                "<note><pitch><step>F</step><alter>0.5</alter><octave>4</octave></pitch>"
                                        + "<duration>48</duration></note>"),
                        "4 | F#4@0 | C",
                        "quarter tones"),
                // chords
                of(
                        sheet(FOUR, LeadSheet.chord("D", "wonderful"), "C4:4"),
                        "4 | C4@0 | D",
                        "\"wonderful\" over D is not known; it is read as D"),
                of(
                        sheet(
                                FOUR,
                                "<harmony><numeral><numeral-root>5</numeral-root></numeral><kind>dominant</kind>"
                                        + "</harmony>",
                                "C4:4"),
                        "4 | C4@0 | G7",
                        ""),
                of(
                        sheet(FOUR, "<harmony><function>IV</function><kind>major</kind></harmony>", "C4:4"),
                        "4 | C4@0 | F",
                        ""),
                of(sheet(FOUR, C, "C4:4", "<harmony><kind>major</kind></harmony>"), "4 | C4@0 | C", "has no root"),
                // signs
                of(
                        sheet(
                                FOUR,
                                C,
                                "C4:4",
                                "<direction><direction-type><words>D.S.</words></direction-type></direction>"),
                        "4 | C4@0 | C",
                        "nowhere in the song; it is not played"));
    }

    @ParameterizedTest
    @MethodSource("mended")
    void whatCanBeMendedIsAndIsSaid(String xml, String words, String said) throws FormatException {
        Reading reading = read(xml);
        assertThat(words(reading.song())).isEqualTo(words);
        assertThat(reading.report())
                .as("one line for one mend")
                .filteredOn(line -> line.contains(said))
                .hasSize(said.isEmpty() ? 0 : 1);
        assertThat(reading.report()).hasSize(said.isEmpty() ? 0 : 1);
    }

    static Stream<Arguments> wholeAsTheyAre() {
        return Stream.of(
                // a pickup that is repeated, with the bar that it completes
                of(
                        sheet(FOUR, FORWARD, "G4:1").bar(C, "C5:4").bar("D5:3", BACK),
                        "1 4 3 1 4 3 | G4@0 C5@1 D5@5 G4@8 C5@9 D5@13 | C C",
                        ""),
                // a bar that a repeat sign splits
                of(
                        sheet(FOUR, C, "C4:4")
                                .bar("D4:3", BACK)
                                .bar(FORWARD, "E4:1")
                                .bar("F4:4"),
                        "4 3 4 3 1 4 | C4@0 D4@4 C4@7 D4@11 E4@14 F4@15 | C C",
                        ""),
                // one that is split without a sign, and a pickup after a double line
                of(sheet(FOUR, C, "C4:4").bar("D4:1").bar("E4:3").bar("F4:4"), "4 1 3 4 | C4@0 D4@4 E4@5 F4@8 | C", ""),
                of(
                        sheet(FOUR, C, "C4:4", "<barline><bar-style>light-light</bar-style></barline>")
                                .bar("D4:1")
                                .bar("F4:4"),
                        "4 1 4 | C4@0 D4@4 F4@5 | C",
                        ""),
                // endings written otherwise, the last without an end, before another repeat
                of(
                        sheet(FOUR, C, "C4:4")
                                .bar(ending("1-2", "start"), "D4:4", BACK)
                                .bar(ending("3.", "start"), "E4:4")
                                .bar(FORWARD, "F4:4", BACK),
                        "4 4 4 4 4 4 4 4 | C4@0 D4@4 C4@8 D4@12 C4@16 E4@20 F4@24 F4@28 | C C C C",
                        ""),
                of(
                        sheet(FOUR, C, "C4:4")
                                .bar(ending("", "start"), "D4:4", BACK)
                                .bar(ending("", "start"), "E4:4"),
                        "4 4 4 4 | C4@0 D4@4 C4@8 E4@12 | C C C",
                        ""));
    }

    @ParameterizedTest
    @MethodSource("wholeAsTheyAre")
    void whatIsWrittenSoOnPurposeIsTakenSo(String xml, String words, String none) throws FormatException {
        Reading reading = read(xml);
        // the chord after a jump back is named anew only where another one stood between
        assertThat(words(reading.song()).replaceAll(" \\|[^|]*$", "")).isEqualTo(words.replaceAll(" \\|[^|]*$", ""));
        assertThat(reading.report()).isEmpty();
    }

    private static String voiceAndGuitar() {
        String words = "<lyric><syllabic>begin</syllabic><text>Wil</text></lyric>";
        String more = "<lyric><syllabic>end</syllabic><text>low</text></lyric>";
        String voice = "<part id=\"P2\"><measure number=\"1\">" + FOUR + LeadSheet.note("E5:2", words)
                + LeadSheet.note("D5:2", more) + "</measure></part></score-partwise>";
        return sheet(FOUR, C, "C4:1", "E4:1", LeadSheet.chord("G", "major"), "G4:1", "C5:1")
                .xml()
                .replace("<part-name>Melody</part-name>", "<part-name>Plucked</part-name>")
                .replace("</part-list>", "<score-part id=\"P2\"><part-name>Above</part-name></score-part></part-list>")
                .replace("</score-partwise>", voice);
    }

    @Test
    void theSungPartIsTheTuneWithTheChordsOfTheOther() throws FormatException {
        Reading reading = read(voiceAndGuitar());
        assertThat(words(reading.song())).isEqualTo("4 | E5@0 D5@2 | C G");
        assertThat(reading.song().melody().get(0).syllable()).contains("Wil-");
        assertThat(reading.choices()).containsExactly("Plucked (P1): 4 notes", "Above (P2): 2 notes, with words");
        assertThat(reading.chosen()).isEqualTo(1);
        assertThat(reading.report()).containsExactly("Above (P2) is taken for the tune; left out: Plucked (P1)");
        Song other = new MusicXmlReader("x", Choice.ofTune(OptionalInt.of(0)))
                .read(voiceAndGuitar().getBytes(StandardCharsets.UTF_8))
                .song();
        assertThat(words(other)).isEqualTo("4 | C4@0 E4@1 G4@2 C5@3 | C G");
    }

    @Test
    void aScoreByBarsAndOneWithAPrefixAreReadAlike() throws FormatException {
        String usual = LeadSheet.usual().xml();
        String expected = words(read(usual).song());
        String byBars = usual.replace("score-partwise", "score-timewise")
                .replace("<part id=\"P1\">", "")
                .replace("</part></score", "</score")
                .replaceAll("(<measure [^>]*>)", "$1<part id=\"P1\">")
                .replace("</measure>", "</part></measure>");
        assertThat(words(read(byBars).song())).isEqualTo(expected);
        String prefixed = usual.replaceAll("<(/?)(?=[a-z])", "<$1m:")
                .replace("<m:score-partwise ", "<m:score-partwise xmlns:m=\"urn:x\" ");
        assertThat(words(read(prefixed).song())).isEqualTo(expected);
    }

    @Test
    void eachInstrumentIsReadAtItsOwnPitch() throws FormatException {
        String down = "<attributes><transpose><chromatic>-2</chromatic></transpose></attributes>";
        String back = "<attributes><transpose><chromatic>0</chromatic></transpose></attributes>";
        Reading reading =
                read(sheet(FOUR, C, "C4:4").bar(down, "D4:4").bar(back, "E4:4").xml());
        assertThat(words(reading.song())).isEqualTo("4 4 4 | C4@0 C4@4 E4@8 | C");
        assertThat(reading.report())
                .isEqualTo(List.of(
                        "bar 2: written for a transposing instrument; read at concert pitch, 2 semitones lower"));
    }
}

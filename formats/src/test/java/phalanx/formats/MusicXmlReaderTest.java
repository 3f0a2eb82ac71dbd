package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.theory.Key;

class MusicXmlReaderTest {
    @TempDir
    private Path folder;

    private static Song read(LeadSheet sheet) throws FormatException {
        return new MusicXmlReader("untitled").read(sheet.bytes()).song();
    }

    @Test
    void keepsPickupTiesTripletsAndSlashChords() throws FormatException {
        Song song = read(LeadSheet.usual());
        assertThat(song.title()).isEqualTo("Test piece");
        assertThat(song.key()).hasToString("G");
        assertThat(song.bars()).hasSize(5);
        assertThat(song.bars().get(0).number()).isZero();
        assertThat(song.bars().get(0).lengthTicks()).isEqualTo(Ticks.QUARTER);
        assertThat(song.chart()).extracting(ChordChange::symbol).containsExactly("G", "D7/F#", "Em", "G");
        assertThat(song.chart().get(0).startTick()).isEqualTo(Ticks.QUARTER);
        assertThat(song.melody()).hasSize(10);
        assertThat(song.melody()).extracting(MelodyNote::lengthTicks).contains(560);
        MelodyNote tied = song.melody().get(3);
        assertThat(tied.lengthTicks()).isEqualTo(2 * Ticks.QUARTER);
        assertThat(song.melody().get(4).tick()).isEqualTo(6 * Ticks.QUARTER);
    }

    @Test
    void keepsMeterChangesAndCompoundMeters() throws FormatException {
        Song song = read(new LeadSheet()
                .bar(LeadSheet.start(0, "minor", 6, 8), LeadSheet.chord("A", "minor"), "A4:1.5", "C5:1.5")
                .bar("<attributes><time><beats>3</beats><beat-type>4</beat-type></time></attributes>", "B4:3"));
        assertThat(song.key()).hasToString("Am");
        assertThat(song.bars()).extracting(bar -> bar.meter().toString()).containsExactly("6/8", "3/4");
        assertThat(song.endTick()).isEqualTo(6 * Ticks.QUARTER);
    }

    @Test
    void readsDegreesAndNoChord() throws FormatException {
        String degree = "<harmony><root><root-step>C</root-step></root><kind>dominant</kind><degree><degree-value>9"
                + "</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree></harmony>";
        String none = "<harmony><root><root-step>C</root-step></root><kind>none</kind></harmony>";
        Song song = read(new LeadSheet().bar(LeadSheet.start(0, "major", 4, 4), degree, "E4:2", none, "G4:2"));
        assertThat(song.chart().get(0).chord().orElseThrow().tones()).hasSize(5);
        assertThat(song.chart().get(1).symbol()).isEqualTo("N.C.");
        assertThat(song.chart().get(1).startTick()).isEqualTo(2 * Ticks.QUARTER);
    }

    @Test
    void whatIsLeftOutIsReported() throws FormatException {
        String cue = "<note><cue/><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration></note>";
        Reading reading = new MusicXmlReader("x")
                .read(new LeadSheet()
                        .bar(LeadSheet.start(0, "major", 4, 4), LeadSheet.chord("C", "major"), "C4:3", cue)
                        .bytes());
        assertThat(reading.report()).containsExactly("bar 1: cue notes were left out");
    }

    static Stream<Arguments> broken() {
        String start = LeadSheet.start(0, "major", 4, 4);
        String usual = LeadSheet.usual().xml();
        return Stream.of(
                Arguments.of("hello", "not well-formed XML"),
                Arguments.of(usual.substring(0, usual.length() / 6), "line 1"),
                Arguments.of("<html/>", "not a MusicXML score"),
                Arguments.of("<score-timewise/>", "neither notes"),
                Arguments.of("<a>".repeat(30_000), "nested deeper than 100"),
                Arguments.of(new LeadSheet().bar(start, "r:4").xml(), "neither notes"),
                Arguments.of(
                        new LeadSheet()
                                .bar(start, "<note><unpitched/><duration>48</duration></note>")
                                .xml(),
                        "neither notes"),
                Arguments.of(
                        usual.replace(
                                "\"partwise.dtd\"", "\"partwise.dtd\" [<!ENTITY x SYSTEM \"file:///etc/passwd\">]"),
                        "external entity"));
    }

    @Test
    void whatStandsBeforeABrokenPlaceIsRead() throws FormatException {
        String usual = LeadSheet.usual().xml();
        int second = usual.indexOf("<measure number=\"2\"");
        Reading cut =
                new MusicXmlReader("x").read(usual.substring(0, second + 40).getBytes(StandardCharsets.UTF_8));
        assertThat(cut.song().bars()).hasSize(2);
        assertThat(cut.song().title()).isEqualTo("Test piece");
        assertThat(cut.report())
                .anyMatch(line -> line.startsWith("line 1: ") && line.endsWith("the bars before that are read"));
        assertThatThrownBy(() -> new MusicXmlReader("x")
                        .read(usual.substring(0, usual.indexOf("<measure") + 9).getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("not well-formed");
    }

    @Test
    void chordsAloneAndATuneAloneAreSongs() throws FormatException {
        String start = LeadSheet.start(0, "major", 4, 4);
        String chords = new LeadSheet()
                .bar(start, LeadSheet.chord("C", "major"), "r:4")
                .bar(LeadSheet.chord("F", "major"), "r:2", LeadSheet.chord("G", "dominant"), "r:2")
                .xml();
        Reading chart = new MusicXmlReader("x").read(chords.getBytes(StandardCharsets.UTF_8));
        assertThat(chart.song().melody()).isEmpty();
        assertThat(chart.song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "G7");
        assertThat(chart.report()).contains(SongBuilder.NO_TUNE);
        Reading tune = new MusicXmlReader("x")
                .read(new LeadSheet().bar(start, "C4:4").xml().getBytes(StandardCharsets.UTF_8));
        assertThat(tune.song().melody()).hasSize(1);
        assertThat(tune.report()).contains(SongBuilder.NO_CHORDS);
    }

    private static String direction(String inside) {
        return "<direction><direction-type>" + inside + "</direction-type></direction>";
    }

    private static String barline(String ending, String repeat) {
        return "<barline>" + (ending.isEmpty() ? "" : "<ending number=\"" + ending + "\" type=\"start\"/>") + repeat
                + (ending.isEmpty() ? "" : "<ending number=\"" + ending + "\" type=\"stop\"/>") + "</barline>";
    }

    @Test
    void repeatsEndingsAndJumpsAreWrittenOut() throws FormatException {
        String back = "<repeat direction=\"backward\"/>";
        String xml = new LeadSheet()
                .bar(LeadSheet.start(0, "dorian", 4, 4), LeadSheet.chord("D", "minor"), "D4:4")
                .bar(barline("1", back), LeadSheet.chord("G", "major"), "B4:4")
                .bar(barline("2", ""), LeadSheet.chord("C", "major"), "C5:4", direction("<words>Fine</words>"))
                .bar(LeadSheet.chord("A", "minor"), "A4:4", "<sound dacapo=\"yes\"/>")
                .xml();
        Song song = new MusicXmlReader("x")
                .read(xml.getBytes(StandardCharsets.UTF_8))
                .song();
        assertThat(song.melody().stream().map(note -> note.pitch().toString()))
                .containsExactly("D4", "B4", "D4", "C5", "A4", "D4", "C5");
        assertThat(song.chart()).extracting(ChordChange::symbol).containsExactly("Dm", "G", "Dm", "C", "Am", "Dm", "C");
        assertThat(song.key().words()).isEqualTo("D dorian");
    }

    @Test
    void aTransposedPartIsReadAtConcertPitchAndOtherVoicesAreReported() throws FormatException {
        String start = LeadSheet.start(2, "major", 4, 4)
                .replace("</attributes>", "<transpose><chromatic>-2</chromatic></transpose></attributes>");
        String xml = new LeadSheet()
                .bar(
                        start,
                        LeadSheet.chord("D", "major"),
                        "D5:4",
                        "<backup><duration>" + 4 * LeadSheet.DIVISIONS + "</duration></backup>",
                        LeadSheet.note("F#4:4", "<voice>2</voice>"))
                .xml();
        Reading reading = new MusicXmlReader("x").read(xml.getBytes(StandardCharsets.UTF_8));
        assertThat(reading.song().key()).isEqualTo(Key.C_MAJOR);
        assertThat(reading.song().melody()).extracting(MelodyNote::midi).containsExactly(72);
        assertThat(reading.song().chart()).extracting(ChordChange::symbol).containsExactly("C");
        assertThat(reading.report()).anyMatch(line -> line.contains("2 semitones lower"));
        assertThat(reading.report()).anyMatch(line -> line.contains("left out: Melody (P1), voice 2"));
    }

    /** In MusicXML the voices of a staff are numbered from the top (common practice); a bass often comes in first. */
    @Test
    void aTuneThatComesInAfterTheBassIsTheTune() throws FormatException {
        String xml = new LeadSheet()
                .bar(
                        LeadSheet.start(0, "major", 4, 4),
                        LeadSheet.chord("C", "major"),
                        LeadSheet.note("C3:4", "<voice>2</voice>"))
                .bar(
                        "E5:4",
                        "<backup><duration>" + 4 * LeadSheet.DIVISIONS + "</duration></backup>",
                        LeadSheet.note("G3:4", "<voice>2</voice>"))
                .xml();
        Song song = new MusicXmlReader("x")
                .read(xml.getBytes(StandardCharsets.UTF_8))
                .song();
        assertThat(song.melody()).extracting(note -> note.pitch().midi()).containsExactly(76);
    }

    @ParameterizedTest
    @MethodSource("broken")
    void eachBadFileHasOneClearError(String xml, String reason) {
        assertThatThrownBy(() -> new MusicXmlReader("x").read(xml.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(reason)
                .hasMessageNotContaining("\n");
    }

    @Property(tries = 300)
    void anyDamageGivesASongOrOneClearError(@ForAll long seed) {
        byte[] bytes = LeadSheet.usual().bytes();
        Random random = new Random(seed);
        for (int i = 0; i < 1 + random.nextInt(6); i++) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        try {
            assertThat(new MusicXmlReader("x").read(bytes).song().melody()).isNotEmpty();
        } catch (FormatException e) {
            assertThat(e.getMessage()).isNotBlank();
        }
    }

    @Test
    void compressedFilesAreUnpackedAndBombsRefused() throws IOException, FormatException {
        Path good = folder.resolve("tune.mxl");
        Files.write(
                good,
                zip(
                        "META-INF/container.xml",
                        container("score.xml"),
                        "score.xml",
                        LeadSheet.usual().bytes()));
        assertThat(SongFiles.read(good).song().melody()).hasSize(10);
        Path empty = folder.resolve("empty.mxl");
        Files.write(empty, zip("a.txt", new byte[3], "b.txt", new byte[3]));
        assertThatThrownBy(() -> SongFiles.read(empty))
                .hasMessageContaining("empty.mxl")
                .hasMessageContaining("container");
        Path bomb = folder.resolve("bomb.mxl");
        Files.write(bomb, zip("a", new byte[60 << 20], "b", new byte[60 << 20]));
        assertThatThrownBy(() -> SongFiles.read(bomb)).hasMessageContaining("100 MB");
    }

    private static byte[] container(String path) {
        return ("<container><rootfiles><rootfile full-path=\"" + path + "\"/></rootfiles></container>")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] zip(String name, byte[] content, String other, byte[] otherContent) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content);
            zip.putNextEntry(new ZipEntry(other));
            zip.write(otherContent);
        }
        return out.toByteArray();
    }

    @Test
    void filesThatCannotBeReadAreNamed() throws IOException {
        assertThatThrownBy(() -> SongFiles.read(folder.resolve("none.xml")))
                .hasMessage("none.xml: there is no such file");
        assertThatThrownBy(() -> SongFiles.read(folder)).hasMessageContaining("folder");
        Path other = Files.writeString(folder.resolve("song.doc"), "x");
        assertThatThrownBy(() -> SongFiles.read(other)).hasMessageContaining(".musicxml");
        Path huge = folder.resolve("huge.xml");
        Files.write(huge, new byte[(20 << 20) + 1]);
        assertThatThrownBy(() -> SongFiles.read(huge)).hasMessage("huge.xml: the file is larger than 20 MB");
    }

    /** Crossed heads that name their strings are hits; those that don't are notes, as before. */
    @Test
    void deadStrokesAreHits() throws FormatException {
        StringBuilder notes = new StringBuilder();
        notes.append(onString("C", 4, 2, 1, false, false)).append(onString("C", 4, 2, 1, true, false));
        notes.append(onString("E", 4, 4, 2, true, true)).append(onString("A", 3, 5, 0, true, true));
        notes.append(onString("D", 4, 2, 3, false, false)).append(onString("E", 2, 6, 0, true, true));
        Reading reading = new MusicXmlReader("Crosses")
                .read(("<score-partwise version='4.0'><part-list>"
                                + "<score-part id='P1'><part-name>Guitar</part-name></score-part></part-list><part id='P1'>"
                                + "<measure number='1'><attributes><divisions>1</divisions><time><beats>4</beats>"
                                + "<beat-type>4</beat-type></time></attributes>" + notes
                                + "</measure></part></score-partwise>")
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(reading.song().melody()).hasSize(2);
        Written written = reading.written().orElseThrow();
        assertThat(written.notes()).extracting(WrittenNote::tick).containsExactly(0, 2 * Ticks.QUARTER);
        assertThat(written.hits())
                .containsExactly(new Hit(Ticks.QUARTER, HitKind.CHUCK), new Hit(2 * Ticks.QUARTER, HitKind.SLAP));
        assertThat(String.join("\n", reading.report())).contains("as a chuck", "as a slap");
    }

    /** A part of hits that has more bars, and longer ones, than the guitar's. */
    @Test
    void hitsAfterTheEndAreLeftOut() throws FormatException {
        String hit = "<direction><direction-type><words>knock</words></direction-type></direction>"
                + "<note><unpitched/><duration>2</duration><voice>1</voice></note>";
        String head =
                "<attributes><divisions>1</divisions><time><beats>2</beats><beat-type>4</beat-type></time></attributes>";
        Reading reading = new MusicXmlReader("Longer")
                .read(("<score-partwise version='4.0'><part-list>"
                                + "<score-part id='P1'><part-name>Guitar</part-name></score-part>"
                                + "<score-part id='P2'><part-name>Hits</part-name></score-part></part-list>"
                                + "<part id='P1'><measure number='1'>" + head + onString("C", 4, 2, 1, false, false)
                                + onString("D", 4, 2, 3, false, false) + "</measure></part><part id='P2'>"
                                + "<measure number='1'>" + head + hit + hit + "</measure><measure number='2'>" + hit
                                + "</measure></part></score-partwise>")
                        .getBytes(StandardCharsets.UTF_8));
        assertThat(reading.written().orElseThrow().hits()).containsExactly(new Hit(0, HitKind.KNOCK));
        assertThat(String.join("\n", reading.report())).contains("hits after the last bar were left out: 2");
    }

    private static String onString(String step, int octave, int string, int fret, boolean dead, boolean inChord) {
        return "<note>" + (inChord ? "<chord/>" : "") + "<pitch><step>" + step + "</step><octave>" + octave
                + "</octave></pitch><duration>1</duration><voice>1</voice>"
                + (dead ? "<notehead>x</notehead>" : "") + "<notations><technical><string>" + string
                + "</string><fret>" + fret + "</fret></technical></notations></note>";
    }
}

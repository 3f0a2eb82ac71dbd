package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.abc.AbcWriter;
import phalanx.formats.midi.MidiReader;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class InterchangeTest {
    @TempDir
    private Path folder;

    /** What each format can carry comes back as it was written. */
    @Property(tries = 120)
    void songsSurviveEveryFormat(@ForAll long seed) throws FormatException {
        Song song = RandomSong.of(seed);
        Song xml = new MusicXmlReader("x")
                .read(new MusicXmlWriter().writeLeadSheet(song))
                .song();
        Song abc = readAbc(new AbcWriter().write(song)).song();
        Song midi = new MidiReader("x").read(new MidiWriter().write(song)).song();
        assertThat(xml).isEqualTo(song);
        assertThat(abc).isEqualTo(song);
        assertThat(midi.bars()).isEqualTo(song.bars());
        assertThat(midi.sections()).isEqualTo(song.sections());
        assertThat(midi.tempo()).isCloseTo(song.tempo(), within(0));
        assertThat(midi.key().fifths()).isEqualTo(song.key().fifths());
        assertThat(sounding(midi)).isEqualTo(sounding(song));
        assertThat(midi.chart())
                .extracting(ChordChange::symbol)
                .isEqualTo(song.chart().stream().map(ChordChange::symbol).toList());
    }

    private static List<String> sounding(Song song) {
        return song.melody().stream()
                .map(note -> note.tick() + "-" + note.endTick() + ":" + note.midi())
                .toList();
    }

    private static Reading readAbc(String text) throws FormatException {
        return new AbcReader("x").read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static String tune(Song song) {
        return song.melody().stream()
                .map(note -> note.pitch() + ":" + fraction(note.lengthTicks()))
                .collect(Collectors.joining(" "));
    }

    private static String fraction(int ticks) {
        return Ticks.QUARTER % ticks == 0
                ? "1/" + Ticks.QUARTER / ticks
                : String.valueOf(ticks * 4 / Ticks.QUARTER / 4.0);
    }

    /** Readings of the ABC standard 2.1, from memory. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "M:4/4|L:1/8|K:C; \"C\"C2 D2 E4|; C4:1/1 D4:1/1 E4:2.0",
                "M:4/4|L:1/4|K:G; \"G\"F G/ A/ B2|; F#4:1/1 G4:1/2 A4:1/2 B4:2.0",
                "M:4/4|L:1/4|K:C; \"C\"^F F =F _B|; F#4:1/1 F#4:1/1 F4:1/1 Bb4:1/1",
                "M:4/4|L:1/4|K:C; \"C\"c c' C C,|; C5:1/1 C6:1/1 C4:1/1 C3:1/1",
                "M:4/4|L:1/8|K:C; \"C\"(3CDE F2 G>A B<c|; C4:1/3 D4:1/3 E4:1/3 F4:1/1 G4:0.75 A4:1/4 B4:1/4 C5:0.75",
                "M:2/4|L:1/4|K:C; \"C\"C D-|D E|; C4:1/1 D4:2.0 E4:1/1",
                "M:2/4|L:1/4|K:C; \"C\"[CEG]2|{g}z \"F\"A|; G4:2.0 A4:1/1",
                "M:2/4|L:1/4|K:C; |:\"C\"C D|1 E2:|2 F2|]; C4:1/1 D4:1/1 E4:2.0 C4:1/1 D4:1/1 F4:2.0",
                "M:2/4|L:1/4|K:C; \"C\"C2:|\"F\"F2|; C4:2.0 C4:2.0 F4:2.0",
                "M:2/4|L:1/4|K:C; \"C\"C2|:\"F\"F2::\"G\"G2:|; C4:2.0 F4:2.0 F4:2.0 G4:2.0 G4:2.0",
                "M:2/4|L:1/4|K:C; \"C\"C2!fine!|\"G\"G2!D.C.!|; C4:2.0 G4:2.0 C4:2.0",
                "M:2/4|L:1/4|K:D dor; \"Dm\"B, [K:G] F|; B3:1/1 F#4:1/1"
            })
    void abcIsReadAsTheStandardSays(String head, String body, String tune) throws FormatException {
        String text = "X:1\nT:Test\n" + head.trim().replace('|', '\n') + "\n" + body.trim() + "\n";
        assertThat(tune(readAbc(text).song())).isEqualTo(tune.trim());
    }

    @Test
    void anAbcFileOfSeveralTunesGivesTheFirstAndSaysSo() throws FormatException {
        Reading reading = readAbc(
                "X:1\nT:One\nM:6/8\nQ:3/8=60\nK:Ador\nV:1\n\"Am\"A3 \"Xy\"B3|\nw:la lee\nw:two two\nV:2\nc6|\nw:la\n\nX:2\nK:C\nC|\n");
        assertThat(reading.song().title()).isEqualTo("One");
        assertThat(reading.song().key()).isEqualTo(Key.parse("A dorian"));
        assertThat(reading.song().tempo()).isEqualTo(90);
        assertThat(reading.song().melody()).hasSize(2);
        assertThat(String.join("\n", reading.report()))
                .contains("2 tunes")
                .contains("One, voice 1 is taken for the tune; left out: One, voice 2")
                .contains("of several verses the first is kept");
        assertThat(reading.song().melody().get(1).syllable()).contains("lee");
    }

    /** A chart is the same song whether it comes as ABC, MIDI or MusicXML; the tune may be missing in all. */
    @Test
    void tunesInTwoComeBackFromEveryFormat() throws FormatException {
        Song song = readAbc("X:1\nM:3/4\nL:1/4\nK:D\n\"D\"[FAd][DF]2|\"A7\"[E=c]3-|[E=c]2A|\n")
                .song();
        assertThat(song.melody())
                .extracting(note ->
                        note.pitch() + "/" + note.below().map(Pitch::toString).orElse("-"))
                .containsExactly("D5/A4", "F#4/D4", "C5/E4", "A4/-");
        assertThat(song.melody().get(2).lengthTicks()).isEqualTo(5 * Ticks.QUARTER);
        assertThat(readAbc(new AbcWriter().write(song)).song()).isEqualTo(song);
        Song xml = new MusicXmlReader("x")
                .read(new MusicXmlWriter().writeLeadSheet(song))
                .song();
        assertThat(xml.melody()).isEqualTo(song.melody());
        Song midi = new MidiReader("x").read(new MidiWriter().write(song)).song();
        assertThat(midi.melody()).isEqualTo(song.melody());
        Song octave = song.transpose(12);
        assertThat(octave.melody().get(0).below().orElseThrow().toString()).isEqualTo("A5");
    }

    @Test
    void chordsAloneComeBackFromEveryFormat() throws FormatException {
        Song chart = readAbc("X:1\nM:3/4\nL:1/4\nK:Am\n\"Am\"z3|\"Dm\"z3|\"E7\"z3|\"Am\"z3|\n")
                .song();
        assertThat(chart.melody()).isEmpty();
        assertThat(chart.chart()).extracting(ChordChange::symbol).containsExactly("Am", "Dm", "E7", "Am");
        Song frets = readAbc("X:1\nM:4/4\nL:1/4\nK:C\n\"x32010\"z4|\"Am(x02210)\"z4|\n")
                .song();
        assertThat(frets.chart()).extracting(ChordChange::symbol).containsExactly("x32010", "Am(x02210)");
        assertThat(readAbc(new AbcWriter().write(frets)).song().chart()).isEqualTo(frets.chart());
        String diagram = new String(new MusicXmlWriter().writeLeadSheet(frets), StandardCharsets.UTF_8);
        assertThat(diagram.split("<frame-note>")).hasSize(1 + 5 + 5);
        Song midi = new MidiReader("x").read(new MidiWriter().write(chart)).song();
        assertThat(midi.melody()).isEmpty();
        assertThat(midi.chart()).isEqualTo(chart.chart());
        assertThat(midi.bars()).isEqualTo(chart.bars());
        Song xml = new MusicXmlReader("x")
                .read(new MusicXmlWriter().writeLeadSheet(chart))
                .song();
        assertThat(xml.chart()).isEqualTo(chart.chart());
        assertThat(xml.bars()).isEqualTo(chart.bars());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {"hello; no tune begins", "X:1|K:C|z4|; neither notes of a tune nor chord symbols"})
    void eachBadAbcHasOneClearError(String text, String reason) {
        assertThatThrownBy(() -> readAbc(text.replace('|', '\n')))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(reason.trim())
                .hasMessageNotContaining("\n");
    }

    @Test
    void chordsAreHeardAndNotesPutOnTheGridWhereAMidiFileHasNeither() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track low = sequence.createTrack();
        Track high = sequence.createTrack();
        int[][] bars = {{48, 52, 55}, {43, 47, 50}, {48, 52, 55}};
        for (int bar = 0; bar < bars.length; bar++) {
            for (int midi : bars[bar]) {
                play(low, 0, midi, bar * 1920 + 7, 1900);
            }
            play(high, 1, 72 + bar, bar * 1920 - (bar == 0 ? 0 : 9), 900);
            play(high, 1, 76, bar * 1920 + 960 + 11, 900);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 1, out);
        Reading reading = new MidiReader("x").read(out.toByteArray());
        assertThat(reading.song().chart()).extracting(ChordChange::symbol).containsExactly("C?", "G?", "C?");
        assertThat(reading.song().melody())
                .extracting(note -> note.tick() / Ticks.QUARTER)
                .containsExactly(0, 2, 4, 6, 8, 10);
        assertThat(String.join("\n", reading.report()))
                .contains("chords are proposed")
                .contains("grid of sixteenths")
                .contains("channel 2 is taken for the tune; left out: channel 1");
        assertThat(reading.song().melody()).extracting(MelodyNote::midi).contains(72, 76);
    }

    private static void play(Track track, int channel, int midi, int tick, int length) throws Exception {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, midi, 80), tick));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, channel, midi, 0), tick + length));
    }

    @Test
    void songsAreWrittenByTheEndingAndOthersRefused() throws FormatException {
        Song song = RandomSong.of(7);
        for (String name : List.of("a.abc", "a.mid", "a.musicxml")) {
            SongFiles.write(song, folder.resolve(name));
            assertThat(sounding(SongFiles.read(folder.resolve(name)).song())).isEqualTo(sounding(song));
        }
        assertThatThrownBy(() -> SongFiles.write(song, folder.resolve("a.doc"))).hasMessageContaining("a.doc");
        assertThat(folder.resolve("a.doc")).doesNotExist();
    }
}

package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.song.Ticks;

/** Tunes as they stand in collections: readings of the ABC standard 2.1, from memory. */
class AbcReaderTest {
    private static Reading read(String text, Choice choice) throws FormatException {
        return new AbcReader("x", choice).read(text.getBytes(StandardCharsets.UTF_8));
    }

    /** The notes with their lengths in quarter notes, rests by their gaps. */
    private static String tune(Song song) {
        return song.melody().stream()
                .map(note -> note.pitch() + "@" + quarters(note.tick()) + "+" + quarters(note.lengthTicks()))
                .collect(Collectors.joining(" "));
    }

    private static String quarters(int ticks) {
        double quarters = ticks / (double) Ticks.QUARTER;
        return quarters == Math.rint(quarters)
                ? String.valueOf((int) quarters)
                : String.format(Locale.ROOT, "%.2f", quarters);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                // signs of the key, and accidentals
                "K:D ^g =c; G c F B|; G#4@0+1 C5@1+1 F#4@2+1 B4@3+1",
                "K:D exp _b ^f; B F C G|; Bb4@0+1 F#4@1+1 C4@2+1 G4@3+1",
                "K:C; ^F f F, F|F; F#4@0+1 F#5@1+1 F#3@2+1 F#4@3+1 F4@4+1",
                "K:C; ^F4-|F F2 z|; F#4@0+5 F4@5+2",
                "K:C; c2 [C-^E-]2|[CE]2 E2|; C5@0+2 E#4@2+4 E4@6+2",
                "K:C bass; C|; C4@0+1",
                "K:C treble-8; C c|; C3@0+1 C4@1+1",
                "K:C octave=-1; C|; C3@0+1",
                "K:C alto transpose=2; C E|; D4@0+1 F#4@1+1",
                "K:clef=bass; C F|; C4@0+1 F4@1+1",
                "K:F#mix; E|; E4@0+1",
                // dots, rests and ties
                "K:C; z>c c<z|; C5@1.50+0.50 C5@2+0.50",
                "K:C; c2-c>d|; C5@0+3.50 D5@3.50+0.50",
                "K:C; c<<<d|; C5@0+0.13 D5@0.13+1.88",
                "K:C; [CE]>G [C2E2]3/2|; E4@0+1.50 G4@1.50+0.50 E4@2+3",
                "K:C; (3:2:4cdef g|; C5@0+0.67 D5@0.67+0.67 E5@1.33+0.67 F5@2+0.67 G5@2.67+1",
                // voices within the bar, and other meters
                "K:C; C2 E2 & G4|c4|; C4@0+2 E4@2+2 C5@4+4",
                "M:3+2/8|K:C; c5/2|d|; C5@0+2.50 D5@2.50+1",
                // repeats
                "K:C; |:C4|1 D4:|2 E4|:F4:|; C4@0+4 D4@4+4 C4@8+4 E4@12+4 F4@16+4 F4@20+4",
                "K:C; |:C4|[\"1st\" D4:|[\"2nd\" E4||F4|; C4@0+4 D4@4+4 C4@8+4 E4@12+4 F4@16+4",
                "K:C; |:C4|1,3 D4:|2 E4:||; C4@0+4 D4@4+4 C4@8+4 E4@12+4 C4@16+4 D4@20+4",
                "K:C; |:C4|1gfed:|2EFGA|]; C4@0+4 G5@4+1 F5@5+1 E5@6+1 D5@7+1 C4@8+4 E4@12+1 F4@13+1 G4@14+1 A4@15+1",
                "K:C; |:C4|\"1\"D4|\"2\"E4:|; C4@0+4 D4@4+4 E4@8+4 C4@12+4 D4@16+4 E4@20+4",
                "K:C; C4|D4 [|]:| E4|]; C4@0+4 D4@4+4 C4@8+4 D4@12+4 E4@16+4",
                "K:C; C4 \"^Segno\"|D4|E4 \"_D.S.\"|]; C4@0+4 D4@4+4 E4@8+4 D4@12+4 E4@16+4",
                "K:C; |:C4:|D4 \"D.S.\"|]; C4@0+4 C4@4+4 D4@8+4",
                "K:C; C4 \"Fine\"|D4 \"D.C. al Fine\"|; C4@0+4 D4@4+4 C4@8+4"
            })
    void notesAreReadAsTheStandardSays(String head, String body, String tune) throws FormatException {
        String text = "X:1\nT:Test\nM:4/4\nL:1/4\n" + head.trim().replace('|', '\n') + "\n" + body.trim() + "\n";
        assertThat(tune(read(text, Choice.LIKELIEST).song())).isEqualTo(tune.trim());
    }

    @Test
    void partsArePlayedInTheOrderOfTheHead() throws FormatException {
        String text = "X:1\nP:A2(BA)2\nM:2/4\nL:1/4\nK:C\nP:A\nC2|\nP:B\n|:D2:|\n";
        Song song = read(text, Choice.LIKELIEST).song();
        assertThat(tune(song)).isEqualTo("C4@0+2 C4@2+2 D4@4+2 D4@6+2 C4@8+2 D4@10+2 D4@12+2 C4@14+2");
        Reading unknown = read(text.replace("P:A2(BA)2", "P:AC"), Choice.LIKELIEST);
        assertThat(unknown.song().bars()).hasSize(2);
        assertThat(unknown.report()).anyMatch(line -> line.contains("names a section C that is not"));
    }

    @Test
    void anyVoiceOfAnyTuneCanBeChosenWithTheChordsOfAnother() throws FormatException {
        String text = "X:1\nT:One\nM:4/4\nL:1/4\nK:C\nV:low clef=bass\nC,4|D,4|\nw:do re\n"
                + "V:high\n\"C\"c4|\"G\"d4|\nw:la lee\n\nX:2\nT:Two\nK:G\nF8|\n";
        Reading first = read(text, Choice.LIKELIEST);
        assertThat(first.choices())
                .containsExactly("One, voice low: 2 notes, with words", "One, voice high: 2 notes, with words", "Two");
        assertThat(tune(first.song())).isEqualTo("C3@0+4 D3@4+4");
        assertThat(first.song().chart()).extracting(ChordChange::symbol).containsExactly("C", "G");
        assertThat(first.report())
                .contains("One, voice low is taken for the tune; left out: One, voice high")
                .contains("the file holds 2 tunes; the first is read");
        Song second = read(text, Choice.ofTune(OptionalInt.of(1))).song();
        assertThat(tune(second)).isEqualTo("C5@0+4 D5@4+4");
        assertThat(second.melody().get(1).syllable()).contains("lee");
        assertThat(tune(read(text, Choice.ofTune(OptionalInt.of(2))).song())).startsWith("F#4@0");
        assertThatThrownBy(() -> read(text, Choice.ofTune(OptionalInt.of(3)))).hasMessageContaining("the file has 3");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "M:3/x|K:C; C; line 2: \"3/x\" is not a meter",
                "K:H; C; line 2: \"H\" is not a key",
                "L:1/0|K:C; C; line 2: the unit length",
                "T:a; C; ''",
                "K:C; \"C\"C99999 D|; length \"99999\" was left out",
                "K:C; C'''''''' D|; was left out: C12",
                "M:2/4|L:1/4|K:C; \"C\"C2!D.S.!|; segno that is nowhere in the song",
                "K:C; \"C(Am)\"C|; it is read as C",
                "K:C; \"Hm\"C|\"Cxyz\"D; \"xyz\" is not understood",
                "M:4/4|L:1/4|K:C; CDEFGABcdefgabCDEFGABc; without a bar line; it is divided into bars of 4/4",
                "M:2/4|L:1/4|K:C; C4|; it was kept as it is"
            })
    void whatCanBeMendedIsAndIsSaid(String head, String body, String said) throws FormatException {
        String text = "X:1\n" + head.trim().replace('|', '\n') + "\n" + body.trim() + "\n";
        Reading reading = read(text, Choice.LIKELIEST);
        assertThat(reading.song().melody()).isNotEmpty();
        assertThat(String.join("\n", reading.report())).contains(said.trim());
    }

    @Test
    void overFullBarsCanBeWrittenAndReadAgain() throws FormatException {
        Song song = read("X:1\nM:2/4\nL:1/4\nK:C\n\"C\"C3|D2|E5|\n", Choice.LIKELIEST)
                .song();
        byte[] xml = new phalanx.formats.musicxml.MusicXmlWriter().writeLeadSheet(song);
        Song again = new phalanx.formats.musicxml.MusicXmlReader("x").read(xml).song();
        assertThat(tune(again)).isEqualTo(tune(song));
    }

    @Test
    void aFileOfVeryManyTunesIsReadAtOnce() {
        String text = "X:1\nK:C\nC\n\n" + "X:2\n".repeat(150_000);
        Reading reading =
                Assertions.assertTimeoutPreemptively(Duration.ofSeconds(5), () -> read(text, Choice.LIKELIEST));
        assertThat(reading.song().melody()).hasSize(1);
        assertThat(reading.report()).contains("the file holds 150001 tunes; the first is read");
        assertThat(List.of(reading.choices().size(), reading.chosen())).containsExactly(150_001, 0);
    }
}

package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;

/** Of several parts of a file one is the tune; a second one can go under it, and one can be the bass. */
class SecondPartsTest {
    /** A bass, a second voice and a sung tune, written in this order. */
    private static final String ABC = "X:1\nT:Three\nM:4/4\nL:1/4\nK:C\n"
            + "V:bass clef=bass\nC,2 G,,2|[C,G,]4|G,,4|\n"
            + "V:under\nC D E2|C2 E2|D4|\n"
            + "V:sung\n\"C\"e f g2|e2 c2|\"G\"d4|\nw:la lee lo two five six\n";

    @TempDir
    private Path folder;

    private static String line(List<MelodyNote> notes) {
        return notes.stream()
                .map(note ->
                        note.pitch() + note.below().map(below -> "/" + below).orElse("") + "@" + note.tick() / 96)
                .collect(Collectors.joining(" "));
    }

    private Path file(String ending) throws Exception {
        Path file = folder.resolve("three" + ending);
        if (ending.equals(".abc")) {
            return Files.writeString(file, ABC);
        }
        Choice three = new Choice(OptionalInt.of(2), OptionalInt.empty(), OptionalInt.of(0));
        SongFiles.write(
                SongFiles.read(Files.writeString(folder.resolve("x.abc"), ABC), three)
                        .song(),
                file);
        return file;
    }

    @Test
    void thePartWithWordsIsTheTuneAndTheOthersAreListedWithWhatTheyHold() throws Exception {
        Reading reading = SongFiles.read(file(".abc"));
        assertThat(reading.choices())
                .containsExactly(
                        "Three, voice bass: 5 notes",
                        "Three, voice under: 6 notes",
                        "Three, voice sung: 6 notes, with words");
        assertThat(reading.chosen()).isEqualTo(2);
        assertThat(reading.song().bass()).isEmpty();
        assertThat(reading.report())
                .contains("Three, voice sung is taken for the tune; left out: Three, voice bass; Three, voice under");
    }

    @Test
    void aSecondPartGoesUnderTheTuneAndAThirdIsTheBass() throws Exception {
        Choice choice = new Choice(OptionalInt.empty(), OptionalInt.of(1), OptionalInt.of(0));
        Reading reading = SongFiles.read(file(".abc"), choice);
        Song song = reading.song();
        assertThat(line(song.melody()))
                .isEqualTo("E5/C4@0 F5/D4@" + q(1) + " G5/E4@" + q(2) + " E5/C4@" + q(4) + " C5/E4@" + q(6) + " D5/D4@"
                        + q(8));
        assertThat(line(song.bass())).isEqualTo("C3@0 G2@" + q(2) + " C3@" + q(4) + " G2@" + q(8));
        assertThat(song.bass()).allMatch(note -> note.syllable().isEmpty());
        assertThat(String.join("\n", reading.report()))
                .contains("voice under for a second voice under it, Three, voice bass for the bass")
                .contains("harmony 6 notes begin with a note of the tune");
    }

    private static int q(int quarters) {
        return quarters * Ticks.QUARTER / 96;
    }

    @Test
    void aPartOfAnotherTuneIsRefused() throws Exception {
        Path two = Files.writeString(folder.resolve("two.abc"), ABC + "\nX:2\nT:Other\nK:G\nG4|\n");
        Choice other = Choice.LIKELIEST.withBass(OptionalInt.of(3));
        assertThatThrownBy(() -> SongFiles.read(two, other))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("part 4 belongs to another tune");
        assertThatThrownBy(() -> SongFiles.read(two, Choice.LIKELIEST.withBass(OptionalInt.of(4))))
                .hasMessageContaining("there is no part 5");
    }

    /** A lead sheet has the own bass as a part; in our own scores it is known for what it is. */
    @ParameterizedTest
    @ValueSource(strings = {".musicxml", ".abc", ".mid", ".phalanx.json"})
    void anOwnBassIsWrittenAndReadAgain(String ending) throws Exception {
        Choice three = new Choice(OptionalInt.of(2), OptionalInt.empty(), OptionalInt.of(0));
        Song song = SongFiles.read(file(".abc"), three).song();
        Path file = folder.resolve("again" + ending);
        SongFiles.write(song, file);
        boolean told = ending.equals(".musicxml") || ending.equals(".phalanx.json");
        Song again = SongFiles.read(file, told ? Choice.LIKELIEST : Choice.LIKELIEST.withBass(OptionalInt.of(1)))
                .song();
        assertThat(line(again.bass())).isEqualTo(line(song.bass())).isNotEmpty();
        assertThat(line(again.melody())).isEqualTo(line(song.melody()));
        assertThat(again.chart()).isEqualTo(song.chart());
    }

    @Test
    void theLinesOfATablatureKeepIt() throws Exception {
        Choice three = new Choice(OptionalInt.of(2), OptionalInt.empty(), OptionalInt.of(0));
        Song song = SongFiles.read(file(".abc"), three).song();
        Arrangement arrangement =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
        Path tab = folder.resolve("three.tab.txt");
        ArrangementFiles.write(arrangement, tab);
        assertThat(SongFiles.read(tab).song()).isEqualTo(arrangement.song());
        assertThat(Files.readString(tab, StandardCharsets.UTF_8)).contains("G2");
    }
}

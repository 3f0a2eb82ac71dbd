package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.song.Song;

/** Beams and tuplet brackets as a copyist sets them. */
class GroupingTest {
    private static final Pattern NOTE = Pattern.compile("<note[ >].*?</note>", Pattern.DOTALL);
    private static final Pattern BEAM = Pattern.compile("<beam number=\"(\\d)\">([a-z ]+)</beam>");
    private static final Pattern TUPLET = Pattern.compile("<tuplet[^>]*type=\"(\\w+)\"|<tuplet[^>]*?(start|stop)");

    /** Of each note its beams, such as {@code b} or {@code cF} for level 1 and 2, and its brackets. */
    private static String marks(Song song) {
        String xml = new String(new MusicXmlWriter().writeLeadSheet(song), StandardCharsets.UTF_8);
        StringBuilder marks = new StringBuilder();
        Matcher note = NOTE.matcher(xml);
        while (note.find()) {
            StringBuilder own = new StringBuilder();
            Matcher beam = BEAM.matcher(note.group());
            while (beam.find()) {
                own.append(
                        beam.group(2).contains("hook")
                                ? Character.toUpperCase(beam.group(2).charAt(0))
                                : beam.group(2).charAt(0));
            }
            Matcher tuplet = TUPLET.matcher(note.group());
            while (tuplet.find()) {
                own.append(tuplet.group().contains("start") ? "<" : ">");
            }
            marks.append(marks.isEmpty() ? "" : " ").append(own.isEmpty() ? "-" : own);
        }
        return marks.toString();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "4/4; C2 D2 EF GA; - - b e b e",
                "4/4; C/D/E F2 zA B2; bb ce e - - - -",
                "4/4; C>D E<F G2 A2; b eB bF e - -",
                "6/8; CDE FGA; b c e b c e",
                "4/4; (3CDE (3FGA c4; b< c e> b< c e> -",
                "4/4; (3:2:2C2D E2 c4; < > - -",
                "4/4; (5:4:5C/D/E/F/G/ A2 c4; bb< cc cc cc ee> - -",
                "3/4; (3C2D2E2 c2; < - > -",
                "4/4; (3CzE F2 c4; < - > - -"
            })
    void valuesAreJoinedByBeatsAndTuplets(String meter, String notes, String marks) throws FormatException {
        String text = "X:1\nM:" + meter.trim() + "\nL:1/8\nK:C\n\"C\"" + notes.trim() + "|\n";
        Song song = new AbcReader("x", Choice.LIKELIEST)
                .read(text.getBytes(StandardCharsets.UTF_8))
                .song();
        assertThat(List.of(marks(song).split(" ")))
                .isEqualTo(List.of(marks.trim().split(" ")));
    }
}

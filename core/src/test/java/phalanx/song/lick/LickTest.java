package phalanx.song.lick;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.project.Project;
import phalanx.project.Setup;
import phalanx.project.extra.LickProposals;
import phalanx.project.extra.Proposal;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/** Licks by degrees: what they are over other chords, kept from a tune, put into one. */
class LickTest {
    private static List<String> notes(String lick, String chord, boolean bluesy) {
        return Lick.parse(lick).over(ChordSymbol.parse(chord), 0, 62, bluesy, Key.parse("D")).stream()
                .map(note -> note.pitch().note().toString())
                .toList();
    }

    /** Degrees of the major scale over the root; thirds and sevenths as the chord has them. Common theory, no source. */
    @ParameterizedTest
    @CsvSource({
        "D, false, A F# E D C#",
        "Dm, false, A F E D C",
        "D7, false, A F# E D C",
        "G, false, D B A G F#",
        "A7, true, E C B A G",
        "D, true, A F E D C"
    })
    void thirdsAndSeventhsFollowTheChord(String chord, boolean bluesy, String wanted) {
        assertThat(notes("Test | 5/4 | 5:1 3:1 2:1 1:1 7:1", chord, bluesy)).containsExactly(wanted.split(" "));
    }

    @Test
    void theShippedOnesComeBackFromTheirText() {
        List<Lick> all = Licks.shipped();
        assertThat(all).hasSize(24);
        assertThat(all).extracting(Lick::name).doesNotHaveDuplicates();
        for (Lick lick : all) {
            assertThat(Lick.parse(lick.text())).isEqualTo(lick);
        }
    }

    /** A lick put over a chord, kept from there and put over it again is the same. */
    @Property(tries = 200)
    void whatIsKeptComesAgain(
            @ForAll @IntRange(max = 23) int number, @ForAll @IntRange(max = 6) int degree, @ForAll boolean bluesy) {
        Lick lick = Licks.shipped().get(number);
        String chord = List.of("C", "Dm", "Em7", "F", "G7", "Am", "Cmaj7").get(degree);
        Song chart = Songs.of("C", lick.meter(), (chord + " ").repeat(2).trim(), "");
        ChordSymbol symbol = ChordSymbol.parse(chord);
        List<MelodyNote> tune = lick.over(symbol, 0, 64, bluesy, Key.C_MAJOR);
        Lick kept = Lick.of("again", chart.withMelody(tune), 0, lick.lengthTicks());
        assertThat(kept.over(symbol, 0, 64, false, Key.C_MAJOR)).isEqualTo(tune);
    }

    @Test
    void licksAreProposedForABarOfTheirMeterAndTheRestOfTheTuneStays() {
        Song song = Songs.of("G", Meter.COMMON, "G Am D7", "B4:4 A4:4 F#4:4");
        Project project = Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
        List<Proposal> found = new LickProposals(project).in(1, Licks.shipped());
        assertThat(found).hasSizeGreaterThan(16);
        for (Proposal proposal : found) {
            Song with = proposal.project().song();
            assertThat(with.melody().get(0)).isEqualTo(song.melody().get(0));
            boolean two = proposal.toTick() > 2 * Ticks.WHOLE;
            if (!two) {
                assertThat(with.melody()).contains(song.melody().get(2));
            }
            double mean = with.melodyBetween(Ticks.WHOLE, proposal.toTick()).stream()
                    .mapToInt(MelodyNote::midi)
                    .average()
                    .orElseThrow();
            assertThat(mean).isBetween(61.0, 76.0);
        }
        assertThat(found).extracting(Proposal::name).noneMatch(name -> name.startsWith("Apple Cart"));
    }

    @Test
    void whatIsNoLickIsSaid() {
        assertThatThrownBy(() -> Lick.parse("Odd | 4/4 | 1:1 2:1")).hasMessageContaining("fills 2.0 quarter notes");
        assertThatThrownBy(() -> Lick.parse("Odd | 4/4 | 9:4")).hasMessageContaining("\"9\" is no degree");
        assertThatThrownBy(() -> Lick.parse("Odd | 4/4 | 1:x")).hasMessageContaining("\"x\" is no length");
        assertThatThrownBy(() -> Lick.parse("Odd | 4/4 | 1"))
                .hasMessageContaining("\"1\" is no degree with its length");
        assertThatThrownBy(() -> Lick.parse("no bars")).hasMessageContaining("parted by |");
        assertThatThrownBy(() -> Lick.parse("Quiet | 4/4 | r:4")).hasMessageContaining("has no notes");
        Song bare = Songs.of("C", Meter.COMMON, "C", "C4:4").withChart(List.of());
        assertThatThrownBy(() -> Lick.of("x", bare, 0, Ticks.WHOLE)).hasMessageContaining("over a chord");
    }
}

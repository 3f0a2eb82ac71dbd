package phalanx.lefthand.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;

public class FingeringTest {
    private final Instrument instrument = Instrument.STANDARD;
    private final FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);

    private String best(String frets) {
        List<PricedShape> found = finder.find(Shape.parse(frets));
        return found.isEmpty() ? "none" : String.join(" ", found.get(0).fingers());
    }

    /** Open chords, barre chords and thumb shapes as handbooks print them. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "x32010, 0 3 2 0 1 0",
        "x02220, 0 0 1 2 3 0",
        "320003, 2 1 0 0 0 3",
        "022100, 0 2 3 1 0 0",
        "xx0232, 0 0 0 1 3 2",
        "x02210, 0 0 2 3 1 0",
        "022000, 0 2 3 0 0 0",
        "xx0231, 0 0 0 2 3 1",
        "x21202, 0 2 1 3 0 4",
        "x32310, 0 3 2 4 1 0",
        "133211, 1 3 4 2 1 1",
        "xx3211, 0 0 3 2 1 1",
        "x24432, 0 1 3 4 2 1",
        "3 3 2 0 1 0, 3 4 2 0 1 0",
        "1 x 3 2 1 x, T 0 3 2 1 0",
        "2 x 0 2 1 2, T 0 0 2 1 3"
    })
    void handbookFingerings(String frets, String fingers) {
        assertThat(best(frets)).isEqualTo(fingers);
    }

    /** A chain of shapes on the middle strings with its names in E. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "x 7 6 8 7 x, 0 2 1 4 3 0, Emaj9",
        "x 7 6 7 7 x, 0 2 1 3 4 0, E9",
        "x 7 5 7 7 x, 0 2 1 3 4 0, Em9",
        "x 6 5 6 7 x, 0 2 1 3 4 0, D#7#9",
        "x 6 5 7 6 x, 0 2 1 4 3 0, D#maj9"
    })
    void chainOnTheMiddleStrings(String frets, String fingers, String name) {
        assertThat(best(frets)).isEqualTo(fingers);
        assertThat(names(frets, "E").get(0)).isEqualTo(name);
    }

    @Test
    void triadOverAForeignBassIsASlashChordFirst() {
        assertThat(names("0 x 7 7 7 x", "C")).startsWith("D/E").contains("E11");
        assertThat(names("x02010", "C").get(0)).isEqualTo("Am7");
        assertThat(names("2 x 0 2 3 2", "D").get(0)).isEqualTo("D/F#");
        assertThat(names("2 0 0 2 1 2", "C").get(0)).isEqualTo("D7/F#");
    }

    private List<String> names(String frets, String key) {
        return new ChordNamer(ChordTable.standard()).names(Shape.parse(frets).midi(instrument), Key.parse(key));
    }

    /** Stretch shapes used as exercises: playable, with these fingers. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "x 2 4 1 0 0, 0 2 4 1 0 0",
        "x 4 6 2 0 0, 0 2 4 1 0 0",
        "5 4 6 2 0 0, 3 2 4 1 0 0",
        "x 9 6 7 0 0, 0 4 1 3 0 0",
        "x 11 7 9 0 0, 0 4 1 2 0 0",
        "7 9 11 9 0 0, 1 2 4 3 0 0",
        "7 9 11 8 0 0, 1 3 4 2 0 0",
        "2 4 x 3 x x, 1 3 0 2 0 0",
        "3 x 4 4 x x, 1 0 2 3 0 0"
    })
    void stretchShapesArePlayable(String frets, String fingers) {
        assertThat(finder.find(Shape.parse(frets)))
                .extracting(fingered -> String.join(" ", fingered.fingers()))
                .contains(fingers);
    }

    /** The same shapes are told to be stretches when held so; ordinary chords are not. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "x 2 4 1 0 0, 0 2 4 1 0 0, true",
        "x 4 6 2 0 0, 0 2 4 1 0 0, true",
        "5 4 6 2 0 0, 3 2 4 1 0 0, true",
        "x 9 6 7 0 0, 0 4 1 3 0 0, true",
        "x 11 7 9 0 0, 0 4 1 2 0 0, true",
        "7 9 11 9 0 0, 1 2 4 3 0 0, true",
        "7 9 11 8 0 0, 1 3 4 2 0 0, true",
        "x 3 2 0 1 0, 0 3 2 0 1 0, false",
        "3 3 2 0 1 0, 3 4 2 0 1 0, false",
        "3 2 0 0 0 3, 2 1 0 0 0 3, false",
        "1 3 3 2 1 1, 1 3 4 2 1 1, false",
        "x 2 1 2 0 2, 0 2 1 3 0 4, false"
    })
    void stretchesAreToldFromOrdinaryChords(String frets, String fingers, boolean stretch) {
        ReachReport report =
                new ReachCheck(instrument, Hand.AVERAGE).check(Shape.parse(frets), List.of(fingers.split(" ")));
        assertThat(report.playable()).isTrue();
        assertThat(report.reasons()).hasSize(stretch ? 1 : 0).allMatch(reason -> reason.contains("warm hand"));
    }

    /** Who keeps a string still. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "3 x 4 4 x x, 5 damped by 1; 2 not plucked; 1 not plucked",
        "2 4 x 3 x x, 4 damped by 1; 2 not plucked; 1 not plucked",
        "2 x 0 2 3 2, 5 damped by T",
        "x 3 2 0 1 0, 6 not plucked",
        "3 x 0 0 3 3, 5 damped by 2"
    })
    void silentStringsAreDampedOrLeftAlone(String frets, String words) {
        PricedShape held = finder.find(Shape.parse(frets)).stream()
                .filter(way ->
                        !frets.startsWith("3 x 0") || way.fingers().get(0).equals("2"))
                .findFirst()
                .orElseThrow();
        assertThat(SilentString.of(new HeldShape(held.shape(), held.fingering())).stream()
                        .map(SilentString::words)
                        .collect(Collectors.joining("; ")))
                .isEqualTo(words);
    }

    @Test
    void aHandThatFindsBarresHardAvoidsThem() {
        Hand spared = Hand.AVERAGE.withComfort(new Hand.Comfort(1, 5));
        String usual = best("1 3 3 2 1 1");
        PricedShape sparing = FingeringFinder.forShapes(instrument, spared)
                .find(Shape.parse("1 x 3 2 1 x"))
                .get(0);
        assertThat(usual).isEqualTo("1 3 4 2 1 1");
        assertThat(sparing.fingering().presses()).noneMatch(Press::isBarre);
        PricedShape barre = finder.find(Shape.parse("1 3 3 2 1 1")).get(0);
        Effort harder = FingeringFinder.forShapes(instrument, spared).effort(barre.shape(), barre.fingering());
        assertThat(harder.term(Term.BARRE)).isCloseTo(5 * barre.effort().term(Term.BARRE), within(1e-9));
        assertThatThrownBy(() -> new Hand.Comfort(0, 1)).hasMessageContaining("little finger");
    }

    @Test
    void aHeldShapeMustBeHeldByItsFingers() {
        PricedShape c = finder.find(Shape.parse("x32010")).get(0);
        assertThatThrownBy(() -> new HeldShape(Shape.parse("x32013"), c.fingering()))
                .hasMessageContaining("string 1");
    }

    @Test
    void reachIsMeasuredOnTheRealNeck() {
        PricedShape stretch = finder.find(Shape.parse("x 4 6 2 0 0")).get(0);
        Map<Reach.Pair, Double> reaches = stretch.fingering().reaches(instrument);
        // between fingertips 8 mm behind frets 2 and 6, one string across
        assertThat(reaches.get(new Reach.Pair(1, 4))).isCloseTo(120, within(1.0));
        assertThat(Hand.AVERAGE.greatestMm(1, 4)).isEqualTo(125);
    }

    @Test
    void whatNoHandHolds() {
        assertThat(best("1 x x x x 6")).isEqualTo("none");
        Hand withoutThumb = Hand.AVERAGE.withThumb(Hand.Thumb.NEVER);
        FingeringFinder barring = FingeringFinder.forShapes(instrument, withoutThumb);
        assertThat(barring.find(Shape.parse("1 2 3 4 5 x"))).isEmpty();
        assertThat(barring.find(Shape.parse("1 0 1 2 3 4"))).isEmpty();
        assertThat(barring.find(Shape.parse("1 x 3 2 1 x"))).isNotEmpty().allMatch(fingered -> !fingered.fingers()
                .contains("T"));
    }

    @Test
    void badShapesAreNamed() {
        assertThatThrownBy(() -> finder.find(Shape.parse("x3201"))).hasMessageContaining("5 strings");
        assertThatThrownBy(() -> Shape.parse("x 3 2 q 1 0")).hasMessageContaining("\"q\"");
        assertThatThrownBy(() -> finder.find(Shape.parse("x 24 x x x x"))).hasMessageContaining("24");
    }
}

package phalanx.lefthand.shape;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.theory.ChordSymbol;

class ShapeBookTest {
    private final ShapeBook book = new ShapeBook(FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE));

    private List<String> shapes(String chord) {
        return book.of(ChordSymbol.parse(chord)).stream()
                .map(placed -> placed.shape().shape().toString().replace(" ", ""))
                .toList();
    }

    /** What players print first; common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "C, x32010", "D, xx0232", "E, 022100", "G, 320003", "A, x02220",
        "Am, x02210", "Dm, xx0231", "Em, 022000", "F, 133211", "B, x24442",
        "Bm, x24432", "Cm, x35543", "Fm, 133111", "F#, 244322", "F#m, 244222",
        "Bb, x13331", "Ab, 466544", "C#m, x46654", "G#m, 466444", "C7, x32310",
        "D7, xx0212", "E7, 020100", "F7, 131211", "G7, 320001", "A7, x02020",
        "B7, x21202", "Cmaj7, x32003", "Amaj7, x02120", "Gmaj7, 320002", "Am7, x02010",
        "Em7, 020000", "Bm7b5, x20201", "G/B, x20033", "C/G, 332010", "Asus4, x02230",
        "Dsus2, xx0230", "Cadd9, x30010"
    })
    void theFirstShapeIsTheOneThatIsPrintedFirst(String chord, String frets) {
        assertThat(shapes(chord).get(0)).isEqualTo(frets);
    }

    @Test
    void familiesAreApart() {
        List<String> shapes = shapes("C");
        assertThat(shapes).hasSize(6).doesNotHaveDuplicates();
        assertThat(shapes).as("C with its top string muted is the same family").doesNotContain("x3201x");
    }

    @Test
    void anyTuningHasItsOwn() {
        Instrument dadgad = Instrument.STANDARD.withTuning(NamedTuning.DADGAD.tuning());
        ShapeBook own = new ShapeBook(FingeringFinder.forShapes(dadgad, Hand.AVERAGE));
        for (String chord : List.of("D", "G", "Em", "A7")) {
            ChordSymbol symbol = ChordSymbol.parse(chord);
            assertThat(own.of(symbol)).isNotEmpty().allSatisfy(placed -> {
                List<Integer> midi = placed.shape().shape().midi(dadgad);
                assertThat(midi).hasSizeGreaterThanOrEqualTo(4);
                assertThat(midi.get(0) % 12).isEqualTo(symbol.bass().pitchClass());
                assertThat(midi).allMatch(one -> (symbol.pitchClasses() >> one % 12 & 1) == 1);
            });
        }
    }

    /** A shape that players print is among the first three of all there are, and all of them are listed. */
    @Test
    void allShapesBeginWithThosePrinted() {
        FingeringFinder finder = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE);
        for (String kind : List.of("", "m", "7")) {
            for (String root : "C Db D Eb E F F# G Ab A Bb B".split(" ")) {
                ChordSymbol chord = ChordSymbol.parse(root + kind);
                List<PricedShape> all = new ShapeSearch(finder).find(ShapeQuery.of(chord));
                List<PricedShape> printed = new ShapeOrder(Instrument.STANDARD, chord).asPrinted(all);
                assertThat(printed).containsExactlyInAnyOrderElementsOf(all);
                assertThat(printed.subList(0, 3).stream()
                                .map(shape -> shape.shape().toString().replace(" ", "")))
                        .as(root + kind)
                        .containsAnyElementsOf(printed(chord, kind));
                assertThat(printed.subList(0, 3)).allMatch(shape -> ShapeOrder.isFull(shape.shape()));
                assertThat(printed.get(printed.size() - 1)).matches(shape -> !ShapeOrder.isFull(shape.shape()));
            }
        }
    }

    /** D over an open E at fret 7 is among the first five triads over a bass; common practice, no source. */
    @Test
    void triadsOverABassAreFound() {
        FingeringFinder finder = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE);
        ChordSymbol chord = ChordSymbol.parse("D/E");
        List<PricedShape> triads = new ShapeSearch(finder)
                .find(ShapeQuery.of(chord)).stream()
                        .filter(found -> Voicing.TRIAD_432.admits(found.shape(), Instrument.STANDARD))
                        .toList();
        List<PricedShape> ordered = new ShapeOrder(Instrument.STANDARD, chord).asPrinted(triads);
        assertThat(ordered.subList(0, 5).stream().map(shape -> shape.shape().toString()))
                .contains("0 x 7 7 7 x");
        assertThat(Voicing.TRIAD_321.admits(Shape.parse("0 x x 7 7 5"), Instrument.STANDARD))
                .isTrue();
        assertThat(Voicing.TRIAD_321.admits(Shape.parse("0 x 7 7 7 5"), Instrument.STANDARD))
                .isFalse();
        assertThat(Voicing.parse("whole shapes").admits(Shape.parse("0 x 7 7 7 x"), Instrument.STANDARD))
                .isFalse();
    }

    /** Open shapes and the barres with the root on strings 6 and 5; common practice, no source. */
    private static List<String> printed(ChordSymbol chord, String kind) {
        Map<String, String> open = Map.ofEntries(
                Map.entry("C", "x32010"),
                Map.entry("A", "x02220"),
                Map.entry("G", "320003"),
                Map.entry("E", "022100"),
                Map.entry("D", "xx0232"),
                Map.entry("Am", "x02210"),
                Map.entry("Em", "022000"),
                Map.entry("Dm", "xx0231"),
                Map.entry("C7", "x32310"),
                Map.entry("A7", "x02020"),
                Map.entry("G7", "320001"),
                Map.entry("E7", "020100"),
                Map.entry("D7", "xx0212"),
                Map.entry("B7", "x21202"),
                Map.entry("Eb7", "xx1323"));
        if (open.containsKey(chord.text())) {
            return List.of(open.get(chord.text()));
        }
        int onSix = Math.floorMod(chord.root().pitchClass() - 4, 12);
        int onFive = Math.floorMod(chord.root().pitchClass() - 9, 12);
        int third = kind.equals("m") ? 0 : 1;
        int seventh = kind.equals("7") ? 0 : 2;
        return List.of(frets(onSix, 0, 2, seventh, third, 0, 0), frets(onFive, -1, 0, 2, seventh, 1 + third, 0));
    }

    private static String frets(int barre, int... above) {
        return Arrays.stream(above)
                .mapToObj(fret -> fret < 0 ? "x" : String.valueOf(barre + fret))
                .collect(Collectors.joining());
    }
}

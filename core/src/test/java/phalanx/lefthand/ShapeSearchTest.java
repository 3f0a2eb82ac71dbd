package phalanx.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;

class ShapeSearchTest {
    private static Instrument tuned(NamedTuning tuning) {
        return new Instrument(Guitar.STEEL, tuning.tuning(), 0);
    }

    @Test
    void openCMajorComesFirstAndOrderIsByEffort() {
        List<Fingered> shapes = search(tuned(NamedTuning.STANDARD)).find(ShapeQuery.of(ChordSymbol.parse("C")));
        assertThat(shapes.get(0).shape()).hasToString("x 3 2 0 1 0");
        assertThat(shapes).isSortedAccordingTo((a, b) -> a.effort().compareTo(b.effort()));
        assertThat(shapes).extracting(shape -> shape.shape().toString()).contains("8 10 10 9 8 8", "x 3 5 5 5 3");
    }

    @Test
    void theAskedTopIsTheHighestNote() {
        Instrument instrument = tuned(NamedTuning.STANDARD);
        int top = 67;
        List<Fingered> shapes =
                search(instrument).find(ShapeQuery.of(ChordSymbol.parse("D/F#")).withTop(top));
        assertThat(shapes).isNotEmpty().allSatisfy(shape -> {
            List<Integer> midi = shape.shape().midi(instrument);
            assertThat(midi).contains(top).allMatch(pitch -> pitch <= top);
            assertThat(midi.stream().min(Integer::compare).orElseThrow() % 12).isEqualTo(6);
        });
    }

    @Provide
    Arbitrary<String> chords() {
        Arbitrary<String> kinds = Arbitraries.of(
                ChordTable.standard().kinds().stream().map(kind -> kind.name()).toList());
        return Arbitraries.integers().between(0, 11).flatMap(root -> kinds.map(kind -> Key.C_MAJOR.spell(root) + kind));
    }

    /** Nothing is missed: equal to trying every fret assignment of a window of five frets and the open strings. */
    @Property(tries = 25)
    void equalToBruteForceInAWindow(
            @ForAll("chords") String chord,
            @ForAll NamedTuning tuning,
            @ForAll @IntRange(min = 1, max = 9) int windowStart) {
        Instrument instrument = tuned(tuning);
        FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
        ShapeQuery query = ShapeQuery.of(ChordSymbol.parse(chord));
        int windowEnd = windowStart + 4;
        Set<String> expected = new TreeSet<>();
        bruteForce(new Integer[6], 0, windowStart, windowEnd, instrument, query, finder, expected);
        Set<String> found = new ShapeSearch(finder)
                .find(query).stream()
                        .map(Fingered::shape)
                        .filter(shape -> shape.frets().stream()
                                .allMatch(fret -> fret <= 0 || fret >= windowStart && fret <= windowEnd))
                        .map(Shape::toString)
                        .collect(Collectors.toCollection(TreeSet::new));
        assertThat(found).isEqualTo(expected);
    }

    private static void bruteForce(
            Integer[] frets,
            int at,
            int from,
            int to,
            Instrument instrument,
            ShapeQuery query,
            FingeringFinder finder,
            Set<String> found) {
        if (at < frets.length) {
            List<Integer> choices = new ArrayList<>(List.of(-1, 0));
            for (int fret = from; fret <= to; fret++) {
                choices.add(fret);
            }
            for (int choice : choices) {
                int midi = instrument.midi(frets.length - at, Math.max(0, choice));
                if (choice < 0 || (query.tones().allowed() >> midi % 12 & 1) == 1) {
                    frets[at] = choice;
                    bruteForce(frets, at + 1, from, to, instrument, query, finder, found);
                }
            }
            return;
        }
        Shape shape = new Shape(Arrays.asList(frets));
        List<Integer> midi = shape.midi(instrument);
        int tones = midi.stream().mapToInt(pitch -> 1 << pitch % 12).reduce(0, (a, b) -> a | b);
        boolean demanded = midi.size() >= 3
                && (query.tones().required() & ~tones) == 0
                && query.bass().admits(midi.stream().min(Integer::compare).orElseThrow());
        if (demanded && !finder.find(shape).isEmpty()) {
            found.add(shape.toString());
        }
    }

    private static ShapeSearch search(Instrument instrument) {
        return new ShapeSearch(FingeringFinder.forShapes(instrument, Hand.AVERAGE));
    }
}

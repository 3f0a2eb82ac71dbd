package phalanx.lefthand.shape;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
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
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Reach;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;

public class ShapeSearchTest {
    private static Instrument tuned(NamedTuning tuning) {
        return new Instrument(Guitar.STEEL, tuning.tuning(), 0);
    }

    @Test
    void openCMajorComesFirstAndOrderIsByEffort() {
        List<PricedShape> shapes = search(tuned(NamedTuning.STANDARD)).find(ShapeQuery.of(ChordSymbol.parse("C")));
        assertThat(shapes.get(0).shape()).hasToString("x 3 2 0 1 0");
        assertThat(shapes).isSortedAccordingTo((a, b) -> a.effort().compareTo(b.effort()));
        assertThat(shapes).extracting(shape -> shape.shape().toString()).contains("8 10 10 9 8 8", "x 3 5 5 5 3");
    }

    @Test
    void theAskedTopIsTheHighestNote() {
        Instrument instrument = tuned(NamedTuning.STANDARD);
        int top = 67;
        List<PricedShape> shapes =
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
                        .map(PricedShape::shape)
                        .filter(shape -> shape.frets().stream()
                                .allMatch(fret -> fret <= 0 || fret >= windowStart && fret <= windowEnd))
                        .map(Shape::toString)
                        .collect(Collectors.toCollection(TreeSet::new));
        assertThat(found).isEqualTo(expected);
    }

    /** The same with every part of a demand: exact bass and top, a string for it, strings that must sound, a region. */
    @Property(tries = 40)
    void equalToBruteForceWithEveryDemand(
            @ForAll("chords") String chord, @ForAll NamedTuning tuning, @ForAll long seed) {
        Random random = new Random(seed);
        Instrument instrument = tuned(tuning)
                .withPartial(random.nextInt(4) == 0 ? Optional.of(new PartialCapo(2, 5, 3)) : Optional.empty());
        FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
        int low = 1 + random.nextInt(9);
        ShapeQuery query = ShapeQuery.of(ChordSymbol.parse(chord)).withRegion(new ShapeQuery.Region(low, low + 4));
        int string = 1 + random.nextInt(3);
        int top = instrument.midi(string, low + random.nextInt(5));
        query = switch (random.nextInt(3)) {
            case 0 -> query.withTop(top);
            case 1 -> query.withTop(new ShapeQuery.Top(top, OptionalInt.of(string)));
            default -> query;
        };
        query = switch (random.nextInt(3)) {
            case 0 -> query.withBass(instrument.midi(6 - random.nextInt(2), low + random.nextInt(5)));
            case 1 -> query.withAnyBass(ChordSymbol.parse(chord).root().pitchClass());
            default -> query;
        };
        query = query.withMustSound(random.nextInt(3) == 0 ? 1 << 6 | 1 << 4 : 0);
        Set<String> expected = new TreeSet<>();
        bruteForce(new Integer[6], 0, low, low + 4, instrument, query, finder, expected);
        assertThat(new ShapeSearch(finder)
                        .find(query).stream().map(found -> found.shape().toString()))
                .containsExactlyInAnyOrderElementsOf(expected);
    }

    @Test
    void whatCannotBeSaysWhichDemandIsToBlame() {
        Instrument instrument = tuned(NamedTuning.STANDARD);
        assertThat(advice("C", query -> query.withTop(100))).contains("E7 on top", "x 3 2 0 1 0");
        assertThat(advice("C", query -> query.withBass(23))).contains("B0 in the bass", "works");
        assertThat(advice("E", query -> query.withMustSound(0b1111110).withRegion(new ShapeQuery.Region(13, 13))))
                .contains("demand");
        Hand small = Hand.AVERAGE.withReach(Reach.ofSpan(60));
        ShapeQuery wide = ShapeQuery.of(ChordSymbol.parse("F"))
                .withRegion(new ShapeQuery.Region(1, 15))
                .withTop(65 + 12);
        ShapeQuery impossible = wide.withBass(41).withMustSound(1 << 6 | 1 << 1);
        assertThat(new ShapeSearch(FingeringFinder.forShapes(instrument, small)).find(impossible))
                .isEmpty();
        assertThat(ShapeAdvice.on(impossible, instrument, small).nearest()).isPresent();
    }

    private static String advice(String chord, UnaryOperator<ShapeQuery> demand) {
        Instrument instrument = tuned(NamedTuning.STANDARD);
        ShapeQuery query = demand.apply(ShapeQuery.of(ChordSymbol.parse(chord)));
        assertThat(search(instrument).find(query)).isEmpty();
        return ShapeAdvice.on(query, instrument, Hand.AVERAGE).words();
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
                if (choice < 0
                        || instrument.has(frets.length - at, choice)
                                && (query.tones().allowed() >> midi % 12 & 1) == 1) {
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
        boolean strings = IntStream.rangeClosed(1, 6)
                .filter(string -> (query.mustSound() >> string & 1) == 1)
                .allMatch(shape::sounds);
        if (demanded
                && strings
                && (query.top().isEmpty() || isTop(query.top().orElseThrow(), shape, instrument))
                && !finder.find(shape).isEmpty()) {
            found.add(shape.toString());
        }
    }

    private static boolean isTop(ShapeQuery.Top top, Shape shape, Instrument instrument) {
        int highest = shape.midi(instrument).stream().max(Integer::compare).orElseThrow();
        boolean there = top.string().isEmpty()
                || shape.sounds(top.string().getAsInt())
                        && instrument.midi(
                                        top.string().getAsInt(),
                                        shape.fret(top.string().getAsInt()))
                                == top.midi();
        return highest == top.midi() && there;
    }

    private static ShapeSearch search(Instrument instrument) {
        return new ShapeSearch(FingeringFinder.forShapes(instrument, Hand.AVERAGE));
    }
}

package phalanx.arrange.search;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import phalanx.arrange.demand.Labels;

/** What a sweep keeps in few bits is what it found, for any range of costs. */
class KeptNodesTest {
    /** Costs about a least one, from a range of so many bits; some impossible. */
    private static long[] costs(Random random, int count, int bits) {
        long least = random.nextLong(1L << 40);
        long[] costs = new long[count];
        for (int at = 0; at < count; at++) {
            long more = bits == 0 ? 0 : random.nextLong() >>> Long.SIZE - bits;
            costs[at] = random.nextInt(5) == 0 ? LayeredGraph.IMPOSSIBLE + random.nextInt(3) : least + more;
        }
        return costs;
    }

    @Property
    void aRowGivesBackWhatWasPutIn(
            @ForAll long seed, @ForAll @IntRange(min = 1, max = 200) int count, @ForAll @IntRange(max = 58) int bits) {
        Random random = new Random(seed);
        long[] numbers = costs(random, count, bits);
        long[] wanted = Arrays.stream(numbers)
                .map(number -> Math.min(number, LayeredGraph.IMPOSSIBLE))
                .toArray();
        PackedRow row = PackedRow.of(numbers);
        assertArrayEquals(wanted, row.numbers());
        assertEquals(Arrays.stream(wanted).min().orElseThrow(), row.least());
        assertEquals(count, row.count());
        for (int at = 0; at < count; at++) {
            assertEquals(wanted[at], row.get(at));
        }
        long difference = random.nextInt(1000) - 500;
        long[] dearer = Arrays.stream(wanted)
                .map(number -> number == LayeredGraph.IMPOSSIBLE ? number : number + difference)
                .toArray();
        assertArrayEquals(dearer, row.plus(difference).numbers());
        assertTrue(row.runsAlong(row.plus(difference)));
        assertTrue(PackedRow.of(dearer).runsAlong(row), "packed alike wherever it begins");
    }

    @Property
    void oneNumberThatDiffersIsSeen(@ForAll long seed, @ForAll @IntRange(min = 3, max = 100) int count) {
        Random random = new Random(seed);
        long[] numbers = random.longs(count, 0, 1000).toArray();
        // what is least and most stays, so that only one number differs
        numbers[0] = -1;
        numbers[1] = 1001;
        long[] other = numbers.clone();
        int at = 2 + random.nextInt(count - 2);
        other[at] = numbers[at] == 0 ? 1 : numbers[at] - 1;
        assertFalse(PackedRow.of(numbers).runsAlong(PackedRow.of(other)));
        assertFalse(PackedRow.of(numbers).isSame(PackedRow.of(numbers).plus(1)));
        assertTrue(PackedRow.of(numbers).isSame(PackedRow.of(numbers.clone())));
    }

    @Property(tries = 200)
    void aLayerGivesBackItsNodes(@ForAll long seed, @ForAll @IntRange(max = 45) int bits) {
        Random random = new Random(seed);
        int candidates = 1 + random.nextInt(60);
        Nodes.Collector collector = new Nodes.Collector(candidates);
        for (int candidate = 0; candidate < candidates; candidate++) {
            collector.next();
            for (long cost : costs(random, 1 + random.nextInt(6), bits)) {
                int label = random.nextInt(4) == 0 ? Labels.NONE : random.nextInt(300);
                collector.add(label, cost, random.nextInt(5000));
            }
        }
        Nodes found = collector.done();
        KeptNodes kept = KeptNodes.of(found);
        Nodes open = kept.open();
        assertEquals(found.costs.length, kept.count());
        assertArrayEquals(found.firsts, open.firsts);
        assertArrayEquals(found.from, open.from);
        assertArrayEquals(found.best, open.best);
        for (int candidate = 0; candidate < candidates; candidate++) {
            for (int node = found.firsts[candidate]; node < found.firsts[candidate + 1]; node++) {
                assertEquals(candidate, kept.candidate(node));
                assertEquals(found.label(node), open.label(node));
                assertEquals(found.from[node], kept.from(node));
                assertEquals(found.costs[node] < LayeredGraph.IMPOSSIBLE, kept.isReached(node));
            }
        }
        assertTrue(kept.runsAlong(kept.plus(7)));
        assertEquals(
                kept.cheapest() == LayeredGraph.IMPOSSIBLE ? kept.cheapest() : kept.cheapest() + 7,
                kept.plus(7).cheapest());
    }
}

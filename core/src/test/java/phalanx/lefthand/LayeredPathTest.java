package phalanx.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;

class LayeredPathTest {
    /** A graph of random costs; small numbers, so that ties happen. */
    private static final class RandomGraph implements LayeredPath.Graph {
        private final int[] sizes;
        private final long[][] own;
        private final long[][][] changes;

        RandomGraph(Random random) {
            sizes = random.ints(1 + random.nextInt(6), 1, 6).toArray();
            own = new long[sizes.length][];
            changes = new long[sizes.length][][];
            for (int layer = 0; layer < sizes.length; layer++) {
                own[layer] = random.longs(sizes[layer], 0, 9).toArray();
                changes[layer] = new long[layer == 0 ? 0 : sizes[layer - 1]][];
                for (int from = 0; from < changes[layer].length; from++) {
                    changes[layer][from] = random.longs(sizes[layer], 0, 9).toArray();
                }
            }
        }

        private RandomGraph(RandomGraph other) {
            sizes = other.sizes;
            own = other.own.clone();
            changes = other.changes;
        }

        @Override
        public int layers() {
            return sizes.length;
        }

        @Override
        public int candidates(int layer) {
            return sizes[layer];
        }

        @Override
        public long cost(int layer, int candidate) {
            return own[layer][candidate];
        }

        @Override
        public long change(int layer, int from, int to, long enough) {
            // what is enough need not be exact
            return Math.min(changes[layer][from][to], enough);
        }

        /** The costs of all ways, the least first, by trying every one. */
        List<Long> allCosts(int layer, int from) {
            List<Long> costs = new ArrayList<>();
            for (int to = 0; to < sizes[layer]; to++) {
                long cost = own[layer][to] + (layer == 0 ? 0 : changes[layer][from][to]);
                List<Long> rest = layer + 1 < sizes.length ? allCosts(layer + 1, to) : List.of(0L);
                rest.forEach(more -> costs.add(cost + more));
            }
            costs.sort(null);
            return costs;
        }

        /** Another graph that differs from this one in one layer. */
        RandomGraph edited(Random random, int layer) {
            RandomGraph other = new RandomGraph(this);
            other.own[layer] = random.longs(sizes[layer], 0, 30).toArray();
            return other;
        }

        /** This graph with all candidates of a layer but one too dear to take. */
        RandomGraph through(int layer, int candidate) {
            RandomGraph other = new RandomGraph(this);
            other.own[layer] = own[layer].clone();
            for (int i = 0; i < sizes[layer]; i++) {
                other.own[layer][i] += i == candidate ? 0 : 1_000_000;
            }
            return other;
        }
    }

    @Property(tries = 400)
    void equalToTryingEveryWay(@ForAll long seed) {
        RandomGraph graph = new RandomGraph(new Random(seed));
        List<Long> all = graph.allCosts(0, 0);
        LayeredPath.Way way = new LayeredPath().cheapest(graph);
        assertThat(way.cost()).isEqualTo(all.get(0));
        assertThat(sum(graph, way.candidates())).isEqualTo(way.cost());
    }

    @Property(tries = 400)
    void theBestFewAreTheFirstOfAllWays(@ForAll long seed, @ForAll @IntRange(min = 1, max = 9) int most) {
        RandomGraph graph = new RandomGraph(new Random(seed));
        List<Long> all = graph.allCosts(0, 0);
        List<LayeredPath.Way> ways = new LayeredPath().cheapest(graph, most);
        assertThat(ways.stream().map(LayeredPath.Way::cost)).isEqualTo(all.subList(0, Math.min(most, all.size())));
        assertThat(ways.stream().map(LayeredPath.Way::candidates)).doesNotHaveDuplicates();
        ways.forEach(way -> assertThat(sum(graph, way.candidates())).isEqualTo(way.cost()));
    }

    @Property(tries = 400)
    void anEditedGraphIsSolvedAsIfFromTheStart(@ForAll long seed) {
        Random random = new Random(seed);
        RandomGraph graph = new RandomGraph(random);
        int layer = random.nextInt(graph.layers());
        RandomGraph edited = graph.edited(random, layer);
        Trail again = Trail.through(graph).again(edited, layer, layer);
        assertThat(again.way().cost()).isEqualTo(edited.allCosts(0, 0).get(0));
        assertThat(sum(edited, again.way().candidates())).isEqualTo(again.way().cost());
    }

    @Property(tries = 200)
    void waysThroughEachCandidateCostWhatTheyCostWithoutTheOthers(@ForAll long seed) {
        Random random = new Random(seed);
        RandomGraph graph = new RandomGraph(random);
        int layer = random.nextInt(graph.layers());
        long[] costs = Trail.through(graph).through(graph, layer);
        for (int candidate = 0; candidate < costs.length; candidate++) {
            assertThat(costs[candidate])
                    .isEqualTo(graph.through(layer, candidate).allCosts(0, 0).get(0));
        }
    }

    private static long sum(LayeredPath.Graph graph, List<Integer> way) {
        long sum = 0;
        for (int layer = 0; layer < way.size(); layer++) {
            sum += graph.cost(layer, way.get(layer));
            if (layer > 0) {
                sum += graph.change(layer, way.get(layer - 1), way.get(layer), Long.MAX_VALUE);
            }
        }
        return sum;
    }

    @Property
    void packedCostsCompareInOrder(@ForAll("costs") PathCost a, @ForAll("costs") PathCost b) {
        long left = PathCost.pack(a.unplayable(), a.melody(), a.effort());
        long right = PathCost.pack(b.unplayable(), b.melody(), b.effort());
        int expected = a.unplayable() != b.unplayable()
                ? Integer.compare(a.unplayable(), b.unplayable())
                : a.melody() != b.melody()
                        ? Integer.compare(a.melody(), b.melody())
                        : Double.compare(a.effort(), b.effort());
        assertThat(Integer.signum(Long.compare(left, right))).isEqualTo(Integer.signum(expected));
        assertThat(PathCost.unpack(left)).isEqualTo(a);
        assertThat(PathCost.unpack(left + right).melody()).isEqualTo(a.melody() + b.melody());
    }

    @Provide
    Arbitrary<PathCost> costs() {
        return Combinators.combine(
                        Arbitraries.integers().between(0, 50),
                        Arbitraries.integers().between(0, 5000),
                        Arbitraries.integers().between(0, 59_999))
                .as((unplayable, melody, effort) -> new PathCost(unplayable, melody, effort / 100.0));
    }
}

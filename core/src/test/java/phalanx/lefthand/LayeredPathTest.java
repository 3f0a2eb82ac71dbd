package phalanx.lefthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

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
        public long change(int layer, int from, int to) {
            return changes[layer][from][to];
        }

        long cheapestByTryingAll(int layer, int from) {
            long best = Long.MAX_VALUE;
            for (int to = 0; to < sizes[layer]; to++) {
                long cost = own[layer][to] + (layer == 0 ? 0 : changes[layer][from][to]);
                if (layer + 1 < sizes.length) {
                    cost += cheapestByTryingAll(layer + 1, to);
                }
                best = Math.min(best, cost);
            }
            return best;
        }
    }

    @Property(tries = 400)
    void equalToTryingEveryWay(@ForAll long seed) {
        RandomGraph graph = new RandomGraph(new Random(seed));
        LayeredPath.Way way = new LayeredPath().cheapest(graph);
        assertThat(way.cost()).isEqualTo(graph.cheapestByTryingAll(0, 0));
        assertThat(sum(graph, way.candidates())).isEqualTo(way.cost());
    }

    private static long sum(LayeredPath.Graph graph, List<Integer> way) {
        long sum = 0;
        for (int layer = 0; layer < way.size(); layer++) {
            sum += graph.cost(layer, way.get(layer));
            if (layer > 0) {
                sum += graph.change(layer, way.get(layer - 1), way.get(layer));
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

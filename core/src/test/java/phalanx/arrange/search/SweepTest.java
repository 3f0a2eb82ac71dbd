package phalanx.arrange.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.LongStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

class SweepTest {
    /** A graph of random costs; small numbers, so that ties happen. */
    private static final class RandomGraph implements LayeredGraph {
        private final int[] sizes;
        private final long[][] own;
        private final long[][][] changes;

        RandomGraph(Random random) {
            this(random, 1 + random.nextInt(6));
        }

        RandomGraph(Random random, int layers) {
            sizes = random.ints(layers, 1, 6).toArray();
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
        public Changes changes(int layer) {
            return (from, to) -> changes[layer][from][to];
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

    /** The miniature of the package comment, in tenths: three slots, two candidates each. */
    @Example
    void theMiniatureGoesADE() {
        long[][] own = {{10, 5}, {20, 10}, {10, 15}};
        long[][][] changes = {{}, {{0, 10}, {10, 20}}, {{20, 0}, {0, 10}}};
        NarrowPass pass = NarrowPass.through(new LayeredGraph() {
            @Override
            public int layers() {
                return own.length;
            }

            @Override
            public int candidates(int layer) {
                return own[layer].length;
            }

            @Override
            public long cost(int layer, int candidate) {
                return own[layer][candidate];
            }

            @Override
            public Changes changes(int layer) {
                return (from, to) -> changes[layer][from][to];
            }
        });
        pass.complete();
        assertThat(pass.way().cost()).isEqualTo(40);
        assertThat(pass.way().candidate(0)).isZero();
        assertThat(pass.way().candidate(1)).isEqualTo(1);
        assertThat(pass.way().candidate(2)).isZero();
        assertThat(pass.beginnings(1)[0] + pass.endings(1)[0] - own[1][0]).isEqualTo(45);
    }

    @Property(tries = 400)
    void equalToTryingEveryWay(@ForAll long seed) {
        RandomGraph graph = new RandomGraph(new Random(seed));
        List<Long> all = graph.allCosts(0, 0);
        Way way = Sweep.through(graph).way();
        assertThat(way.cost()).isEqualTo(all.get(0));
        assertThat(sum(graph, way)).isEqualTo(way.cost());
    }

    /** Changes cost 8 at most: what is 9 dearer than another way as far is worth nothing, unless a note rings on. */
    @Property(tries = 400)
    void farDearerWaysAreLeftOutAndNeverMissed(@ForAll long seed) {
        Random random = new Random(seed);
        RingingGraph graph = new RingingGraph(random);
        NarrowPass pass = NarrowPass.through(graph);
        assertThat(pass.way().cost()).isEqualTo(graph.costs.allCosts(0, 0).get(0));
        pass.complete();
        long best = pass.way().cost();
        for (int layer = 0; layer < graph.layers(); layer++) {
            int at = pass.way().candidate(layer);
            assertThat(pass.beginnings(layer)[at] + pass.endings(layer)[at] - graph.cost(layer, at))
                    .isEqualTo(best);
        }
    }

    @Example
    void someOfTheFarDearerWaysAreLeftOut() {
        long left = LongStream.range(0, 100)
                .map(seed -> {
                    RingingGraph graph = new RingingGraph(new Random(seed));
                    return Arrays.stream(Sweep.through(graph).costs(graph.layers() - 1))
                            .filter(cost -> cost >= LayeredGraph.IMPOSSIBLE)
                            .count();
                })
                .sum();
        assertThat(left).isPositive();
    }

    /** A random graph whose candidates may hold a note over into the next layer, where it must be taken over. */
    private static final class RingingGraph implements LayeredGraph {
        private static final long FURTHEST = 9;

        private final RandomGraph costs;
        /** Of the layers' beginnings whether the candidates before and after hold a note over it. */
        private final boolean[][] holds;

        private final boolean[][] takes;

        RingingGraph(Random random) {
            costs = new RandomGraph(random);
            holds = new boolean[layers()][];
            takes = new boolean[layers()][];
            for (int layer = 0; layer < layers(); layer++) {
                holds[layer] = new boolean[candidates(layer)];
                takes[layer] = new boolean[candidates(layer)];
                costs.own[layer] = random.longs(candidates(layer), 0, 30).toArray();
                // the first candidates hold nothing over, so that there is a way
                for (int candidate = 1; candidate < candidates(layer); candidate++) {
                    holds[layer][candidate] = layer + 1 < layers() && random.nextBoolean();
                    takes[layer][candidate] = layer > 0 && random.nextBoolean();
                }
                for (int from = 0; layer > 0 && from < candidates(layer - 1); from++) {
                    for (int to = 0; to < candidates(layer); to++) {
                        boolean rings = holds[layer - 1][from] == takes[layer][to];
                        costs.changes[layer][from][to] = rings ? costs.changes[layer][from][to] : IMPOSSIBLE;
                    }
                }
            }
        }

        @Override
        public int layers() {
            return costs.layers();
        }

        @Override
        public int candidates(int layer) {
            return costs.candidates(layer);
        }

        @Override
        public long cost(int layer, int candidate) {
            return costs.cost(layer, candidate);
        }

        @Override
        public Changes changes(int layer) {
            return costs.changes(layer);
        }

        @Override
        public long ringsOn(int layer, int candidate) {
            return holds[layer][candidate] ? 1 : 0;
        }

        @Override
        public long hasRungOn(int layer, int candidate) {
            return takes[layer][candidate] ? 1 : 0;
        }

        @Override
        public long furthest() {
            return FURTHEST;
        }
    }

    @Property(tries = 200)
    void settlingAsItGoesChangesNothing(@ForAll long seed) {
        settled(seed);
    }

    @Example
    void mostOfALongGraphIsSettledOnTheWay() {
        assertThat(LongStream.range(0, 100)
                        .mapToDouble(SweepTest::settled)
                        .average()
                        .orElse(0))
                .isGreaterThan(0.75);
    }

    /** The share that is settled on the way; that it is what the whole sweep would choose is checked. */
    private static double settled(long seed) {
        Random random = new Random(seed);
        RandomGraph graph = new RandomGraph(random, 60);
        Sweep sweep = Sweep.upTo(graph, 0);
        int[] kept = new int[1];
        for (int layer = 0; layer < graph.layers(); layer++) {
            sweep.extend(graph, layer);
            if (random.nextInt(4) == 0) {
                sweep.settle(layer, (at, candidate) -> {
                    kept[0]++;
                    return candidate;
                });
            }
        }
        assertThat(sweep.way()).hasToString(Sweep.through(graph).way().toString());
        assertThat(kept[0]).isLessThan(graph.layers());
        return kept[0] / (double) graph.layers();
    }

    @Property(tries = 400)
    void anEditedGraphIsSolvedAsIfFromTheStart(@ForAll long seed) {
        Random random = new Random(seed);
        RandomGraph graph = new RandomGraph(random);
        int layer = random.nextInt(graph.layers());
        RandomGraph edited = graph.edited(random, layer);
        NarrowPass pass = NarrowPass.through(graph);
        pass.complete();
        NarrowPass again = pass.again(edited, layer, layer);
        assertThat(again.way().cost()).isEqualTo(edited.allCosts(0, 0).get(0));
        assertThat(sum(edited, again.way())).isEqualTo(again.way().cost());
        again.complete();
        for (int at = 0; at < edited.layers(); at++) {
            assertThat(Arrays.stream(again.beginnings(at))).isNotEmpty();
            assertThat(again.cheapestBeyond(0, true)).isEqualTo(again.way().cost());
        }
    }

    @Property(tries = 200)
    void waysThroughEachCandidateCostWhatTheyCostWithoutTheOthers(@ForAll long seed) {
        Random random = new Random(seed);
        RandomGraph graph = new RandomGraph(random);
        int layer = random.nextInt(graph.layers());
        NarrowPass pass = NarrowPass.through(graph);
        pass.complete();
        for (int candidate = 0; candidate < graph.candidates(layer); candidate++) {
            assertThat(pass.beginnings(layer)[candidate]
                            + pass.endings(layer)[candidate]
                            - graph.cost(layer, candidate))
                    .isEqualTo(graph.through(layer, candidate).allCosts(0, 0).get(0));
        }
    }

    private static long sum(LayeredGraph graph, Way way) {
        long sum = 0;
        for (int layer = 0; layer < way.layers(); layer++) {
            sum += graph.cost(layer, way.candidate(layer));
            if (layer > 0) {
                sum += graph.changes(layer).cost(way.candidate(layer - 1), way.candidate(layer));
            }
        }
        return sum;
    }
}

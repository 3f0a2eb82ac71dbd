package phalanx.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.LongSupplier;
import org.jgrapht.Graph;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.alg.util.Triple;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.jgrapht.opt.graph.sparse.SparseIntDirectedWeightedGraph;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.SongDemand;
import phalanx.arrange.search.LayerFinder;
import phalanx.arrange.search.LayeredGraph;
import phalanx.arrange.search.SongGraph;
import phalanx.arrange.search.Sweep;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * Our path beside a general library's shortest path and beside a bare pass over ready costs, all on the same graph, one
 * after another on one thread, the least of several runs. All three must cost the same, so inner strokes are not
 * remembered from slot to slot here: a graph of candidates alone has no room for that.
 */
public final class PathBench {
    private static final int BARS = 16;
    private static final int RUNS = 60;

    private PathBench() {}

    public static void main(String[] args) {
        Song song = BenchSongs.eighths(BARS);
        MoveMeter meter = new MoveMeter(Instrument.STANDARD, Hand.AVERAGE);
        LayerFinder finder = new LayerFinder(FingeringFinder.forPlucking(Instrument.STANDARD, Hand.AVERAGE), meter);
        Request request = new Request(song, Instrument.STANDARD, Hand.AVERAGE, List.of(), Picking.PLAIN);
        List<Slot> slots = SongDemand.of(request).slots();
        LayeredGraph graph = new WithoutLabels(new SongGraph(
                slots, song.tempo(), finder.promising(slots, 1, () -> {}), meter, Instrument.STANDARD, () -> false));
        Ready ready = new Ready(graph);
        Graph<Integer, Integer> general = ready.general();
        Graph<Integer, DefaultWeightedEdge> usual = usual(general);
        long[] cost = new long[4];
        double ours = least(() -> cost[0] = Sweep.through(graph).way().cost());
        double bare = least(() -> cost[1] = ready.cheapest());
        double library = least(() -> cost[2] = (long) new DijkstraShortestPath<>(general)
                .getPathWeight(0, general.vertexSet().size() - 1));
        int last = general.vertexSet().size() - 1;
        double usualLibrary = least(() -> cost[3] = (long) new DijkstraShortestPath<>(usual).getPathWeight(0, last));
        if (Arrays.stream(cost).distinct().count() > 1) {
            throw new IllegalStateException("costs differ: " + Arrays.toString(cost));
        }
        System.out.printf(
                "%d nodes, %d edges, equal cost; ms: ours %.1f, library %.1f (its sparse graph of ints %.1f), bare %.1f%n",
                last + 1, general.edgeSet().size(), ours, usualLibrary, library, bare);
        System.out.printf(
                "ours / library %.2f (aim 0.1; beside its sparse graph %.2f), ours / bare %.1f (aim 10)%n",
                ours / usualLibrary, ours / library, ours / bare);
    }

    /** The same in the library's usual graph of objects. */
    private static Graph<Integer, DefaultWeightedEdge> usual(Graph<Integer, Integer> from) {
        Graph<Integer, DefaultWeightedEdge> usual = new SimpleDirectedWeightedGraph<>(DefaultWeightedEdge.class);
        from.vertexSet().forEach(usual::addVertex);
        for (Integer edge : from.edgeSet()) {
            usual.setEdgeWeight(
                    usual.addEdge(from.getEdgeSource(edge), from.getEdgeTarget(edge)), from.getEdgeWeight(edge));
        }
        return usual;
    }

    private static double least(LongSupplier work) {
        double least = Double.MAX_VALUE;
        for (int run = 0; run < RUNS; run++) {
            long start = System.nanoTime();
            work.getAsLong();
            least = Math.min(least, (System.nanoTime() - start) / 1e6);
        }
        return least;
    }

    /** The same candidates and changes with no memory of strokes. */
    private record WithoutLabels(LayeredGraph graph) implements LayeredGraph {
        @Override
        public int layers() {
            return graph.layers();
        }

        @Override
        public int candidates(int layer) {
            return graph.candidates(layer);
        }

        @Override
        public long cost(int layer, int candidate) {
            return graph.cost(layer, candidate);
        }

        @Override
        public Changes changes(int layer) {
            return graph.changes(layer);
        }
    }

    /** A graph with all its costs told beforehand. */
    private static final class Ready {
        private final long[][] own;
        private final long[][][] changes;

        Ready(LayeredGraph graph) {
            own = new long[graph.layers()][];
            changes = new long[graph.layers()][][];
            for (int layer = 0; layer < own.length; layer++) {
                own[layer] = new long[graph.candidates(layer)];
                changes[layer] = new long[own[layer].length][layer == 0 ? 0 : own[layer - 1].length];
                LayeredGraph.Changes into = layer == 0 ? null : graph.changes(layer);
                for (int to = 0; to < own[layer].length; to++) {
                    own[layer][to] = graph.cost(layer, to);
                    for (int from = 0; from < changes[layer][to].length; from++) {
                        changes[layer][to][from] = into.cost(from, to);
                    }
                }
            }
        }

        long cheapest() {
            long[] best = own[0];
            for (int layer = 1; layer < own.length; layer++) {
                long[] next = new long[own[layer].length];
                for (int to = 0; to < next.length; to++) {
                    long[] into = changes[layer][to];
                    long least = Long.MAX_VALUE;
                    for (int from = 0; from < into.length; from++) {
                        least = Math.min(least, best[from] + into[from]);
                    }
                    next[to] = least + own[layer][to];
                }
                best = next;
            }
            long least = Long.MAX_VALUE;
            for (long cost : best) {
                least = Math.min(least, cost);
            }
            return least;
        }

        /** With a node before the first layer and one after the last. */
        Graph<Integer, Integer> general() {
            List<Triple<Integer, Integer, Double>> edges = new ArrayList<>();
            int before = 0;
            int first = 1;
            for (int layer = 0; layer < own.length; layer++) {
                for (int to = 0; to < own[layer].length; to++) {
                    if (layer == 0) {
                        edges.add(Triple.of(0, first + to, (double) own[0][to]));
                    }
                    for (int from = 0; from < changes[layer][to].length; from++) {
                        if (changes[layer][to][from] < LayeredGraph.IMPOSSIBLE) {
                            double cost = changes[layer][to][from] + own[layer][to];
                            edges.add(Triple.of(before + from, first + to, cost));
                        }
                    }
                }
                before = first;
                first += own[layer].length;
            }
            for (int from = before; from < first; from++) {
                edges.add(Triple.of(from, first, 0.0));
            }
            return new SparseIntDirectedWeightedGraph(first + 1, edges);
        }
    }
}

package phalanx.lefthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The cheapest ways through a row of layers, one candidate from each: Viterbi's algorithm. With n layers of at most k
 * candidates it asks for n * k * k changes and keeps n * k back pointers; the results are exact.
 *
 * <p>Costs are packed longs, added up as {@link PathCost} says. (A. Viterbi, IEEE Trans. Inform. Theory 13, 1967,
 * from memory.)
 */
public final class LayeredPath {
    /** The graph: layers of candidates, what each costs and what each change costs. */
    public interface Graph {
        int layers();

        int candidates(int layer);

        /** Cost of a candidate by itself, not negative. */
        long cost(int layer, int candidate);

        /**
         * Cost of going from a candidate of the layer before into one of this layer, not negative.
         *
         * @param enough a cost that is too high to matter: any value from this up may stand for one at least as high
         */
        long change(int layer, int from, int to, long enough);
    }

    /**
     * The way and its cost.
     *
     * @param candidates the chosen candidate of each layer
     * @param cost the sum over the way
     */
    public record Way(List<Integer> candidates, long cost) {
        public Way {
            candidates = List.copyOf(candidates);
        }
    }

    /**
     * The cheapest way.
     *
     * @throws IllegalArgumentException if a layer is empty
     */
    public Way cheapest(Graph graph) {
        return Trail.through(graph).way();
    }

    /**
     * The cheapest few ways in order of cost, all different. Each node keeps its best few beginnings, so this takes
     * that many times the additions of one way, but no more changes.
     *
     * @param most how many ways, at least 1
     * @return fewer than asked for when there are no more
     * @throws IllegalArgumentException if a layer is empty
     */
    public List<Way> cheapest(Graph graph, int most) {
        if (most < 1) {
            throw new IllegalArgumentException(most + " ways were asked for");
        }
        List<Beginnings[]> layers = new ArrayList<>(graph.layers());
        for (int layer = 0; layer < graph.layers(); layer++) {
            Beginnings[] before = layer == 0 ? null : layers.get(layer - 1);
            Beginnings[] nodes = new Beginnings[candidates(graph, layer)];
            for (int to = 0; to < nodes.length; to++) {
                nodes[to] = new Beginnings(most);
                extend(graph, layer, before, to, nodes[to]);
            }
            layers.add(nodes);
        }
        return endings(layers, most);
    }

    private static void extend(Graph graph, int layer, Beginnings[] before, int to, Beginnings node) {
        if (before == null) {
            node.add(0, 0, 0);
        } else {
            for (int from = 0; from < before.length; from++) {
                long enough = node.worst() - before[from].costs[0];
                long change = enough <= 0 ? Long.MAX_VALUE : graph.change(layer, from, to, enough);
                for (int rank = 0;
                        rank < before[from].size && change < node.worst() - before[from].costs[rank];
                        rank++) {
                    node.add(before[from].costs[rank] + change, from, rank);
                }
            }
        }
        long own = graph.cost(layer, to);
        for (int rank = 0; rank < node.size; rank++) {
            node.costs[rank] += own;
        }
    }

    private static List<Way> endings(List<Beginnings[]> layers, int most) {
        if (layers.isEmpty()) {
            return List.of(new Way(List.of(), 0));
        }
        Beginnings ends = new Beginnings(most);
        Beginnings[] last = layers.get(layers.size() - 1);
        for (int candidate = 0; candidate < last.length; candidate++) {
            for (int rank = 0; rank < last[candidate].size; rank++) {
                ends.add(last[candidate].costs[rank], candidate, rank);
            }
        }
        List<Way> ways = new ArrayList<>();
        for (int end = 0; end < ends.size; end++) {
            Integer[] way = new Integer[layers.size()];
            int at = ends.from[end];
            int rank = ends.rank[end];
            for (int layer = layers.size() - 1; layer >= 0; layer--) {
                way[layer] = at;
                Beginnings node = layers.get(layer)[at];
                at = node.from[rank];
                rank = node.rank[rank];
            }
            ways.add(new Way(Arrays.asList(way), ends.costs[end]));
        }
        return ways;
    }

    static int candidates(Graph graph, int layer) {
        int count = graph.candidates(layer);
        if (count == 0) {
            throw new IllegalArgumentException("layer " + layer + " has no candidates");
        }
        return count;
    }

    /** The best few ways to a node, in order: what each costs, from which node it comes and as that node's which. */
    private static final class Beginnings {
        private final long[] costs;
        private final int[] from;
        private final int[] rank;
        private int size;

        Beginnings(int most) {
            costs = new long[most];
            from = new int[most];
            rank = new int[most];
        }

        /** What a further way must cost less than. */
        long worst() {
            return size < costs.length ? Long.MAX_VALUE : costs[size - 1];
        }

        void add(long cost, int fromCandidate, int fromRank) {
            if (cost >= worst()) {
                return;
            }
            int at = size < costs.length ? size++ : size - 1;
            while (at > 0 && costs[at - 1] > cost) {
                costs[at] = costs[at - 1];
                from[at] = from[at - 1];
                rank[at] = rank[at - 1];
                at--;
            }
            costs[at] = cost;
            from[at] = fromCandidate;
            rank[at] = fromRank;
        }
    }
}

package phalanx.lefthand;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The cheapest way through a row of layers, one candidate from each: Viterbi's algorithm. With n layers of at most k
 * candidates it asks for n * k * k changes and keeps n * k back pointers; the result is exact.
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

        /** Cost of going from a candidate of the layer before into one of this layer, not negative. */
        long change(int layer, int from, int to);
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
        int layers = graph.layers();
        int[][] back = new int[layers][];
        long[] best = {};
        for (int layer = 0; layer < layers; layer++) {
            int count = graph.candidates(layer);
            if (count == 0) {
                throw new IllegalArgumentException("layer " + layer + " has no candidates");
            }
            back[layer] = new int[count];
            best = layer == 0 ? first(graph, count) : extend(graph, layer, best, back[layer]);
        }
        return trace(back, best);
    }

    private static long[] first(Graph graph, int count) {
        long[] best = new long[count];
        Arrays.setAll(best, candidate -> graph.cost(0, candidate));
        return best;
    }

    private static long[] extend(Graph graph, int layer, long[] before, int[] back) {
        long[] best = new long[back.length];
        int[] order = inOrder(before);
        for (int to = 0; to < back.length; to++) {
            long cheapest = Long.MAX_VALUE;
            // changes cost nothing or more, so once a start alone is as dear as the best way found, the rest are too
            for (int i = 0; i < order.length && before[order[i]] < cheapest; i++) {
                long cost = before[order[i]] + graph.change(layer, order[i], to);
                if (cost < cheapest) {
                    cheapest = cost;
                    back[to] = order[i];
                }
            }
            best[to] = cheapest + graph.cost(layer, to);
        }
        return best;
    }

    /** Indices from the least cost to the greatest. */
    private static int[] inOrder(long[] costs) {
        return IntStream.range(0, costs.length)
                .boxed()
                .sorted(Comparator.comparingLong(index -> costs[index]))
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private static Way trace(int[][] back, long[] best) {
        if (back.length == 0) {
            return new Way(List.of(), 0);
        }
        int at = 0;
        for (int candidate = 1; candidate < best.length; candidate++) {
            if (best[candidate] < best[at]) {
                at = candidate;
            }
        }
        long cost = best[at];
        Integer[] way = new Integer[back.length];
        for (int layer = back.length - 1; layer >= 0; layer--) {
            way[layer] = at;
            at = back[layer][at];
        }
        return new Way(Arrays.asList(way), cost);
    }
}

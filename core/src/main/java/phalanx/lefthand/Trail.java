package phalanx.lefthand;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * The cheapest beginnings of all ways through a graph: for each candidate of each layer what the best way to it costs
 * and where it comes from. It is kept so that a small edit of the graph need not be solved from the start.
 */
public final class Trail {
    /** From so many changes of a layer on its candidates are shared out among the processor's cores. */
    private static final int WORTH_SHARING = 1000;

    private final long[][] best;
    private final int[][] back;

    private Trail(int layers) {
        best = new long[layers][];
        back = new int[layers][];
    }

    /**
     * Through a whole graph.
     *
     * @throws IllegalArgumentException if a layer is empty
     */
    public static Trail through(LayeredPath.Graph graph) {
        Trail trail = new Trail(graph.layers());
        for (int layer = 0; layer < graph.layers(); layer++) {
            trail.extend(graph, layer);
        }
        return trail;
    }

    /**
     * Through a graph that differs from this trail's graph only in some layers and in the changes into and out of
     * them. Layers before the first of these are taken over. After the last, the work ends as soon as all best costs
     * of a layer differ from the earlier ones by the same amount: from there on every choice is as it was.
     *
     * @param graph with as many layers
     * @param firstEdited the first layer that differs
     * @param lastEdited the last one
     */
    public Trail again(LayeredPath.Graph graph, int firstEdited, int lastEdited) {
        if (graph.layers() != best.length) {
            throw new IllegalArgumentException(graph.layers() + " layers instead of " + best.length);
        }
        Trail trail = new Trail(best.length);
        for (int layer = 0; layer < best.length; layer++) {
            if (layer < firstEdited) {
                trail.takeOver(this, layer, 0);
                continue;
            }
            trail.extend(graph, layer);
            if (layer > lastEdited && trail.runsAlong(this, layer)) {
                long difference = trail.best[layer][0] - best[layer][0];
                for (int later = layer + 1; later < best.length; later++) {
                    trail.takeOver(this, later, difference);
                }
                return trail;
            }
        }
        return trail;
    }

    private void takeOver(Trail earlier, int layer, long difference) {
        back[layer] = earlier.back[layer];
        best[layer] = difference == 0
                ? earlier.best[layer]
                : Arrays.stream(earlier.best[layer])
                        .map(cost -> cost + difference)
                        .toArray();
    }

    private boolean runsAlong(Trail earlier, int layer) {
        long difference = best[layer][0] - earlier.best[layer][0];
        for (int candidate = 0; candidate < best[layer].length; candidate++) {
            if (best[layer][candidate] - earlier.best[layer][candidate] != difference) {
                return false;
            }
        }
        return true;
    }

    private void extend(LayeredPath.Graph graph, int layer) {
        int count = LayeredPath.candidates(graph, layer);
        best[layer] = new long[count];
        back[layer] = new int[count];
        int[] order = layer == 0 ? new int[0] : inOrder(best[layer - 1]);
        IntStream all = IntStream.range(0, count);
        IntStream tried = (long) count * order.length < WORTH_SHARING ? all : all.parallel();
        tried.forEach(to ->
                best[layer][to] = graph.cost(layer, to) + (layer == 0 ? 0 : cheapestInto(graph, layer, to, order)));
    }

    private long cheapestInto(LayeredPath.Graph graph, int layer, int to, int[] order) {
        long[] before = best[layer - 1];
        long cheapest = Long.MAX_VALUE;
        // changes cost nothing or more, so once a start alone is as dear as the best way found, the rest are too
        for (int i = 0; i < order.length && before[order[i]] < cheapest; i++) {
            long start = before[order[i]];
            long cost = start + graph.change(layer, order[i], to, cheapest - start);
            if (cost < cheapest) {
                cheapest = cost;
                back[layer][to] = order[i];
            }
        }
        return cheapest;
    }

    /** Indices from the least cost to the greatest, by insertion: rows are short, and nothing is boxed. */
    private static int[] inOrder(long[] costs) {
        int[] order = new int[costs.length];
        for (int index = 0; index < costs.length; index++) {
            int at = index;
            while (at > 0 && costs[order[at - 1]] > costs[index]) {
                order[at] = order[at - 1];
                at--;
            }
            order[at] = index;
        }
        return order;
    }

    /** The cheapest way. */
    public LayeredPath.Way way() {
        int layers = best.length;
        if (layers == 0) {
            return new LayeredPath.Way(List.of(), 0);
        }
        int at = inOrder(best[layers - 1])[0];
        long cost = best[layers - 1][at];
        Integer[] way = new Integer[layers];
        for (int layer = layers - 1; layer >= 0; layer--) {
            way[layer] = at;
            at = back[layer][at];
        }
        return new LayeredPath.Way(Arrays.asList(way), cost);
    }

    /**
     * What the cheapest way through each candidate of a layer costs: the best beginning, which this trail knows, and
     * the best ending.
     *
     * @param graph the one this trail leads through
     */
    public long[] through(LayeredPath.Graph graph, int layer) {
        long[] ending = new long[best[best.length - 1].length];
        for (int at = best.length - 2; at >= layer; at--) {
            long[] next = new long[ending.length];
            for (int to = 0; to < next.length; to++) {
                next[to] = ending[to] + graph.cost(at + 1, to);
            }
            int[] order = inOrder(next);
            ending = new long[best[at].length];
            for (int from = 0; from < ending.length; from++) {
                ending[from] = cheapestOut(graph, at + 1, from, next, order);
            }
        }
        for (int candidate = 0; candidate < ending.length; candidate++) {
            ending[candidate] += best[layer][candidate];
        }
        return ending;
    }

    private static long cheapestOut(LayeredPath.Graph graph, int layer, int from, long[] next, int[] order) {
        long cheapest = Long.MAX_VALUE;
        for (int i = 0; i < order.length && next[order[i]] < cheapest; i++) {
            long end = next[order[i]];
            cheapest = Math.min(cheapest, end + graph.change(layer, from, order[i], cheapest - end));
        }
        return cheapest;
    }
}

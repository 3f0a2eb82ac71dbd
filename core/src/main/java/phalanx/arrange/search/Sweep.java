package phalanx.arrange.search;

/**
 * The cheapest beginnings of all ways through a graph: for each candidate of each layer what the best way to it costs,
 * itself included, and where it comes from. Exact (A. Viterbi, IEEE Trans. Inform. Theory 13, 1967, from memory): with n
 * layers of at most k candidates it asks for at most n * k * k changes, in practice a fraction, because
 * a lower bound of each change is told first and only what it leaves open is looked at.
 *
 * <p>A sweep is kept so that a small edit of the graph need not be solved from the start. Swept over the graph and over
 * its reverse, the cheapest way through any candidate is the sum of both less its own cost.
 */
public final class Sweep {
    private final long[][] best;
    private final int[][] back;

    private Sweep(int layers) {
        best = new long[layers][];
        back = new int[layers][];
    }

    /**
     * Through a whole graph.
     *
     * @throws IllegalArgumentException if a layer is empty
     */
    public static Sweep through(LayeredGraph graph) {
        return upTo(graph, graph.layers());
    }

    /** Through its first layers only; {@link #complete} goes on. */
    static Sweep upTo(LayeredGraph graph, int layers) {
        Sweep sweep = new Sweep(graph.layers());
        for (int layer = 0; layer < layers; layer++) {
            sweep.extend(graph, layer);
        }
        return sweep;
    }

    /**
     * Through a graph that differs from this sweep's graph only in some layers and in the changes into and out of them.
     * Layers before the first of these are taken over. After the last, the work ends as soon as all best costs of a
     * layer differ from the earlier ones by the same amount: from there on every choice is as it was.
     *
     * @param graph with as many layers
     * @param firstEdited the first layer that differs
     * @param lastEdited the last one
     */
    Sweep again(LayeredGraph graph, int firstEdited, int lastEdited) {
        if (graph.layers() != best.length) {
            throw new IllegalArgumentException(graph.layers() + " layers instead of " + best.length);
        }
        Sweep sweep = new Sweep(best.length);
        for (int layer = 0; layer < best.length; layer++) {
            if (layer < firstEdited) {
                sweep.takeOver(this, layer, 0);
                continue;
            }
            sweep.extend(graph, layer);
            if (layer > lastEdited && sweep.runsAlong(this, layer)) {
                long difference = sweep.best[layer][0] - best[layer][0];
                for (int later = layer + 1; later < best.length; later++) {
                    sweep.takeOver(this, later, difference);
                }
                return sweep;
            }
        }
        return sweep;
    }

    private void takeOver(Sweep earlier, int layer, long difference) {
        back[layer] = earlier.back[layer];
        best[layer] = earlier.best[layer];
        if (difference != 0) {
            best[layer] = best[layer].clone();
            for (int candidate = 0; candidate < best[layer].length; candidate++) {
                best[layer][candidate] += best[layer][candidate] >= LayeredGraph.IMPOSSIBLE ? 0 : difference;
            }
        }
    }

    private boolean runsAlong(Sweep earlier, int layer) {
        if (best[layer].length != earlier.best[layer].length) {
            return false;
        }
        long difference = best[layer][0] - earlier.best[layer][0];
        for (int candidate = 0; candidate < best[layer].length; candidate++) {
            if (best[layer][candidate] - earlier.best[layer][candidate] != difference) {
                return false;
            }
        }
        return true;
    }

    /** Goes on until all layers are swept. */
    void complete(LayeredGraph graph) {
        for (int layer = 0; layer < best.length; layer++) {
            if (best[layer] == null) {
                extend(graph, layer);
            }
        }
    }

    boolean isComplete() {
        return best.length == 0 || best[best.length - 1] != null;
    }

    private void extend(LayeredGraph graph, int layer) {
        int count = graph.candidates(layer);
        if (count == 0) {
            throw new IllegalArgumentException("layer " + layer + " has no candidates");
        }
        best[layer] = new long[count];
        back[layer] = new int[count];
        if (layer == 0) {
            for (int to = 0; to < count; to++) {
                best[0][to] = graph.cost(0, to);
            }
            return;
        }
        Beginnings beginnings = graph.changes(layer).beginnings(best[layer - 1]);
        for (int to = 0; to < count; to++) {
            boolean possible = beginnings.into(to, LayeredGraph.IMPOSSIBLE);
            best[layer][to] = possible ? beginnings.cheapest() + graph.cost(layer, to) : LayeredGraph.IMPOSSIBLE;
            back[layer][to] = Math.max(0, beginnings.from());
        }
    }

    int layers() {
        return best.length;
    }

    /** What the cheapest way to each candidate of a layer costs, itself included. */
    long[] costs(int layer) {
        return best[layer];
    }

    /** The cheapest candidate of a layer. */
    int cheapest(int layer) {
        int cheapest = 0;
        for (int candidate = 1; candidate < best[layer].length; candidate++) {
            cheapest = best[layer][candidate] < best[layer][cheapest] ? candidate : cheapest;
        }
        return cheapest;
    }

    /** The candidates of the cheapest way to one of a layer, from the first layer on. */
    int[] wayTo(int layer, int candidate) {
        int[] way = new int[layer + 1];
        int at = candidate;
        for (int i = layer; i >= 0; i--) {
            way[i] = at;
            at = back[i][at];
        }
        return way;
    }

    /** The cheapest way through the whole graph. */
    public Way way() {
        int last = best.length - 1;
        int end = cheapest(last);
        return new Way(wayTo(last, end), best[last][end]);
    }
}

package phalanx.arrange.search;

import java.util.Arrays;
import java.util.function.Supplier;

/**
 * The cheapest way through the most promising candidates of each layer: a good answer at once, exact among them. It is
 * swept from both ends to the middle, side by side, and joined there. Completed, both sweeps go to the end: then the
 * cheapest way through any candidate is known, and after an edit only what differs is swept again. For one thread.
 */
final class NarrowPass {
    private final LayeredGraph graph;
    private final Sweep beginnings;
    /** Over the reversed graph: its first layer is the song's last. */
    private final Sweep endings;

    private final Way way;

    /**
     * Of two sweeps that meet in the middle.
     *
     * @param endings over the reversed graph
     */
    NarrowPass(LayeredGraph graph, Sweep beginnings, Sweep endings) {
        this.graph = graph;
        this.beginnings = beginnings;
        this.endings = endings;
        this.way = beginnings.isComplete() ? beginnings.way() : join(graph, beginnings, (graph.layers() + 1) / 2);
    }

    private NarrowPass(LayeredGraph graph, Sweep beginnings, Sweep endings, Way way) {
        this.graph = graph;
        this.beginnings = beginnings;
        this.endings = endings;
        this.way = way;
    }

    /** The same pass over a graph that differs in nothing but who may give the work up. */
    NarrowPass over(LayeredGraph same) {
        return new NarrowPass(same, beginnings, endings, way);
    }

    static NarrowPass through(LayeredGraph graph) {
        int layers = graph.layers();
        int middle = (layers + 1) / 2;
        return both(graph, () -> Sweep.upTo(graph, middle), () -> Sweep.upTo(graph.reversed(), layers - middle));
    }

    /**
     * Through a graph that differs from this pass's graph only in some layers and in the changes into and out of them.
     *
     * @param firstEdited the first layer that differs
     * @param lastEdited the last one
     */
    NarrowPass again(LayeredGraph edited, int firstEdited, int lastEdited) {
        int last = edited.layers() - 1;
        boolean few = lastEdited - firstEdited <= last / 2;
        if (!few || !beginnings.isComplete() || !endings.isComplete()) {
            return through(edited);
        }
        // a change belongs to the layer after it; read from the end that is the one before
        int fromEnd = Math.max(0, last - lastEdited);
        int toEnd = Math.min(last, last - firstEdited + 1);
        return both(
                edited,
                () -> beginnings.again(edited, firstEdited, lastEdited),
                () -> endings.again(edited.reversed(), fromEnd, toEnd));
    }

    private static NarrowPass both(LayeredGraph graph, Supplier<Sweep> forward, Supplier<Sweep> backward) {
        return SideBySide.of(forward, backward, (begun, ended) -> new NarrowPass(graph, begun, ended));
    }

    /**
     * The cheapest way through a graph that differs from this pass's graph in one layer only; once completed.
     *
     * @param at the layer that differs
     */
    Way wayThrough(LayeredGraph edited, int at) {
        return join(edited, beginnings.withLayer(edited, at), at + 1);
    }

    /**
     * Joins what was swept from both ends.
     *
     * @param begun swept as far as the layer before
     * @param middle the first layer of the endings
     */
    private Way join(LayeredGraph graph, Sweep begun, int middle) {
        int layers = graph.layers();
        if (middle == layers) {
            return begun.way();
        }
        Entries entries = new Entries(graph.changes(middle), begun.nodes(middle - 1), graph.repeat());
        Nodes ended = endings.nodes(layers - 1 - middle);
        long cheapest = LayeredGraph.IMPOSSIBLE;
        int from = 0;
        int to = 0;
        for (int candidate = 0; candidate < ended.best.length; candidate++) {
            for (int node = ended.firsts[candidate]; node < ended.firsts[candidate + 1]; node++) {
                long rest = ended.costs[node];
                long cost = entries.into(candidate, ended.label(node), cheapest - rest) + rest;
                if (cost < cheapest) {
                    cheapest = cost;
                    from = entries.node();
                    to = node;
                }
            }
        }
        int[] joined = Arrays.copyOf(begun.wayToNode(middle - 1, from), layers);
        int[] rest = endings.wayToNode(layers - 1 - middle, to);
        for (int i = 0; i < rest.length; i++) {
            joined[layers - 1 - i] = rest[i];
        }
        return new Way(joined, cheapest);
    }

    /** Goes on to both ends. */
    void complete() {
        if (!beginnings.isComplete() || !endings.isComplete()) {
            SideBySide.of(
                    () -> {
                        beginnings.complete(graph);
                        return true;
                    },
                    () -> {
                        endings.complete(graph.reversed());
                        return true;
                    },
                    (a, b) -> a && b);
        }
    }

    Way way() {
        return way;
    }

    /** What the cheapest way to each candidate of a layer costs, itself included; once completed. */
    long[] beginnings(int at) {
        return beginnings.costs(at);
    }

    /** What the cheapest way from each candidate of a layer to the end costs, itself included; once completed. */
    long[] endings(int at) {
        return endings.costs(endings.layers() - 1 - at);
    }

    Nodes beginningNodes(int at) {
        return beginnings.nodes(at);
    }

    Nodes endingNodes(int at) {
        return endings.nodes(endings.layers() - 1 - at);
    }

    /** The cheapest way on from a layer, its candidate included: to the end, or read backwards to the beginning. */
    long cheapestBeyond(int at, boolean forward) {
        return Arrays.stream(forward ? endings(at) : beginnings(at)).min().orElseThrow();
    }
}

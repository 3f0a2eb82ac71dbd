package phalanx.arrange.search;

import java.util.List;
import phalanx.arrange.demand.Labels;

/** The ways into the candidates of a layer, label by label; for one thread. */
final class Entries {
    private final Nodes before;
    private final List<Nodes.Block> blocks;
    private final Beginnings[] beginnings;
    private final long repeat;
    private final long[] costs;
    private final int[] from;

    /**
     * @param changes from the layer before
     * @param before its nodes
     * @param repeat what a repeated stroke costs: no label is worth more
     */
    Entries(LayeredGraph.Changes changes, Nodes before, long repeat) {
        this.before = before;
        this.blocks = before.blocks();
        this.beginnings =
                blocks.stream().map(block -> changes.beginnings(block.costs())).toArray(Beginnings[]::new);
        this.repeat = repeat;
        this.costs = new long[beginnings.length];
        this.from = new int[beginnings.length];
    }

    /**
     * Looks for the ways into a candidate.
     *
     * @param limit only ways below it count
     * @return what the cheapest costs, at least the limit where there is none
     */
    long into(int candidate, long limit) {
        long cheapest = limit;
        for (int block = 0; block < beginnings.length; block++) {
            boolean found = beginnings[block].into(candidate, Math.min(limit, cheapest + repeat));
            costs[block] = found ? beginnings[block].cheapest() : LayeredGraph.IMPOSSIBLE;
            from[block] = beginnings[block].from();
            cheapest = Math.min(cheapest, costs[block]);
        }
        return cheapest;
    }

    int count() {
        return costs.length;
    }

    int label(int entry) {
        return blocks.get(entry).label();
    }

    /** What the way with a label costs. */
    long cost(int entry) {
        return costs[entry];
    }

    /** The node that it comes from. */
    int node(int entry) {
        return before.node(from[entry], label(entry));
    }

    /** The cheapest of the ways that were found, a stroke after it looked at. */
    int cheapestBefore(int label) {
        int cheapest = 0;
        for (int entry = 1; entry < costs.length; entry++) {
            cheapest = before(entry, label) < before(cheapest, label) ? entry : cheapest;
        }
        return cheapest;
    }

    /** What a way costs when a stroke follows it. */
    long before(int entry, int label) {
        return costs[entry] + (Labels.repeats(label(entry), label) ? repeat : 0);
    }
}

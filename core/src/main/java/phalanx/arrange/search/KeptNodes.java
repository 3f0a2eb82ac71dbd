package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.song.Bisection;

/** The nodes of a layer as a sweep keeps them, in a third of the room. */
final class KeptNodes {
    private final PackedRow firsts;
    private final PackedRow labelAt;
    private final PackedRow costs;
    private final PackedRow from;
    private final int[] distinct;

    private KeptNodes(PackedRow firsts, PackedRow labelAt, PackedRow costs, PackedRow from, int[] distinct) {
        this.firsts = firsts;
        this.labelAt = labelAt;
        this.costs = costs;
        this.from = from;
        this.distinct = distinct;
    }

    static KeptNodes of(Nodes nodes) {
        return new KeptNodes(
                PackedRow.of(nodes.firsts),
                PackedRow.of(nodes.labelAt),
                PackedRow.of(nodes.costs),
                PackedRow.of(nodes.from),
                nodes.distinct);
    }

    /** Ready to go on from. */
    Nodes open() {
        return new Nodes(firsts.ints(), distinct, labelAt.ints(), costs.numbers(), from.ints());
    }

    /** How many there are. */
    int count() {
        return costs.count();
    }

    /** Whether a way leads to a node. */
    boolean isReached(int node) {
        return costs.get(node) < LayeredGraph.IMPOSSIBLE;
    }

    /** The node of the layer before that one comes from. */
    int from(int node) {
        return (int) from.get(node);
    }

    /** The candidate that a node is one of. */
    int candidate(int node) {
        return Bisection.last(firsts.count() - 1, candidate -> firsts.get(candidate) <= node);
    }

    /** What the cheapest of all costs. */
    long cheapest() {
        return costs.least();
    }

    /** The same dearer by so much. */
    KeptNodes plus(long difference) {
        return difference == 0 ? this : new KeptNodes(firsts, labelAt, costs.plus(difference), from, distinct);
    }

    /** Whether others have the same labels and cost as much more everywhere. */
    boolean runsAlong(KeptNodes other) {
        return costs.runsAlong(other.costs)
                && labelAt.isSame(other.labelAt)
                && firsts.isSame(other.firsts)
                && Arrays.equals(distinct, other.distinct);
    }
}

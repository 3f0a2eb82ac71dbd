package phalanx.arrange.search;

import java.util.Arrays;

/** A way through a layered graph and its cost. */
public final class Way {
    private final int[] candidates;
    private final long cost;

    /** Takes the array as its own: the candidate of each layer. */
    Way(int[] candidates, long cost) {
        this.candidates = candidates;
        this.cost = cost;
    }

    public int layers() {
        return candidates.length;
    }

    public int candidate(int layer) {
        return candidates[layer];
    }

    /** The sum over the way. */
    public long cost() {
        return cost;
    }

    @Override
    public String toString() {
        return cost + " " + Arrays.toString(candidates);
    }
}

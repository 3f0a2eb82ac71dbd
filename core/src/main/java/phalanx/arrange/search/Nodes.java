package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.arrange.demand.Labels;

/**
 * The best ways to the candidates of a layer: of each candidate one for each label that may be worth having, the cheapest
 * of all among them.
 */
final class Nodes {
    /** Of each candidate its first node; those of a candidate lie together. */
    final int[] firsts;

    final long[] costs;
    /** The node of the layer before that each comes from. */
    final int[] from;

    /** Of each candidate what its cheapest node costs. */
    final long[] best;

    /** The different labels, and which of them each node has. */
    final int[] distinct;

    final short[] labelAt;

    private Nodes(int[] firsts, int[] distinct, short[] labelAt, long[] costs, int[] from, long[] best) {
        this.firsts = firsts;
        this.distinct = distinct;
        this.labelAt = labelAt;
        this.costs = costs;
        this.from = from;
        this.best = best;
    }

    /** How many there are. */
    int count() {
        return costs.length;
    }

    int label(int node) {
        return distinct[labelAt[node]];
    }

    /** The candidate that a node is one of. */
    int candidate(int node) {
        int low = 0;
        int high = firsts.length - 2;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (firsts[middle] <= node) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    /** The node of a candidate that costs least when a stroke follows. */
    int cheapestNode(int candidate, int stroke, long repeat) {
        int cheapest = firsts[candidate];
        for (int node = cheapest + 1; node < firsts[candidate + 1]; node++) {
            cheapest = cost(node, stroke, repeat) < cost(cheapest, stroke, repeat) ? node : cheapest;
        }
        return cheapest;
    }

    int cheapestNode(int candidate) {
        return cheapestNode(candidate, Labels.NONE, 0);
    }

    /** What a node costs when a stroke follows. */
    long cost(int node, int stroke, long repeat) {
        return costs[node] + (Labels.repeats(label(node), stroke) ? repeat : 0);
    }

    /** What the cheapest of all costs. */
    long cheapest() {
        return Arrays.stream(best).min().orElseThrow();
    }

    /** The same dearer by so much. */
    Nodes plus(long difference) {
        return difference == 0
                ? this
                : new Nodes(firsts, distinct, labelAt, more(costs, difference), from, more(best, difference));
    }

    private static long[] more(long[] costs, long difference) {
        return Arrays.stream(costs)
                .map(cost -> cost >= LayeredGraph.IMPOSSIBLE ? cost : cost + difference)
                .toArray();
    }

    /** Whether others have the same labels and cost as much more everywhere. */
    boolean runsAlong(Nodes other) {
        if (!Arrays.equals(labelAt, other.labelAt)
                || !Arrays.equals(distinct, other.distinct)
                || !Arrays.equals(firsts, other.firsts)) {
            return false;
        }
        long difference = cheapest() - other.cheapest();
        for (int node = 0; node < costs.length; node++) {
            boolean dropped = costs[node] >= LayeredGraph.IMPOSSIBLE && other.costs[node] >= LayeredGraph.IMPOSSIBLE;
            if (!dropped && costs[node] - other.costs[node] != difference) {
                return false;
            }
        }
        return true;
    }

    /** Collects the nodes of one candidate after another. */
    static final class Collector {
        private final int[] firsts;
        private final long[] best;
        private int candidate = -1;
        private int count;
        private int[] distinct = new int[8];
        private int different;
        private short[] labelAt;
        private long[] costs;
        private int[] from;

        Collector(int candidateCount) {
            firsts = new int[candidateCount + 1];
            best = new long[candidateCount];
            labelAt = new short[candidateCount];
            costs = new long[candidateCount];
            from = new int[candidateCount];
        }

        void next() {
            firsts[++candidate] = count;
            best[candidate] = LayeredGraph.IMPOSSIBLE;
        }

        void add(int label, long cost, int fromNode) {
            if (count == labelAt.length) {
                int size = count + count / 2 + 1;
                labelAt = Arrays.copyOf(labelAt, size);
                costs = Arrays.copyOf(costs, size);
                from = Arrays.copyOf(from, size);
            }
            labelAt[count] = (short) at(label);
            costs[count] = cost;
            from[count++] = fromNode;
            best[candidate] = Math.min(best[candidate], cost);
        }

        /** Labels are places of one string: there are few. */
        private int at(int label) {
            int at = 0;
            while (at < different && distinct[at] != label) {
                at++;
            }
            if (at == different) {
                distinct = different == distinct.length ? Arrays.copyOf(distinct, 2 * different) : distinct;
                distinct[different++] = label;
            }
            return at;
        }

        Nodes done() {
            firsts[candidate + 1] = count;
            return new Nodes(
                    firsts,
                    Arrays.copyOf(distinct, different),
                    Arrays.copyOf(labelAt, count),
                    Arrays.copyOf(costs, count),
                    Arrays.copyOf(from, count),
                    best);
        }
    }
}

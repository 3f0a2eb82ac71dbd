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

    final int[] candidates;
    final int[] labels;
    final long[] costs;
    /** The node of the layer before that each comes from. */
    final int[] from;

    /** Of each candidate what its cheapest node costs. */
    final long[] best;

    /** The different labels, and which of them each node has. */
    final int[] distinct;

    final int[] labelAt;

    private Nodes(int[] firsts, int[] candidates, int[] labels, long[] costs, int[] from, long[] best) {
        this.firsts = firsts;
        this.candidates = candidates;
        this.labels = labels;
        this.costs = costs;
        this.from = from;
        this.best = best;
        this.labelAt = new int[labels.length];
        int[] seen = new int[8];
        int count = 0;
        for (int node = 0; node < labels.length; node++) {
            int at = 0;
            while (at < count && seen[at] != labels[node]) {
                at++;
            }
            if (at == count) {
                seen = count == seen.length ? Arrays.copyOf(seen, 2 * count) : seen;
                seen[count++] = labels[node];
            }
            labelAt[node] = at;
        }
        this.distinct = Arrays.copyOf(seen, count);
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
        return costs[node] + (Labels.repeats(labels[node], stroke) ? repeat : 0);
    }

    /** The same dearer by so much. */
    Nodes plus(long difference) {
        return difference == 0
                ? this
                : new Nodes(firsts, candidates, labels, more(costs, difference), from, more(best, difference));
    }

    private static long[] more(long[] costs, long difference) {
        return Arrays.stream(costs)
                .map(cost -> cost >= LayeredGraph.IMPOSSIBLE ? cost : cost + difference)
                .toArray();
    }

    /** Whether others have the same labels and cost as much more everywhere. */
    boolean runsAlong(Nodes other) {
        if (!Arrays.equals(labels, other.labels) || !Arrays.equals(firsts, other.firsts)) {
            return false;
        }
        long difference = costs[0] - other.costs[0];
        for (int node = 0; node < costs.length; node++) {
            if (costs[node] - other.costs[node] != difference) {
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
        private int[] candidates;
        private int[] labels;
        private long[] costs;
        private int[] from;

        Collector(int candidateCount) {
            firsts = new int[candidateCount + 1];
            best = new long[candidateCount];
            candidates = new int[candidateCount];
            labels = new int[candidateCount];
            costs = new long[candidateCount];
            from = new int[candidateCount];
        }

        void next() {
            firsts[++candidate] = count;
            best[candidate] = LayeredGraph.IMPOSSIBLE;
        }

        void add(int label, long cost, int fromNode) {
            if (count == labels.length) {
                int size = count + count / 2 + 1;
                candidates = Arrays.copyOf(candidates, size);
                labels = Arrays.copyOf(labels, size);
                costs = Arrays.copyOf(costs, size);
                from = Arrays.copyOf(from, size);
            }
            candidates[count] = candidate;
            labels[count] = label;
            costs[count] = cost;
            from[count++] = fromNode;
            best[candidate] = Math.min(best[candidate], cost);
        }

        Nodes done() {
            firsts[candidate + 1] = count;
            return new Nodes(
                    firsts,
                    Arrays.copyOf(candidates, count),
                    Arrays.copyOf(labels, count),
                    Arrays.copyOf(costs, count),
                    Arrays.copyOf(from, count),
                    best);
        }
    }
}

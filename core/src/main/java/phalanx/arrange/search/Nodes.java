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

    final int[] labelAt;

    /** Takes the arrays as its own. */
    Nodes(int[] firsts, int[] distinct, int[] labelAt, long[] costs, int[] from) {
        this.firsts = firsts;
        this.distinct = distinct;
        this.labelAt = labelAt;
        this.costs = costs;
        this.from = from;
        this.best = new long[firsts.length - 1];
        for (int candidate = 0; candidate < best.length; candidate++) {
            long cheapest = LayeredGraph.IMPOSSIBLE;
            for (int node = firsts[candidate]; node < firsts[candidate + 1]; node++) {
                cheapest = Math.min(cheapest, costs[node]);
            }
            best[candidate] = cheapest;
        }
    }

    int label(int node) {
        return distinct[labelAt[node]];
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

    /** Collects the nodes of one candidate after another. */
    static final class Collector {
        private final int[] firsts;
        private int candidate = -1;
        private int count;
        private int[] distinct = new int[8];
        private int different;
        private int[] labelAt;
        private long[] costs;
        private int[] from;

        Collector(int candidateCount) {
            firsts = new int[candidateCount + 1];
            labelAt = new int[candidateCount];
            costs = new long[candidateCount];
            from = new int[candidateCount];
        }

        void next() {
            firsts[++candidate] = count;
        }

        void add(int label, long cost, int fromNode) {
            if (count == labelAt.length) {
                int size = count + count / 2 + 1;
                labelAt = Arrays.copyOf(labelAt, size);
                costs = Arrays.copyOf(costs, size);
                from = Arrays.copyOf(from, size);
            }
            labelAt[count] = at(label);
            costs[count] = cost;
            from[count++] = fromNode;
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
                    Arrays.copyOf(from, count));
        }
    }
}

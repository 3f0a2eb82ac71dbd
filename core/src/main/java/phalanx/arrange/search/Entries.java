package phalanx.arrange.search;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import phalanx.arrange.demand.Labels;

/**
 * The ways into the candidates of a layer, with the labels that they bring: the cheapest before a given stroke, or where
 * none falls the cheapest with each label. For one thread.
 */
final class Entries implements Beginnings.Offers {
    private static final int NOWHERE = -1;

    private final Nodes before;
    private final Beginnings beginnings;
    private final long repeat;
    private final Map<Integer, long[]> extras = new HashMap<>();

    // of each label the cheapest way into the candidate that was looked at last
    private final int[] labels;
    private final long[] costs;
    private final int[] from;
    private long least;

    private int node;

    /**
     * @param changes from the layer before
     * @param before its nodes
     * @param repeat what a repeated stroke costs: no label is worth more
     */
    Entries(LayeredGraph.Changes changes, Nodes before, long repeat) {
        this.before = before;
        this.beginnings = changes.beginnings(before.best);
        this.repeat = repeat;
        this.labels = before.distinct;
        this.costs = new long[labels.length];
        this.from = new int[labels.length];
    }

    /**
     * Looks for the cheapest way into a candidate.
     *
     * @param stroke the first inner stroke there, or {@link Labels#NONE}
     * @param limit only ways below it count
     * @return what it costs, a repeated stroke included; the limit where there is none
     */
    long into(int candidate, int stroke, long limit) {
        if (!beginnings.into(candidate, extra(stroke), limit)) {
            return limit;
        }
        node = before.cheapestNode(beginnings.from(), stroke, repeat);
        return beginnings.cheapest();
    }

    /** The node that the way found last comes from. */
    int node() {
        return node;
    }

    /** What candidates of the layer before cost more when a stroke follows. */
    private long[] extra(int stroke) {
        return stroke == Labels.NONE ? Beginnings.NOTHING : extras.computeIfAbsent(stroke, this::more);
    }

    private long[] more(int stroke) {
        if (Arrays.stream(labels).noneMatch(label -> Labels.repeats(label, stroke))) {
            return Beginnings.NOTHING;
        }
        long[] more = new long[before.best.length];
        for (int candidate = 0; candidate < more.length; candidate++) {
            int cheapest = before.cheapestNode(candidate, stroke, repeat);
            more[candidate] = before.cost(cheapest, stroke, repeat) - before.best[candidate];
        }
        return more;
    }

    /**
     * Looks for the cheapest way with each label into a candidate; those that are a repeated stroke dearer than the
     * cheapest are left out.
     *
     * @param limit only ways below it count
     * @return what the cheapest costs; the limit where there is none
     */
    long intoEach(int candidate, long limit) {
        Arrays.fill(costs, limit);
        Arrays.fill(from, NOWHERE);
        least = limit;
        beginnings.all(candidate, this, limit);
        return least;
    }

    @Override
    public boolean wants(int candidate, long change) {
        for (int at = before.firsts[candidate]; at < before.firsts[candidate + 1]; at++) {
            long cost = before.costs[at] + change;
            if (cost < costs[before.labelAt[at]] && cost < least + repeat) {
                return true;
            }
        }
        return false;
    }

    @Override
    public long take(int candidate, long change) {
        for (int at = before.firsts[candidate]; at < before.firsts[candidate + 1]; at++) {
            int label = before.labelAt[at];
            long cost = before.costs[at] + change;
            if (cost < costs[label]) {
                costs[label] = cost;
                from[label] = at;
                least = Math.min(least, cost);
            }
        }
        long dearest = 0;
        for (long cost : costs) {
            dearest = Math.max(dearest, cost);
        }
        return Math.min(dearest, least + repeat);
    }

    int count() {
        return costs.length;
    }

    int label(int entry) {
        return labels[entry];
    }

    /** What the way with a label costs. */
    long cost(int entry) {
        return costs[entry];
    }

    /** The node that it comes from. */
    int node(int entry) {
        return from[entry];
    }

    /** Whether the way with a label is worth having: none is a repeated stroke cheaper. */
    boolean counts(int entry) {
        return from[entry] != NOWHERE && (costs[entry] == least || costs[entry] < least + repeat);
    }

    /** What the cheapest of the ways with labels costs when a stroke follows it. */
    long cheapestBefore(int stroke) {
        long cheapest = LayeredGraph.IMPOSSIBLE;
        for (int entry = 0; entry < costs.length; entry++) {
            cheapest = Math.min(cheapest, costs[entry] + (Labels.repeats(labels[entry], stroke) ? repeat : 0));
        }
        return cheapest;
    }
}

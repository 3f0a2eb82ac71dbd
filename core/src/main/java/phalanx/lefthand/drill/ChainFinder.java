package phalanx.lefthand.drill;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.cost.Effort;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Change;

/**
 * Chooses how a chain of shapes is held. The cost of a chain is what it takes to hold each shape for a bar, what the
 * order of printed shapes has against it, and what the changes cost from beat to beat at the tempo; among all choices of
 * a way for each shape the cheapest is found exactly, by dynamic programming from shape to shape. The best order of up to
 * {@value #MOST_REORDERED} shapes is exact too, over all sets of shapes played so far (Held and Karp 1962).
 *
 * <p>For example {@code x02220 x02020}: the easiest fingers of the first alone leave none on its string for the second;
 * the next best leave one, and cost less together. {@link Reason} puts that into words.
 */
public final class ChainFinder {
    /** The order of longer chains is left as it is. */
    public static final int MOST_REORDERED = 8;

    /** Another order is worth saying from this share of the cost on. */
    private static final double WORTH_SAYING = 0.1;

    private static final long NONE = Long.MAX_VALUE / 4;

    private final Instrument instrument;
    private final Hand hand;
    private final double tempo;

    /** @param tempo quarter notes a minute, four for each shape */
    public ChainFinder(Instrument instrument, Hand hand, double tempo) {
        this.instrument = instrument;
        this.hand = hand;
        this.tempo = tempo;
    }

    /** The cheapest way through shapes in their order. */
    public Chain find(List<Wanted> wanted) {
        Costs costs = new Costs(wanted);
        long[][] best = new long[wanted.size()][];
        int[][] from = new int[wanted.size()][];
        for (int i = 0; i < wanted.size(); i++) {
            int ways = wanted.get(i).ways().size();
            best[i] = new long[ways];
            from[i] = new int[ways];
            for (int way = 0; way < ways; way++) {
                best[i][way] = costs.hold(i, way);
                if (i > 0) {
                    int cheapest = costs.cheapest(best[i - 1], i - 1, i, way);
                    from[i][way] = cheapest;
                    best[i][way] += best[i - 1][cheapest] + costs.change(i - 1, cheapest, i, way);
                }
            }
        }
        int[] chosen = new int[wanted.size()];
        int last = wanted.size() - 1;
        chosen[last] = smallest(best[last]);
        for (int i = last; i > 0; i--) {
            chosen[i - 1] = from[i][chosen[i]];
        }
        return chain(wanted, chosen);
    }

    /**
     * The same shapes in an order that is played with clearly less effort.
     *
     * @return nothing where none is, or where there are fewer than three shapes or more than {@value #MOST_REORDERED}
     */
    public Optional<Chain> betterOrder(List<Wanted> wanted) {
        if (wanted.size() < 3 || wanted.size() > MOST_REORDERED) {
            return Optional.empty();
        }
        List<Wanted> ordered =
                Arrays.stream(order(wanted)).mapToObj(wanted::get).toList();
        Chain better = find(ordered);
        double now = find(wanted).effort().total();
        return better.effort().total() < now * (1 - WORTH_SAYING) ? Optional.of(better) : Optional.empty();
    }

    private int[] order(List<Wanted> wanted) {
        Costs costs = new Costs(wanted);
        int count = wanted.size();
        int sets = 1 << count;
        // by the set played so far, the last of it and its way
        long[][][] best = new long[sets][count][];
        int[][][] from = new int[sets][count][];
        for (int set = 1; set < sets; set++) {
            for (int last = 0; last < count; last++) {
                if ((set >> last & 1) != 0) {
                    int ways = wanted.get(last).ways().size();
                    best[set][last] = new long[ways];
                    from[set][last] = new int[ways];
                    for (int way = 0; way < ways; way++) {
                        long cheapest = set == 1 << last ? 0 : NONE;
                        for (int before = 0; before < count; before++) {
                            int rest = set & ~(1 << last);
                            if ((rest >> before & 1) != 0) {
                                int at = costs.cheapest(best[rest][before], before, last, way);
                                long cost = best[rest][before][at] + costs.change(before, at, last, way);
                                if (cost < cheapest) {
                                    cheapest = cost;
                                    from[set][last][way] = before << Integer.SIZE / 2 | at;
                                }
                            }
                        }
                        best[set][last][way] = cheapest + costs.hold(last, way);
                    }
                }
            }
        }
        int all = sets - 1;
        int last = IntStream.range(0, count)
                .boxed()
                .min((a, b) -> Long.compare(best[all][a][smallest(best[all][a])], best[all][b][smallest(best[all][b])]))
                .orElseThrow();
        int way = smallest(best[all][last]);
        int[] order = new int[count];
        int set = all;
        for (int i = count - 1; i >= 0; i--) {
            order[i] = last;
            int before = from[set][last][way];
            set &= ~(1 << last);
            last = before >> Integer.SIZE / 2;
            way = before & 0xFFFF;
        }
        return order;
    }

    private static int smallest(long[] costs) {
        int at = 0;
        for (int i = 1; i < costs.length; i++) {
            at = costs[i] < costs[at] ? i : at;
        }
        return at;
    }

    /** What each way costs, and each change between two ways; in grains. */
    private final class Costs {
        private final List<Wanted> wanted;
        private final long[][][][] changes;

        Costs(List<Wanted> wanted) {
            this.wanted = wanted;
            this.changes = new long[wanted.size()][wanted.size()][][];
        }

        long hold(int shape, int way) {
            Wanted one = wanted.get(shape);
            return Chain.BEATS
                    * (one.ways().get(way).effort().grains()
                            + (long) one.besides().get(way) * Effort.STEPS);
        }

        long change(int before, int from, int after, int to) {
            if (changes[before][after] == null) {
                changes[before][after] = changes(wanted.get(before), wanted.get(after));
            }
            return changes[before][after][from][to];
        }

        private long[][] changes(Wanted before, Wanted after) {
            long[][] costs = new long[before.ways().size()][after.ways().size()];
            for (int from = 0; from < costs.length; from++) {
                for (int to = 0; to < costs[from].length; to++) {
                    costs[from][to] = ChainFinder.this
                            .change(before, from, after, to)
                            .effort()
                            .grains();
                }
            }
            return costs;
        }

        /** The way of one shape from which a way of the next is reached at the least cost. */
        int cheapest(long[] best, int before, int after, int to) {
            int at = 0;
            for (int from = 1; from < best.length; from++) {
                if (best[from] + change(before, from, after, to) < best[at] + change(before, at, after, to)) {
                    at = from;
                }
            }
            return at;
        }
    }

    private Change change(Wanted before, int from, Wanted after, int to) {
        return Change.onTheBeat(
                before.ways().get(from).fingering(), after.ways().get(to).fingering(), instrument, hand, tempo);
    }

    private Chain chain(List<Wanted> wanted, int[] chosen) {
        Reason reason = new Reason(instrument, hand, tempo);
        List<Chain.Link> links = new ArrayList<>();
        for (int i = 0; i < chosen.length; i++) {
            Wanted own = wanted.get(i);
            Optional<Change> into =
                    i == 0 ? Optional.empty() : Optional.of(change(wanted.get(i - 1), chosen[i - 1], own, chosen[i]));
            String why = reason.why(
                    own,
                    own.ways().get(chosen[i]),
                    i == 0
                            ? Optional.empty()
                            : Optional.of(wanted.get(i - 1).ways().get(chosen[i - 1])),
                    i + 1 == chosen.length
                            ? Optional.empty()
                            : Optional.of(wanted.get(i + 1).ways().get(chosen[i + 1])));
            links.add(new Chain.Link(own, own.ways().get(chosen[i]), into, why));
        }
        return new Chain(links);
    }
}

package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.cost.Effort;

/**
 * The cheapest way through all candidates of a song, given a good way through some of them: by pricing.
 *
 * <p>Round by round it goes from both ends to the middle. In each slot every candidate is priced: the cheapest of the
 * beginnings through candidates that were left in the slots before, plus what comes from there at least (the shift, and
 * each finger's cheapest move from any press at a position), its own cost, and the same towards the endings that the last
 * round knows. Those that may lie on a way some slack dearer than the best known are left, as many as time allows; the
 * next sweep is exact among them and gives better beginnings and endings. Short songs have rounds until one finds nothing
 * better, long ones have a single round. A few slots are swept with all their candidates at once.
 *
 * <p>What is exact: the way through a few slots; else the way is the cheapest through the candidates of the last round,
 * the way of the last round among them. What is only measured: that no way through what was priced too dear is cheaper (the
 * tests compare with a sweep over all candidates; docs/performance.md).
 */
final class FullPass {
    /** What a way may cost more than the best known one and still be looked at, in effort. */
    private static final double SLACK = 1.5;
    /** The same in short songs. */
    private static final double SLACK_IF_SHORT = 2.5;
    /** So many candidates of all slots together take part in a round, shared out evenly. */
    private static final int MOST = 70_000;
    /** The same in short songs. */
    private static final int MOST_IF_SHORT = 120_000;
    /** But at least so many of a slot. */
    private static final int FEWEST_OF_A_SLOT = 120;

    /** Songs of more slots are long. */
    private static final int SHORT = 150;
    /** So many slots are swept with all their candidates at once. */
    private static final int FEW = 12;

    private static final int MOST_ROUNDS = 3;

    private final SongGraph whole;
    private final int most;

    private Solver.Answer best;
    private NarrowPass pass;
    private SongGraph graph;

    /**
     * @param whole the slots with all candidates
     * @param first a good answer
     * @param pass the complete pass that it comes from
     */
    FullPass(SongGraph whole, Solver.Answer first, NarrowPass pass) {
        this.whole = whole;
        this.best = first;
        this.graph = first.graph();
        this.pass = pass;
        this.most = Math.max(FEWEST_OF_A_SLOT, (isShort() ? MOST_IF_SHORT : MOST) / whole.layers());
    }

    Solver.Answer answer() {
        if (whole.layers() <= FEW) {
            return new Solver.Answer(whole, NarrowPass.through(whole).way());
        }
        int rounds = isShort() ? MOST_ROUNDS : 1;
        for (int round = 0; round < rounds; round++) {
            long limit = best.way().cost() + Math.round(slack() * Effort.GRAINS);
            int middle = (whole.layers() + 1) / 2;
            Layer[] some = SideBySide.of(
                    () -> new Half(true, limit).run(0, middle),
                    () -> new Half(false, limit).run(whole.layers() - 1, middle - 1),
                    FullPass::both);
            SongGraph next = whole.with(some);
            NarrowPass swept = NarrowPass.through(next);
            boolean better = swept.way().cost() < best.way().cost();
            if (better) {
                best = new Solver.Answer(next, swept.way());
            }
            if (!better && round > 0 || round + 1 == rounds) {
                return best;
            }
            graph = next;
            pass = swept;
            pass.complete();
        }
        return best;
    }

    private static Layer[] both(Layer[] first, Layer[] second) {
        Layer[] all = first.clone();
        for (int at = 0; at < all.length; at++) {
            all[at] = all[at] == null ? second[at] : all[at];
        }
        return all;
    }

    private double slack() {
        return isShort() ? SLACK_IF_SHORT : SLACK;
    }

    /** From one end to the middle: beginnings from what is left of the layer before, endings as the pass knows them. */
    private final class Half {
        private final boolean forward;
        private final long limit;

        Half(boolean forward, long limit) {
            this.forward = forward;
            this.limit = limit;
        }

        Layer[] run(int from, int to) {
            Layer[] some = new Layer[whole.layers()];
            int step = forward ? 1 : -1;
            long[] costs = null;
            Layer before = null;
            for (int at = from; at != to; at += step) {
                whole.checkCancelled();
                Layer layer = whole.layer(at);
                GroupedBeginnings begun = before == null ? null : changes(at, before, layer, forward, costs);
                int beyond = at + step;
                boolean last = beyond < 0 || beyond == whole.layers();
                GroupedBeginnings ended = last
                        ? null
                        : changes(
                                at,
                                graph.layer(beyond),
                                layer,
                                !forward,
                                forward ? pass.endings(beyond) : pass.beginnings(beyond));
                some[at] = priced(at, layer, begun, ended);
                costs = costs(at, some[at], before, costs);
                before = some[at];
            }
            return some;
        }

        /** What the best ways to what is left of a layer cost, from what is left of the layer before. */
        private long[] costs(int at, Layer layer, Layer before, long[] known) {
            long[] costs = new long[layer.count()];
            GroupedBeginnings begun = before == null ? null : changes(at, before, layer, forward, known);
            for (int candidate = 0; candidate < costs.length; candidate++) {
                long own = whole.cost(at, layer, candidate);
                if (begun == null) {
                    costs[candidate] = own;
                } else {
                    costs[candidate] = begun.into(candidate, LayeredGraph.IMPOSSIBLE)
                            ? begun.cheapest() + own
                            : LayeredGraph.IMPOSSIBLE;
                }
            }
            return costs;
        }

        /** The ways from a known layer into one at a place. */
        private GroupedBeginnings changes(int at, Layer known, Layer layer, boolean fromBefore, long[] costs) {
            return fromBefore
                    ? new GroupedBeginnings(whole.table(at, known, layer), true, costs)
                    : new GroupedBeginnings(whole.table(at + 1, layer, known), false, costs);
        }

        private Layer priced(int at, Layer layer, GroupedBeginnings begun, GroupedBeginnings ended) {
            long[] keys = new long[layer.count()];
            int count = 0;
            long cheapestEnd = ended == null ? 0 : ended.first();
            for (int candidate = 0; candidate < layer.count(); candidate++) {
                long own = whole.cost(at, candidate);
                long room = limit - own - cheapestEnd;
                long into = begun == null ? 0 : begun.least(candidate, room + 1);
                if (into <= room) {
                    long rest = limit - own - into;
                    long out = ended == null ? 0 : ended.least(candidate, rest + 1);
                    if (out <= rest) {
                        keys[count++] = (rest - out) << Short.SIZE | candidate;
                    }
                }
            }
            Arrays.sort(keys, 0, count);
            int[] chosen = candidates(keys, Math.max(0, count - most), count);
            Arrays.sort(chosen);
            return withBest(at, layer, chosen);
        }
    }

    private boolean isShort() {
        return whole.layers() <= SHORT;
    }

    /** The candidates of keys, whose upper bits say how much room is left for them. */
    private static int[] candidates(long[] keys, int from, int to) {
        return Arrays.stream(keys, from, to)
                .mapToInt(key -> (int) key & (1 << Short.SIZE) - 1)
                .toArray();
    }

    /** The chosen candidates and the one of the best way, so that no round is worse than the one before. */
    private Layer withBest(int at, Layer layer, int[] chosen) {
        Layer of = best.graph().layer(at);
        int candidate = best.way().candidate(at);
        if (chosen.length == 0) {
            return of.only(candidate);
        }
        Layer some = layer.only(chosen);
        return some.indexOf(of, candidate) < 0 ? some.with(of, candidate) : some;
    }
}

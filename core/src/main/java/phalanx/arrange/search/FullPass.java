package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.cost.Effort;
import phalanx.guitar.Tuning;

/**
 * The cheapest way through all candidates of a song, given a good way through some of them: by pricing.
 *
 * <p>It goes from both ends to the middle. In each slot every candidate is priced: the cheapest of the beginnings through
 * candidates that were left in the slots before, plus what comes from there at least (the shift, and each finger's
 * cheapest move from any press at a position), its own cost, and what the rest of the way will cost about. That is told
 * from the other side, through all candidates, by the same least changes; since these add up to less than any way, the
 * whole slot is raised to what the quick pass knows of its cheapest. Candidates that may lie on a way some slack dearer
 * than the best known are left, as many as time allows, and swept as it goes; where both ends meet they are joined. A few
 * slots are swept with all their candidates at once.
 *
 * <p>What is exact: the way through a few slots; else the way is the cheapest through the candidates that were left, the
 * quick way among them. What is only measured: that no way through what was priced too dear is cheaper (the tests compare
 * with a sweep over all candidates; docs/performance.md).
 */
final class FullPass {
    /** What a way may cost more than the best known one and still be looked at, in effort. */
    private static final double SLACK = 0.75;
    /** So many candidates of all slots together take part, shared out evenly. */
    private static final int MOST = 100_000;
    /** But at least so many of a slot. */
    private static final int FEWEST_OF_A_SLOT = 120;

    /** So many slots are swept with all their candidates at once. */
    private static final int FEW = 12;

    /** Candidates from which the way on is this much dearer than from the cheapest are left out, in effort. */
    private static final double FURTHEST = 20;
    /** No slot is raised by more: one that is hard for the quick pass need not be hard. */
    private static final long MOST_RAISED = Effort.GRAINS;
    /** So many slots beyond those that are wanted the looking back begins. */
    private static final int BEYOND = 4;
    /** So many slots are looked back through at once, so that long songs do not take more room. */
    private static final int AT_ONCE = 64;

    private final SongGraph slots;
    private final LayerFinder finder;
    private final int most;

    private final Solver.Answer best;
    private final NarrowPass pass;

    /**
     * @param slots of the song
     * @param finder of all their candidates
     * @param first a good answer
     * @param pass the complete pass that it comes from
     */
    FullPass(SongGraph slots, LayerFinder finder, Solver.Answer first, NarrowPass pass) {
        this.slots = slots;
        this.finder = finder;
        this.best = first;
        this.pass = pass;
        this.most = Math.max(FEWEST_OF_A_SLOT, MOST / slots.layers());
    }

    Solver.Answer answer() {
        finder.forget();
        if (slots.layers() <= FEW) {
            SongGraph whole = slots.with(all(0, slots.layers()));
            return new Solver.Answer(whole, NarrowPass.through(whole.wide()).way());
        }
        long limit = best.way().cost() + Math.round(SLACK * Effort.GRAINS);
        int middle = (slots.layers() + 1) / 2;
        SongGraph some = slots.growing();
        NarrowPass swept = SideBySide.of(
                () -> new Half(true, limit, some).run(middle),
                () -> new Half(false, limit, some).run(slots.layers() - middle),
                (begun, ended) -> new NarrowPass(some, begun, ended));
        return swept.way().cost() < best.way().cost() ? new Solver.Answer(some, swept.way()) : best;
    }

    /** All candidates of some slots. */
    private Layer[] all(int from, int to) {
        return finder.all(slots.slots().subList(from, to), slots::checkCancelled);
    }

    /** From one end to the middle: beginnings from what is left of the layer before, the rest as told by looking back. */
    private final class Half {
        private final boolean forward;
        private final long limit;
        private final SongGraph next;
        private final LayeredGraph read;
        private final Sweep sweep;
        /** All candidates of the slots that are looked back through; a long song has no room for those of all. */
        private final Layer[] layers;
        /** Of each slot what the way on from each candidate costs about, itself included. */
        private final long[][] rest;
        /** By how much each slot was raised. */
        private final long[] raised;
        /** Of each candidate that is left in the slot that was priced last: only ways into it below this count. */
        private long[] limits;

        /** @param next takes the layers as they are found */
        Half(boolean forward, long limit, SongGraph next) {
            this.forward = forward;
            this.limit = limit;
            this.next = next;
            this.read = forward ? next : next.reversed();
            this.sweep = Sweep.upTo(read, 0);
            this.layers = new Layer[slots.layers()];
            this.rest = new long[slots.layers()][];
            this.raised = new long[slots.layers()];
        }

        /** Tells what the rest of the ways costs, for some steps from a little beyond them back to the first. */
        private void lookBack(int from, int to) {
            int count = slots.layers();
            int start = Math.min(count - 1, to + BEYOND);
            int first = Math.min(at(from), at(start));
            Layer[] found = all(first, first + start - from + 1);
            System.arraycopy(found, 0, layers, first, found.length);
            for (int step = start; step >= from; step--) {
                slots.checkCancelled();
                int at = at(step);
                int beyond = at(step + 1);
                if (step == count - 1) {
                    rest[at] = rest(at, null, null);
                } else if (step == start) {
                    rest[at] = rest(at, best.graph().layer(beyond), pass(beyond));
                } else {
                    rest[at] = rest(at, layers[beyond], rest[beyond]);
                }
            }
        }

        /** The slot of a step. */
        private int at(int step) {
            return forward ? step : slots.layers() - 1 - step;
        }

        private long[] rest(int at, Layer beyond, long[] known) {
            Layer layer = layers[at];
            GroupedBeginnings ended = beyond == null ? null : changes(at, beyond, layer, !forward, known);
            long furthest = ended == null ? 0 : ended.first() + Math.round(FURTHEST * Effort.GRAINS);
            long[] costs = new long[layer.count()];
            long[] cheapestOf = new long[Tuning.MOST_STRINGS + 1];
            Arrays.fill(cheapestOf, LayeredGraph.IMPOSSIBLE);
            for (int candidate = 0; candidate < costs.length; candidate++) {
                long out = ended == null ? 0 : ended.least(candidate, furthest);
                costs[candidate] = slots.cost(at, layer, candidate) + out;
                int kind = layer.tunes[candidate];
                cheapestOf[kind] = Math.min(cheapestOf[kind], costs[candidate]);
            }
            long cheapest = Arrays.stream(cheapestOf).min().orElseThrow();
            long told = Arrays.stream(pass(at)).min().orElseThrow();
            raised[at] = Math.max(0, Math.min(MOST_RAISED, told - cheapest));
            for (int candidate = 0; candidate < costs.length; candidate++) {
                long near = cheapestOf[layer.tunes[candidate]];
                boolean far = costs[candidate] - near > Math.round(FURTHEST * Effort.GRAINS);
                costs[candidate] = far ? LayeredGraph.IMPOSSIBLE : costs[candidate] + raised[at];
            }
            return costs;
        }

        /** What the quick pass knows of the way on from a slot. */
        private long[] pass(int at) {
            return forward ? pass.endings(at) : pass.beginnings(at);
        }

        /** Finds so many layers and sweeps through them as it goes. */
        Sweep run(int steps) {
            for (int step = 0; step < steps; step++) {
                slots.checkCancelled();
                if (step % AT_ONCE == 0) {
                    lookBack(step, Math.min(step + AT_ONCE, steps));
                }
                int at = at(step);
                int before = at(step - 1);
                Layer layer = layers[at];
                GroupedBeginnings begun =
                        step == 0 ? null : changes(at, next.layer(before), layer, forward, sweep.costs(step - 1));
                next.grow(at, priced(at, layer, begun));
                rest[at] = null;
                layers[at] = null;
                sweep.extend(read, step, limits);
                if (step % AT_ONCE == AT_ONCE - 1) {
                    sweep.settle(step, this::keep);
                }
            }
            return sweep;
        }

        /** Keeps no more of a settled slot than the chosen candidate. */
        private int keep(int step, int candidate) {
            int at = at(step);
            next.grow(at, next.layer(at).only(candidate));
            return 0;
        }

        /** The ways from a known layer into one at a place. */
        private GroupedBeginnings changes(int at, Layer known, Layer layer, boolean fromBefore, long[] costs) {
            return fromBefore
                    ? new GroupedBeginnings(slots.table(at, known, layer), true, costs)
                    : new GroupedBeginnings(slots.table(at + 1, layer, known), false, costs);
        }

        /**
         * What ways into a candidate may cost. The slot's own raise is left out: its cheapest may be cheaper than the quick
         * pass knows.
         */
        private long room(int at, int candidate) {
            return limit - (rest[at][candidate] - raised[at]);
        }

        private Layer priced(int at, Layer layer, GroupedBeginnings begun) {
            long[] keys = new long[layer.count()];
            int count = 0;
            for (int candidate = 0; candidate < layer.count(); candidate++) {
                long room = room(at, candidate);
                long into = begun == null || room < 0 ? 0 : begun.least(candidate, room + 1);
                if (into <= room) {
                    keys[count++] = (room - into) << Short.SIZE | candidate;
                }
            }
            Arrays.sort(keys, 0, count);
            int[] chosen = candidates(keys, Math.max(0, count - most), count);
            Arrays.sort(chosen);
            Layer some = withBest(at, layer, chosen);
            limits = new long[some.count()];
            Arrays.fill(limits, LayeredGraph.IMPOSSIBLE);
            for (int i = 0; i < chosen.length; i++) {
                limits[i] = room(at, chosen[i]) + 1;
            }
            // the best known way is kept whatever was told of the rest
            limits[some.indexOf(best.graph().layer(at), best.way().candidate(at))] = LayeredGraph.IMPOSSIBLE;
            return some;
        }
    }

    /** The candidates of keys, whose upper bits say how much room is left for them. */
    private static int[] candidates(long[] keys, int from, int to) {
        return Arrays.stream(keys, from, to)
                .mapToInt(key -> (int) key & (1 << Short.SIZE) - 1)
                .toArray();
    }

    /** The chosen candidates and the one of the best way, so that it is never worse. */
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

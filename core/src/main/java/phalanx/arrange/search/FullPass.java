package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.cost.Effort;

/**
 * The cheapest way through all candidates of a song, given a good way through some of them: by pricing.
 *
 * <p>It goes from both ends to the middle. In each slot every candidate is priced: the cheapest of the beginnings through
 * candidates that were left in the slots before, plus what comes from there at least (the shift, and each finger's
 * cheapest move from any press at a position), its own cost, and the same towards the endings that the quick pass knows.
 * Those that may lie on a way some slack dearer than the best known are left, as many as time allows, and swept as it
 * goes; where both ends meet they are joined. A few slots are swept with all their candidates at once.
 *
 * <p>What is exact: the way through a few slots; else the way is the cheapest through the candidates that were left, the
 * quick way among them. What is only measured: that no way through what was priced too dear is cheaper (the tests compare
 * with a sweep over all candidates; docs/performance.md).
 */
final class FullPass {
    /** What a way may cost more than the best known one and still be looked at, in effort. */
    private static final double SLACK = 1.5;
    /** So many candidates of all slots together take part, shared out evenly. */
    private static final int MOST = 100_000;
    /** But at least so many of a slot. */
    private static final int FEWEST_OF_A_SLOT = 120;

    /** So many slots are swept with all their candidates at once. */
    private static final int FEW = 12;

    private final SongGraph whole;
    private final int most;

    private final Solver.Answer best;
    private final NarrowPass pass;

    /**
     * @param whole the slots with all candidates
     * @param first a good answer
     * @param pass the complete pass that it comes from
     */
    FullPass(SongGraph whole, Solver.Answer first, NarrowPass pass) {
        this.whole = whole;
        this.best = first;
        this.pass = pass;
        this.most = Math.max(FEWEST_OF_A_SLOT, MOST / whole.layers());
    }

    Solver.Answer answer() {
        if (whole.layers() <= FEW) {
            return new Solver.Answer(whole, NarrowPass.through(whole).way());
        }
        long limit = best.way().cost() + Math.round(SLACK * Effort.GRAINS);
        int middle = (whole.layers() + 1) / 2;
        SongGraph some = whole.growing();
        NarrowPass swept = SideBySide.of(
                () -> new Half(true, limit, some).run(middle),
                () -> new Half(false, limit, some).run(whole.layers() - middle),
                (begun, ended) -> new NarrowPass(some, begun, ended));
        return swept.way().cost() < best.way().cost() ? new Solver.Answer(some, swept.way()) : best;
    }

    /** From one end to the middle: beginnings from what is left of the layer before, endings as the pass knows them. */
    private final class Half {
        private final boolean forward;
        private final long limit;
        private final SongGraph next;
        private final LayeredGraph read;
        private final Sweep sweep;

        /** @param next takes the layers as they are found */
        Half(boolean forward, long limit, SongGraph next) {
            this.forward = forward;
            this.limit = limit;
            this.next = next;
            this.read = forward ? next : next.reversed();
            this.sweep = Sweep.upTo(read, 0);
        }

        /** Finds so many layers and sweeps through them as it goes. */
        Sweep run(int layers) {
            for (int step = 0; step < layers; step++) {
                whole.checkCancelled();
                int at = forward ? step : whole.layers() - 1 - step;
                int before = forward ? at - 1 : at + 1;
                int beyond = forward ? at + 1 : at - 1;
                boolean last = step + 1 == whole.layers();
                Layer layer = whole.layer(at);
                GroupedBeginnings begun =
                        step == 0 ? null : changes(at, next.layer(before), layer, forward, sweep.costs(step - 1));
                GroupedBeginnings ended = last
                        ? null
                        : changes(
                                at,
                                best.graph().layer(beyond),
                                layer,
                                !forward,
                                forward ? pass.endings(beyond) : pass.beginnings(beyond));
                next.grow(at, priced(at, layer, begun, ended));
                sweep.extend(read, step);
            }
            return sweep;
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

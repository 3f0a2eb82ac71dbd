package phalanx.arrange.search;

import java.util.Arrays;
import java.util.stream.IntStream;
import phalanx.cost.Effort;

/**
 * The cheapest way through all candidates of a song, given a good way through some of them: by pricing.
 *
 * <p>Round by round each candidate of all is priced against the beginnings and endings that are known: the cheapest
 * beginning at each position of the hand before, plus what comes from there at least (the shift, and each finger's
 * cheapest move from any press at that position), its own cost, and the same towards the endings. Those that may lie on a
 * way some slack dearer than the best known, as many as time allows, take part in the next sweep,
 * which is exact among them and gives better beginnings and endings. Short songs have rounds until one finds nothing
 * better, long ones have a single round: for them another one gains some hundredths of a percent and doubles the time.
 * A few slots are swept with all their candidates at once.
 *
 * <p>What is exact: the way through a few slots; else the way is the cheapest through the candidates of the last round,
 * and in short songs no exchange of one candidate makes it cheaper. What is only measured: that no exchange of several at once, each of them priced too
 * dear, does either (the tests compare with a sweep over all candidates; docs/performance.md).
 */
final class FullPass {
    /** What a way may cost more than the best known one and still be looked at, in effort. */
    private static final double SLACK = 1.5;
    /** The same in short songs. */
    private static final double SLACK_IF_SHORT = 2.5;
    /** So many candidates of all slots together take part in a round, shared out evenly. */
    private static final int MOST = 70_000;
    /** But at least so many of a slot. */
    private static final int FEWEST_OF_A_SLOT = 120;

    /** Songs of more slots are long. */
    private static final int SHORT = 150;
    /** So many slots are swept with all their candidates at once. */
    private static final int FEW = 12;

    private static final int MOST_ROUNDS = 4;

    private final SongGraph whole;
    private final int most;
    /** Of each layer the candidates that are still worth pricing. */
    private final int[][] open;

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
        this.open = IntStream.range(0, whole.layers())
                .mapToObj(at -> IntStream.range(0, whole.candidates(at)).toArray())
                .toArray(int[][]::new);
        this.most = Math.max(FEWEST_OF_A_SLOT, MOST / whole.layers());
    }

    Solver.Answer answer() {
        if (whole.layers() <= FEW) {
            return new Solver.Answer(whole, NarrowPass.through(whole).way());
        }
        int rounds = isShort() ? MOST_ROUNDS : 1;
        for (int round = 0; round < rounds; round++) {
            SongGraph next = whole.with(priced());
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

    private boolean isShort() {
        return whole.layers() <= SHORT;
    }

    /** Of each layer the candidates that may lie on a way not much dearer than the best. */
    private Layer[] priced() {
        double slack = isShort() ? SLACK_IF_SHORT : SLACK;
        long limit = best.way().cost() + Math.round(slack * Effort.GRAINS);
        Layer[] some = new Layer[whole.layers()];
        IntStream.range(0, some.length).parallel().forEach(at -> {
            whole.checkCancelled();
            some[at] = priced(at, limit);
        });
        return some;
    }

    private Layer priced(int at, long limit) {
        Layer layer = whole.layer(at);
        GroupedBeginnings before = at == 0
                ? null
                : new GroupedBeginnings(whole.table(at, graph.layer(at - 1), layer), true, pass.beginnings(at - 1));
        GroupedBeginnings after = at + 1 == whole.layers()
                ? null
                : new GroupedBeginnings(whole.table(at + 1, layer, graph.layer(at + 1)), false, pass.endings(at + 1));
        long[] keys = new long[open[at].length];
        int count = 0;
        long cheapestAfter = after == null ? 0 : after.first();
        for (int candidate : open[at]) {
            long own = whole.cost(at, candidate);
            long room = limit - own - cheapestAfter;
            long into = before == null ? 0 : before.least(candidate, room + 1);
            if (into <= room) {
                long rest = limit - own - into;
                long out = after == null ? 0 : after.least(candidate, rest + 1);
                if (out <= rest) {
                    keys[count++] = (rest - out) << Short.SIZE | candidate;
                }
            }
        }
        open[at] = candidates(keys, 0, count);
        Arrays.sort(keys, 0, count);
        int[] chosen = candidates(keys, Math.max(0, count - most), count);
        Arrays.sort(chosen);
        return withBest(at, layer, chosen);
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

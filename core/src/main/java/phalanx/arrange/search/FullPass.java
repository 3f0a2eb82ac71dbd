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
 * way at most {@link #SLACK} dearer than the best known, as many as time allows, take part in the next sweep,
 * which is exact among them and gives better beginnings and endings. After two rounds at the
 * least it ends when one finds nothing better.
 *
 * <p>What is exact: the way is the cheapest through the candidates of the last round, and no exchange of one candidate
 * makes it cheaper. What is only measured: that no exchange of several at once, each of them priced too dear, does
 * either (the tests compare with a sweep over all candidates; docs/performance.md).
 */
final class FullPass {
    /** What a way may cost more than the best known one and still be looked at, in effort. */
    static final double SLACK = 2.5;
    /** So many candidates of all slots together take part in a round, shared out evenly. */
    private static final int MOST = 60_000;
    /** But at least so many, and at most so many, of a slot. */
    private static final int FEWEST_OF_A_SLOT = 120;

    private static final int MOST_OF_A_SLOT = 1000;

    private static final int MOST_ROUNDS = 4;

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
        this.most = Math.max(FEWEST_OF_A_SLOT, Math.min(MOST_OF_A_SLOT, MOST / whole.layers()));
    }

    Solver.Answer answer() {
        for (int round = 0; round < MOST_ROUNDS; round++) {
            SongGraph next = whole.with(priced());
            NarrowPass swept = NarrowPass.through(next);
            boolean better = swept.way().cost() < best.way().cost();
            if (better) {
                best = new Solver.Answer(next, swept.way());
            }
            if (!better && round > 0) {
                return best;
            }
            graph = next;
            pass = swept;
            pass.complete();
        }
        return best;
    }

    /** Of each layer the candidates that may lie on a way not much dearer than the best. */
    private Layer[] priced() {
        long limit = best.way().cost() + Math.round(SLACK * Effort.GRAINS);
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
        long[] keys = new long[layer.count];
        int count = 0;
        long cheapestAfter = after == null ? 0 : after.first();
        for (int candidate = 0; candidate < layer.count; candidate++) {
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
        return withBest(at, layer, most(keys, count));
    }

    /** The candidates with the most room left, in the layer's order. */
    private int[] most(long[] keys, int count) {
        long[] sorted = Arrays.copyOf(keys, count);
        Arrays.sort(sorted);
        int first = Math.max(0, count - most);
        return Arrays.stream(sorted, first, count)
                .mapToInt(key -> (int) (key & (1 << Short.SIZE) - 1))
                .sorted()
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

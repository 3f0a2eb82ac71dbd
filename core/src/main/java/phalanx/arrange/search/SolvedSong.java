package phalanx.arrange.search;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import phalanx.arrange.demand.Labels;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.lefthand.shape.HeldShape;

/**
 * A solved song, for looking at other ways through it.
 *
 * @param request what was arranged
 * @param solver with the costs of all beginnings and endings through promising candidates
 * @param answer that was chosen
 */
public record SolvedSong(Request request, Solver solver, Solver.Answer answer) {
    /** The slots with their promising candidates, the chosen ones among them. */
    public SongGraph graph() {
        return solver.graph();
    }

    /** The same, to be given up on another request. */
    public SolvedSong withCancel(BooleanSupplier cancelled) {
        return new SolvedSong(request, solver.withCancel(cancelled), answer);
    }

    /** Which slot a tick falls in. */
    public int slotAt(int tick) {
        int at = 0;
        while (at + 1 < graph().layers() && graph().slots().get(at + 1).startTick() <= tick) {
            at++;
        }
        return at;
    }

    /** What the cheapest way through each candidate of a slot costs, the rest of the song free. */
    public long[] through(int at) {
        return through(at, graph().layer(at), graph());
    }

    /** What the song costs with a shape held in a slot, the rest free; nothing when it cannot be held there. */
    public Optional<Long> with(HeldShape held, int at) {
        Slot slot = graph().slots().get(at).with(held);
        if (!solver.finder().keepsLock(slot)) {
            return Optional.empty();
        }
        Layer locked = solver.promising(slot);
        return Arrays.stream(through(at, locked, graph().with(at, slot, locked)))
                .boxed()
                .min(Long::compare);
    }

    /** The cheapest way through the song with a shape held in a slot that can hold it. */
    public Solver.Answer answerWith(HeldShape held, int at) {
        Slot slot = graph().slots().get(at).with(held);
        SongGraph locked = graph().with(at, slot, solver.promising(slot));
        return new Solver.Answer(locked, solver.narrow().wayThrough(locked, at));
    }

    private long[] through(int at, Layer layer, SongGraph graph) {
        NarrowPass narrow = solver.narrow();
        long[] through = new long[layer.count()];
        boolean atEnd = at + 1 == graph.layers();
        long repeat = graph.repeat();
        Entries into = at == 0 ? null : new Entries(graph.changes(at), narrow.beginningNodes(at - 1), repeat);
        Entries out = atEnd ? null : new Entries(graph.changes(at + 1).reversed(), narrow.endingNodes(at + 1), repeat);
        for (int candidate = 0; candidate < through.length; candidate++) {
            int first = graph.firstStroke(at, candidate);
            long own = graph.cost(at, candidate);
            int last = graph.lastStroke(at, candidate);
            long rest = first == Labels.NONE && into != null && out != null
                    ? joined(candidate, into, out)
                    : cheapest(candidate, into, first) + cheapest(candidate, out, last);
            through[candidate] = Math.min(LayeredGraph.IMPOSSIBLE, own + rest);
        }
        return through;
    }

    private static long cheapest(int candidate, Entries entries, int stroke) {
        return entries == null ? 0 : entries.into(candidate, stroke, LayeredGraph.IMPOSSIBLE);
    }

    /** The cheapest way in and on where no inner stroke lies between. */
    private static long joined(int candidate, Entries into, Entries out) {
        long least = LayeredGraph.IMPOSSIBLE;
        if (into.intoEach(candidate, least) < least && out.intoEach(candidate, least) < least) {
            for (int entry = 0; entry < out.count(); entry++) {
                least = Math.min(least, out.cost(entry) + into.cheapestBefore(out.label(entry)));
            }
        }
        return least;
    }
}

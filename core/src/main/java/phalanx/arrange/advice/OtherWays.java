package phalanx.arrange.advice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.search.Candidate;
import phalanx.arrange.search.SolvedSong;
import phalanx.arrange.search.SongGraph;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.HeldShape;

/**
 * Finds other ways to play a moment, by what the whole song costs with each: the cheapest beginning and ending that the
 * solved song keeps, joined by the shape as it would be locked.
 */
public final class OtherWays {
    /** So many times the ways asked for are looked at as locks. */
    private static final int LOOKED_AT = 3;

    private final Arranger arranger;
    private final SolvedSong solved;
    private final SongGraph graph;

    /**
     * For the song that an arranger has solved last.
     *
     * @param cancelled asked again and again while the work goes on
     * @throws java.util.NoSuchElementException if it has solved none
     */
    public OtherWays(Arranger arranger, BooleanSupplier cancelled) {
        this.arranger = arranger;
        this.solved = arranger.solved().orElseThrow().withCancel(cancelled);
        this.graph = solved.graph();
    }

    /**
     * Those that lose no more of the tune than the chosen way, with sections that come again free to differ.
     *
     * @param tick of the moment
     * @param most how many
     * @return without the way that was chosen; the least additional effort first
     * @throws CancellationException soon after the work is cancelled
     */
    public List<OtherWay> at(int tick, int most) {
        int at = solved.slotAt(tick);
        Slot slot = graph.slots().get(at);
        long[] costs = solved.through(at);
        Set<HeldShape> seen = new HashSet<>();
        Candidate chosenCandidate = new Candidate(
                solved.answer().graph().layer(at), solved.answer().way().candidate(at));
        seen.add(chosenCandidate.held(
                solved.request().instrument(),
                slot.demand(),
                chosenCandidate.printed(solved.solver().finder().book(), slot)));
        long chosen = solved.answer().way().cost();
        List<HeldShape> tried = IntStream.range(0, costs.length)
                .boxed()
                .sorted(Comparator.comparingLong(candidate -> costs[candidate]))
                .filter(candidate -> SongGraph.tune(costs[candidate]) <= SongGraph.tune(chosen))
                .map(candidate -> held(at, candidate))
                .filter(seen::add)
                .limit((long) LOOKED_AT * most)
                .toList();
        record Tried(HeldShape held, double more) {}
        List<Tried> cheap = new ArrayList<>();
        for (HeldShape held : tried) {
            Optional<Long> cost = solved.with(held, at);
            if (cost.filter(c -> SongGraph.tune(c) <= SongGraph.tune(chosen)).isPresent()) {
                double more = (SongGraph.grains(cost.get()) - SongGraph.grains(chosen)) / (double) Effort.GRAINS;
                cheap.add(new Tried(held, more));
            }
        }
        return cheap.stream()
                .sorted(Comparator.comparingDouble(Tried::more))
                .limit(most)
                .map(one -> new OtherWay(
                        slot.startTick(), slot.endTick(), one.held, arranger.more(solved.answerWith(one.held, at))))
                .toList();
    }

    private HeldShape held(int at, int candidate) {
        Candidate one = new Candidate(graph.layer(at), candidate);
        Slot slot = graph.slots().get(at);
        return one.held(
                solved.request().instrument(),
                slot.demand(),
                one.printed(solved.solver().finder().book(), slot));
    }
}

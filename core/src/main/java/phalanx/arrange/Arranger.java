package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.audit.MoveFinding;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.MelodyFit;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.SongDemand;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Scorer;
import phalanx.arrange.search.LayerFinder;
import phalanx.arrange.search.SolvedSong;
import phalanx.arrange.search.Solver;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Picking;
import phalanx.song.Reprises;
import phalanx.song.Song;

/**
 * Arranges songs for one guitar and one hand, stage by stage: demand, candidates, path, notes and holds, price, audit.
 *
 * <p>There is a quick answer, through the most promising candidates, and the full one through all; the second is never
 * dearer. An arranger remembers the candidates it has seen and the last song it solved, so that an edit of a few slots
 * is solved anew from there only. It is not safe for use by several threads at once.
 */
public final class Arranger {
    private final Instrument instrument;
    private final Hand hand;
    private final LayerFinder layers;
    private final Pricing pricing;
    private Optional<Solved> last = Optional.empty();

    public Arranger(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        FingeringFinder finder = FingeringFinder.forPlucking(instrument, hand);
        MoveMeter meter = new MoveMeter(instrument, hand);
        this.layers = new LayerFinder(finder, meter);
        this.pricing = new Pricing(new Scorer(finder, meter), new Audit(meter));
    }

    private record Solved(
            Song asked, Request request, int movedBy, SongDemand demand, Solver solver, Solver.Answer answer) {}

    /** The full answer with a plain right hand and without locks, to the end. */
    public Arrangement arrange(Song song) {
        return arrange(song, List.of(), () -> false);
    }

    /** The full answer with a plain right hand. */
    public Arrangement arrange(Song song, List<Lock> locks, BooleanSupplier cancelled) {
        return arrange(song, Picking.PLAIN, locks, cancelled);
    }

    /**
     * The full answer.
     *
     * @see #quick
     */
    public Arrangement arrange(Song song, Picking picking, List<Lock> locks, BooleanSupplier cancelled) {
        solve(song, picking, locks, cancelled);
        return full(cancelled);
    }

    /**
     * Arranges a song quickly. A tune that does not fit the guitar is moved by octaves, else to the nearest key that
     * fits; of equally near places the easiest is taken, and a finding says so.
     *
     * @param picking how the right hand plays
     * @param locks shapes to hold; where one cannot be held under the tune it is left, and a finding says so
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public Arrangement quick(Song song, Picking picking, List<Lock> locks, BooleanSupplier cancelled) {
        return finish(solve(song, picking, locks, cancelled));
    }

    /**
     * The full answer to what was arranged quickly last.
     *
     * @throws IllegalStateException if no song was arranged yet
     * @throws CancellationException soon after the work is cancelled
     */
    public Arrangement full(BooleanSupplier cancelled) {
        Solved quick = last.orElseThrow(() -> new IllegalStateException("no song was arranged yet"));
        Solver solver = quick.solver.withCancel(cancelled);
        Solver.Answer answer = solver.full();
        Solved full =
                new Solved(quick.asked, quick.request, quick.movedBy, quick.demand, solver.keeping(answer), answer);
        last = Optional.of(full);
        return finish(full);
    }

    /** The song solved last, for looking at other ways through it. */
    public Optional<SolvedSong> solved() {
        return last.map(solved -> new SolvedSong(solved.request, solved.solver, solved.answer));
    }

    private Solved solve(Song song, Picking picking, List<Lock> locks, BooleanSupplier cancelled) {
        List<Integer> moves = new MelodyFit(instrument).moves(song);
        Solved best = moves.stream()
                .map(move -> solve(
                        song, new Request(song.transpose(move), instrument, hand, locks, picking), move, cancelled))
                .min(Comparator.<Solved>comparingLong(
                                solved -> solved.solver.graph().unplayable())
                        .thenComparingLong(solved -> solved.answer.way().cost())
                        .thenComparingInt(solved -> Math.abs(solved.movedBy)))
                .orElseThrow();
        last = Optional.of(best);
        return best;
    }

    private Solved solve(Song asked, Request request, int movedBy, BooleanSupplier cancelled) {
        SongDemand demand = SongDemand.of(request);
        Solver solver = Solver.quick(
                layers,
                demand.slots(),
                request.song().tempo(),
                new Reprises(request.song()).find(),
                last.map(solved -> solved.solver),
                cancelled);
        return new Solved(asked, request, movedBy, demand, solver, solver.quick());
    }

    private Arrangement finish(Solved solved) {
        Pricing.Chosen chosen = new Pricing.Chosen(solved.answer.graph(), solved.answer.way());
        NoteWriter writer = new NoteWriter(solved.request, chosen.slots(), chosen.candidates());
        List<ArrangedNote> notes = writer.write();
        Pricing.RightHand right = new Pricing.RightHand(
                solved.demand.innerAsked(),
                solved.demand.plan().hits(),
                writer.joining(solved.demand.plan().joining()));
        Arrangement arrangement = pricing.finish(solved.request, solved.movedBy, chosen, notes, right);
        if (solved.movedBy == 0) {
            return arrangement;
        }
        List<Finding> findings = new ArrayList<>(arrangement.findings());
        findings.add(
                0, new MoveFinding(new MelodyFit(instrument)).of(solved.asked, arrangement.song(), solved.movedBy));
        return arrangement.with(findings, arrangement.ceiling());
    }
}

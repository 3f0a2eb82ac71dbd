package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.arrange.audit.FretsFinding;
import phalanx.arrange.audit.MoveFinding;
import phalanx.arrange.audit.ShapeFinding;
import phalanx.arrange.colour.HitsAsked;
import phalanx.arrange.demand.ChartShapes;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.MelodyFit;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.SongDemand;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.OctaveChoice;
import phalanx.arrange.score.Scorer;
import phalanx.arrange.search.LayerFinder;
import phalanx.arrange.search.SolvedSong;
import phalanx.arrange.search.Solver;
import phalanx.arrange.search.SongGraph;
import phalanx.cost.Effort;
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
    /** A tune stays as written when no other octave makes the whole cheaper by more than this. */
    private static final double AS_WRITTEN_MAY_COST = 1.1;
    /** An octave that is this much dearer by a rough answer is not looked at again: rough ones differ by less. */
    private static final double CLEARLY_DEARER = 1.2;

    private static final Comparator<Solved> OCTAVES = Comparator.<Solved>comparingLong(
                    solved -> solved.solver.graph().unplayable())
            .thenComparingLong(solved -> SongGraph.tune(solved.answer.way().cost()))
            .thenComparingDouble(Arranger::effortToCompare)
            .thenComparingInt(solved -> Math.abs(solved.movedBy));

    private final Instrument instrument;
    private final Hand hand;
    private final FingeringFinder finder;
    private final LayerFinder layers;
    private final ChartShapes chartShapes;
    private final Pricing pricing;
    private final MelodyFit fit;
    private Optional<Solved> last = Optional.empty();
    private Optional<Compared> compared = Optional.empty();
    /** Whether an edit has kept the octave of the song before: the full answer compares anew. */
    private Optional<Asked> unsure = Optional.empty();

    public Arranger(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        this.finder = FingeringFinder.forPlucking(instrument, hand);
        MoveMeter meter = new MoveMeter(instrument, hand);
        this.chartShapes = new ChartShapes(FingeringFinder.forShapes(instrument, hand));
        this.layers = new LayerFinder(finder, meter);
        this.pricing = new Pricing(new Scorer(finder, meter, layers.book()), meter);
        this.fit = new MelodyFit(instrument);
    }

    private Arranger(Arranger of) {
        this.instrument = of.instrument;
        this.hand = of.hand;
        this.finder = of.finder;
        this.chartShapes = of.chartShapes;
        this.layers = of.layers;
        this.pricing = of.pricing;
        this.fit = new MelodyFit(instrument);
    }

    /**
     * One that has solved no song yet, but shares the candidates that this one has seen: it gives the answers of a new one,
     * sooner. The two may be used by a thread each.
     */
    public Arranger fresh() {
        return new Arranger(this);
    }

    private record Solved(
            Song asked, Request request, int movedBy, SongDemand demand, Solver solver, Solver.Answer answer) {
        Solved with(Solver newSolver, Solver.Answer newAnswer) {
            return new Solved(asked, request, movedBy, demand, newSolver, newAnswer);
        }
    }

    /** What was asked for, for asking again. */
    private record Asked(Song song, Picking picking, Wishes wishes, List<? extends Lock> locks, List<Integer> moves) {}

    /** What an octave was chosen for: the same again keeps it. */
    private record Compared(Song song, Picking picking, Wishes wishes, int move, OctaveChoice choice) {
        boolean isFor(Song other, Picking otherPicking, Wishes otherWishes) {
            return song.equals(other) && picking.equals(otherPicking) && wishes.equals(otherWishes);
        }

        /** Whether another song looks like this one after an edit. */
        boolean isBefore(Song other, Picking otherPicking, Wishes otherWishes) {
            return song.title().equals(other.title())
                    && song.key().equals(other.key())
                    && picking.equals(otherPicking)
                    && wishes.equals(otherWishes);
        }
    }

    /** The full answer with a plain right hand and without locks, to the end. */
    public Arrangement arrange(Song song) {
        return arrange(song, List.of(), () -> false);
    }

    /** The full answer with a plain right hand. */
    public Arrangement arrange(Song song, List<? extends Lock> locks, BooleanSupplier cancelled) {
        return arrange(song, Picking.PLAIN, locks, cancelled);
    }

    /**
     * The full answer.
     *
     * @see #quick
     */
    public Arrangement arrange(Song song, Picking picking, List<? extends Lock> locks, BooleanSupplier cancelled) {
        return arrange(song, picking, Wishes.USUAL, locks, cancelled);
    }

    /**
     * The full answer.
     *
     * @see #quick
     */
    public Arrangement arrange(
            Song song, Picking picking, Wishes wishes, List<? extends Lock> locks, BooleanSupplier cancelled) {
        solve(song, picking, wishes, locks, cancelled);
        return full(cancelled);
    }

    /** The quick answer with the usual wishes. */
    public Arrangement quick(Song song, Picking picking, List<? extends Lock> locks, BooleanSupplier cancelled) {
        return quick(song, picking, Wishes.USUAL, locks, cancelled);
    }

    /**
     * Arranges a song quickly. Where the wishes leave the octave open the tune is played where the whole arrangement
     * costs least, as written when that costs little more; the arrangement says so. After an edit it stays where it was
     * until the full answer, which compares anew. A tune that does not fit the guitar is
     * moved by octaves, else to the nearest key that fits, and a finding says so.
     *
     * @param picking how the right hand plays
     * @param wishes what else is wanted
     * @param locks what is decided; what cannot be kept is left, and a finding says so
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public Arrangement quick(
            Song song, Picking picking, Wishes wishes, List<? extends Lock> locks, BooleanSupplier cancelled) {
        return finish(solve(song, picking, wishes, locks, cancelled), true);
    }

    /**
     * Arranges a song roughly where it is, for comparing many ways to have it: through few candidates, its effort some
     * percent above the full one, without slurs and hits.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public Arrangement rough(Song song, Picking picking, Wishes wishes, BooleanSupplier cancelled) {
        Song named = chartShapes.named(song);
        return finish(roughly(request(named, picking, wishes, List.of(), 0), 0, cancelled), false);
    }

    private Solved roughly(Request request, int movedBy, BooleanSupplier cancelled) {
        SongDemand demand = SongDemand.of(request);
        Solver solver = Solver.rough(layers, demand.slots(), request.song().tempo(), cancelled);
        return new Solved(request.song(), request, movedBy, demand, solver, solver.quick());
    }

    /** What is asked for with a tune moved by so many semitones. */
    private Request request(Song song, Picking picking, Wishes wishes, List<? extends Lock> locks, int move) {
        Song moved = song.transpose(move);
        return new Request(moved, instrument, hand, chartShapes.with(locks, moved), picking, wishes);
    }

    /**
     * What was arranged roughly with the capo elsewhere, with the same frets and fingers priced on this guitar: an upper
     * bound of what arranging anew gives, for a small part of the work.
     *
     * @param arrangement on the same guitar with another capo
     * @param song the same song, moved with the capo
     * @return nothing where the hand does not hold the frets here, or the song asks for something else
     */
    public Optional<Arrangement> moved(Arrangement arrangement, Song song) {
        Song named = chartShapes.named(song);
        Request before = arrangement.request();
        Request request = new Request(
                named, instrument, hand, chartShapes.with(List.of(), named), before.picking(), before.wishes());
        List<Slot> slots = SongDemand.of(request).slots();
        boolean onTheNeck = arrangement.notes().stream().allMatch(note -> instrument.has(note.string(), note.fret()))
                && arrangement.holds().stream().allMatch(hold -> hold.press().fret() <= instrument.highestFret());
        boolean held = onTheNeck && arrangement.slots().stream().allMatch(slot -> finder.holds(slot.fingering()));
        boolean same = slots.stream()
                .map(Slot::startTick)
                .toList()
                .equals(arrangement.slots().stream()
                        .map(ArrangedSlot::startTick)
                        .toList());
        return held && same ? Optional.of(pricing.moved(arrangement, request, slots)) : Optional.empty();
    }

    /**
     * The full answer to what was arranged quickly last.
     *
     * @throws IllegalStateException if no song was arranged yet
     * @throws CancellationException soon after the work is cancelled
     */
    public Arrangement full(BooleanSupplier cancelled) {
        unsure.ifPresent(asked -> compareAnew(asked, cancelled));
        Solved quick = last.orElseThrow(() -> new IllegalStateException("no song was arranged yet"));
        Solver solver = quick.solver.withCancel(cancelled);
        Solver.Answer answer = solver.full();
        Solved full = quick.with(solver.keeping(answer), answer);
        last = Optional.of(full);
        return finish(full, true);
    }

    /**
     * Gets ready for edits of what was arranged last, so that the next quick answer comes soon.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public void ready(BooleanSupplier cancelled) {
        last.ifPresent(solved -> solved.solver.withCancel(cancelled).ready());
    }

    /** Forgets what edits of the song solved last do not need; safe while another thread solves. */
    public void rest() {
        layers.rest();
    }

    /** The octave of an edited song, as if it had come anew. */
    private void compareAnew(Asked asked, BooleanSupplier cancelled) {
        Optional<Solved> shown = last;
        try {
            Compared anew = compare(asked.song, asked.picking, asked.wishes, asked.moves, cancelled);
            last = Optional.of(solve(asked.song, asked.picking, asked.wishes, asked.locks, anew.move, cancelled));
            compared = Optional.of(anew);
            unsure = Optional.empty();
        } catch (CancellationException e) {
            // the quick answer stays in use
            last = shown;
            throw e;
        }
    }

    /** The song solved last, for looking at other ways through it. */
    public Optional<SolvedSong> solved() {
        return last.map(solved -> new SolvedSong(solved.request, solved.solver, solved.answer));
    }

    /**
     * What another way through the song solved last costs the hand and the ear more than the one that was chosen, term by
     * term.
     *
     * @throws IllegalStateException if no song was arranged yet
     */
    public Effort more(Solver.Answer other) {
        Solved chosen = last.orElseThrow(() -> new IllegalStateException("no song was arranged yet"));
        return new WayDifference(chosen.answer, other).more(pricing, chosen.request);
    }

    private Solved solve(
            Song asked, Picking picking, Wishes wishes, List<? extends Lock> locks, BooleanSupplier cancelled) {
        Song song = chartShapes.named(asked);
        List<Integer> moves = wishes.tuneOf(song) == TuneUse.PLAYED ? fit.moves(song, wishes.octave()) : List.of(0);
        Solved best;
        if (moves.size() == 1) {
            compared = Optional.empty();
            unsure = Optional.empty();
            best = solve(song, picking, wishes, locks, moves.get(0), cancelled);
        } else {
            // the octave does not hang on locks: it would leap about under the player's hands
            boolean same =
                    compared.filter(one -> one.isFor(song, picking, wishes)).isPresent();
            boolean edited = !same
                    && compared.filter(one -> one.isBefore(song, picking, wishes) && moves.contains(one.move))
                            .isPresent();
            unsure = edited ? Optional.of(new Asked(song, picking, wishes, locks, moves)) : Optional.empty();
            if (!same && !edited) {
                compared = Optional.of(compare(song, picking, wishes, moves, cancelled));
            }
            int move = compared.get().move;
            best = solve(song, picking, wishes, locks, move, cancelled);
        }
        last = Optional.of(best);
        return best;
    }

    private Solved solve(
            Song song,
            Picking picking,
            Wishes wishes,
            List<? extends Lock> locks,
            int move,
            BooleanSupplier cancelled) {
        return solve(song, request(song, picking, wishes, locks, move), move, cancelled);
    }

    private Compared compare(
            Song song, Picking picking, Wishes wishes, List<Integer> moves, BooleanSupplier cancelled) {
        List<Solved> rough = moves.stream()
                .map(move -> roughly(request(song, picking, wishes, List.of(), move), move, cancelled))
                .toList();
        Solved leader = rough.stream().min(OCTAVES).orElseThrow();
        List<OctaveChoice.Tried> tried = new ArrayList<>();
        Solved best = null;
        for (Solved one : rough) {
            // one after the other, and of the quick ones only the best is kept: a long song fills much room
            if (!isClearlyDearer(one, leader)) {
                Solved quick = solve(song, picking, wishes, List.of(), one.movedBy, cancelled);
                best = best == null || OCTAVES.compare(quick, best) < 0 ? quick : best;
                tried.add(figures(quick, false));
            } else {
                tried.add(figures(one, true));
            }
        }
        last = Optional.of(best);
        return new Compared(song, picking, wishes, best.movedBy, new OctaveChoice(best.movedBy / 12, tried));
    }

    private static boolean isClearlyDearer(Solved one, Solved leader) {
        return SongGraph.tune(leader.answer.way().cost()) == 0
                && leader.solver.graph().unplayable() <= one.solver.graph().unplayable()
                && effortToCompare(one) > CLEARLY_DEARER * effortToCompare(leader);
    }

    /** What is written may cost a little more. */
    private static double effortToCompare(Solved solved) {
        double effort = SongGraph.grains(solved.answer.way().cost());
        return solved.movedBy == 0 ? effort / AS_WRITTEN_MAY_COST : effort;
    }

    private OctaveChoice.Tried figures(Solved solved, boolean rough) {
        long cost = solved.answer.way().cost();
        Pricing.Chosen chosen = new Pricing.Chosen(solved.answer.graph(), solved.answer.way());
        double meanFret = new NoteWriter(solved.request, chosen.slots(), chosen.candidates())
                .writeWithoutDigits().stream()
                        .mapToInt(ArrangedNote::fret)
                        .average()
                        .orElse(0);
        return new OctaveChoice.Tried(
                solved.movedBy / 12,
                SongGraph.tune(cost),
                SongGraph.grains(cost) / (double) Effort.GRAINS,
                rough,
                meanFret);
    }

    private Solved solve(Song asked, Request request, int movedBy, BooleanSupplier cancelled) {
        SongDemand demand = SongDemand.of(request, last.map(Solved::demand));
        Solver solver = Solver.quick(
                layers,
                demand.slots(),
                request.song().tempo(),
                new Reprises(request.song()).find(),
                last.map(solved -> solved.solver),
                cancelled);
        return new Solved(asked, request, movedBy, demand, solver, solver.quick());
    }

    /** @param coloured whether slurs and hits come in */
    private Arrangement finish(Solved solved, boolean coloured) {
        Pricing.Chosen chosen = new Pricing.Chosen(solved.answer.graph(), solved.answer.way());
        NoteWriter writer = new NoteWriter(solved.request, chosen.slots(), chosen.candidates());
        List<ArrangedNote> plain = writer.writeWithoutDigits();
        Pricing.RightHand right = new Pricing.RightHand(
                solved.demand.innerAsked(),
                coloured ? Optional.of(HitsAsked.ofPatterns(solved.demand.plan().hits())) : Optional.empty(),
                writer.joining(solved.demand.plan().joining()),
                writer::wanted,
                writer::hammered);
        Arrangement arrangement = pricing.finish(
                        solved.request, solved.movedBy, chosen, plain, writer::withDigits, right)
                .with(compared.map(Compared::choice));
        List<Finding> findings = new ArrayList<>(arrangement.findings());
        chartShapes.beyondTheHand(arrangement.song()).stream()
                .map(change -> FretsFinding.of(arrangement.song(), change, instrument.strings()))
                .forEach(finding -> findings.add(0, finding));
        if (solved.demand.slots().stream().anyMatch(slot -> slot.wanted().wholeShapes())) {
            findings.addAll(0, new ShapeFinding(layers.book()).of(arrangement));
        }
        if (solved.request.tune() == TuneUse.PLAYED
                && !fit.misfits(solved.asked, 0).isEmpty()) {
            findings.add(0, new MoveFinding(fit).of(solved.asked, arrangement.song(), solved.movedBy));
        }
        return arrangement.with(findings, arrangement.ceiling());
    }
}

package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.Effort;
import phalanx.lefthand.EffortTerm;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.PathCost;
import phalanx.lefthand.Trail;
import phalanx.righthand.Picking;
import phalanx.righthand.PickingPlan;
import phalanx.song.Reprises;
import phalanx.song.Song;

/**
 * Arranges songs for one guitar and one hand.
 *
 * <p>The song is cut into slots; each slot has candidates (a place for the melody note, one for the bass, inner
 * strings within reach); the cheapest way through all slots is found exactly. A note rings on while the candidates
 * that follow keep its string, fret and finger, so a cut-off is the cost of one change. With n slots and at most k
 * candidates each this takes n * k * k changes.
 *
 * <p>An arranger remembers the candidates it has seen and the last way it found, so that an edit of a few slots is
 * solved anew from there only. It is not safe for use by several threads at once.
 */
public final class Arranger {
    private final Instrument instrument;
    private final Hand hand;
    private final FingeringFinder finder;
    private final CandidateFinder candidates;
    private final HoldKeeper keeper;
    private final ChangeMeter changes;
    private Optional<Solution> last = Optional.empty();

    public Arranger(Instrument instrument, Hand hand) {
        this(instrument, hand, 1);
    }

    private Arranger(Instrument instrument, Hand hand, double width) {
        this.instrument = instrument;
        this.hand = hand;
        this.finder = FingeringFinder.forPlucking(instrument, hand);
        this.candidates = new CandidateFinder(finder, width);
        this.keeper = new HoldKeeper(finder);
        this.changes = new ChangeMeter(instrument, hand);
    }

    /**
     * One that weighs so many times the usual number of candidates: more to show how much their bound costs, fewer for
     * a quick comparison of many songs.
     */
    public static Arranger ofWidth(Instrument instrument, Hand hand, double width) {
        return new Arranger(instrument, hand, width);
    }

    /** The same with a plain right hand and without locks, to the end. */
    public Arrangement arrange(Song song) {
        return arrange(song, List.of(), () -> false);
    }

    /** The same with a plain right hand. */
    public Arrangement arrange(Song song, List<Lock> locks, BooleanSupplier cancelled) {
        return arrange(song, Picking.PLAIN, locks, cancelled);
    }

    /**
     * Arranges a song. A tune that does not fit the guitar is moved by octaves, else to the nearest key that fits;
     * of equally near places the easiest is taken, and a finding says so.
     *
     * @param picking how the right hand plays
     * @param locks shapes to hold; where one cannot be held under the tune it is left, and a finding says so
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public Arrangement arrange(Song song, Picking picking, List<Lock> locks, BooleanSupplier cancelled) {
        MelodyFit fit = new MelodyFit(instrument);
        Solution solution = fit.moves(song).stream()
                .map(move -> solve(song.transpose(move), picking, locks, move, cancelled))
                .min(Comparator.comparingLong(Solution::cost).thenComparingInt(found -> Math.abs(found.movedBy)))
                .orElseThrow();
        last = Optional.of(solution);
        return finish(song, tied(solution), fit);
    }

    /** Holds sections that come again as the first time, unless that would cost tune notes. */
    private static Solution tied(Solution free) {
        List<Reprises.Reprise> reprises = new Reprises(free.song()).find();
        if (reprises.isEmpty()) {
            return free;
        }
        SlotGraph graph = free.graph.tied(free.way.candidates(), reprises);
        Trail trail = Trail.through(graph);
        LayeredPath.Way way = trail.way();
        PathCost before = PathCost.unpack(free.cost());
        PathCost after = PathCost.unpack(way.cost());
        boolean worse = after.unplayable() > before.unplayable() || after.melody() > before.melody();
        return worse ? free : new Solution(free.request, free.movedBy, free.plan, graph, trail, way);
    }

    /**
     * Other ways to play a moment of the song arranged last, each with the best way through the rest of the song; in
     * that, sections that come again are free to differ.
     *
     * @param tick of the moment
     * @param most how many ways
     * @param cancelled asked again and again while the work goes on
     * @return without the way that was chosen; the least additional effort first
     * @throws IllegalStateException if no song was arranged yet
     * @throws CancellationException soon after the work is cancelled
     */
    public List<OtherWay> otherWays(int tick, int most, BooleanSupplier cancelled) {
        Solution solution = last.orElseThrow(() -> new IllegalStateException("no song was arranged yet"));
        return new OtherWays(solution.graph.withCancel(cancelled), solution.trail, solution.way).at(tick, most);
    }

    private record Solution(
            Request request, int movedBy, PickingPlan plan, SlotGraph graph, Trail trail, LayeredPath.Way way) {
        long cost() {
            return way.cost();
        }

        Song song() {
            return request.song();
        }

        List<Candidate> chosen() {
            return IntStream.range(0, graph.layers())
                    .mapToObj(layer -> graph.candidate(layer, way.candidates().get(layer)))
                    .toList();
        }
    }

    private Solution solve(Song song, Picking picking, List<Lock> locks, int movedBy, BooleanSupplier cancelled) {
        PickingPlan plan = PickingPlan.of(song, picking);
        List<Slot> slots = new SlotCutter().slots(song, plan.bass(), plan.inner(), locks);
        SlotGraph graph = new SlotGraph(slots, song.tempo(), candidates, changes, cancelled);
        Trail trail = last.filter(earlier -> earlier.graph.layers() == graph.layers())
                .map(earlier -> again(earlier, graph))
                .orElseGet(() -> Trail.through(graph));
        return new Solution(
                new Request(song, instrument, hand, locks, picking), movedBy, plan, graph, trail, trail.way());
    }

    private static Trail again(Solution earlier, SlotGraph graph) {
        int[] edited = IntStream.range(0, graph.layers())
                .filter(layer -> !graph.sameAt(layer, earlier.graph))
                .toArray();
        return edited.length == 0 ? earlier.trail : earlier.trail.again(graph, edited[0], edited[edited.length - 1]);
    }

    private Arrangement finish(Song asked, Solution solution, MelodyFit fit) {
        List<Slot> slots = solution.graph.slots();
        List<Candidate> chosen = solution.chosen();
        List<Fingering> fingerings = keeper.keep(slots, chosen);
        NoteWriter writer = new NoteWriter(solution.request, slots, chosen, fingerings);
        List<ArrangedNote> notes = writer.write();
        List<Hold> holds = new HoldWriter().write(slots, fingerings, notes);
        int innerAsked = slots.stream().mapToInt(slot -> slot.inner().size()).sum();
        Arrangement bare = new Arrangement(
                solution.request,
                solution.movedBy,
                notes,
                holds,
                arrangedSlots(solution, chosen, fingerings),
                innerAsked,
                solution.plan.hits(),
                writer.joining(solution.plan.joining()),
                List.of(),
                PathCost.unpack(solution.cost()),
                TempoCeiling.of(new SpeedMeter(solution.request).limits(notes, holds)));
        List<Finding> findings = new ArrayList<>(new Audit().findings(bare));
        moveFinding(asked, solution, fit).ifPresent(finding -> findings.add(0, finding));
        return bare.with(findings);
    }

    private static Optional<Finding> moveFinding(Song asked, Solution solution, MelodyFit fit) {
        return solution.movedBy == 0
                ? Optional.empty()
                : Optional.of(new MoveFinding(fit).of(asked, solution.song(), solution.movedBy));
    }

    private List<ArrangedSlot> arrangedSlots(Solution solution, List<Candidate> chosen, List<Fingering> fingerings) {
        List<ArrangedSlot> slots = new ArrayList<>();
        for (int i = 0; i < chosen.size(); i++) {
            Slot slot = solution.graph.slots().get(i);
            Candidate candidate = chosen.get(i);
            Effort effort = finder.effort(candidate.grasp());
            if (i > 0) {
                effort = effort.plus(
                        EffortTerm.CHANGE,
                        solution.graph.changeEffort(i, chosen.get(i - 1), candidate, Double.POSITIVE_INFINITY));
            }
            slots.add(new ArrangedSlot(slot.startTick(), slot.endTick(), candidate.held(), fingerings.get(i), effort));
        }
        return slots;
    }
}

package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.Effort;
import phalanx.lefthand.EffortTerm;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.Pace;
import phalanx.lefthand.PathCost;
import phalanx.righthand.AlternatingThumb;
import phalanx.righthand.BassStroke;
import phalanx.righthand.PinchAndFill;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Arranges songs for one guitar and one hand.
 *
 * <p>The song is cut into slots; each slot has candidates (a place for the melody note, one for the bass, inner
 * strings within reach); the cheapest way through all slots is found exactly. A note rings on while the candidates
 * that follow keep its string, fret and finger, so a cut-off is the cost of one change. With n slots and at most k
 * candidates each this takes n * k * k changes.
 *
 * <p>An arranger remembers the candidates it has seen, so it is not safe for use by several threads at once.
 */
public final class Arranger {
    private static final double SHORTEST_WEIGHT = 0.25;
    private static final double LONGEST_WEIGHT = 2;
    private static final double BASS_CUT = 1.0;
    private static final double INNER_CUT = 0.15;
    /** The alternating thumb wants another string than the stroke before, best the neighbour. */
    private static final double BASS_STRING_AGAIN = 0.8;

    private static final double BASS_STRING_SKIPPED = 0.2;
    /** The share of a slot after which a finger may leave for the next. */
    private static final double TIME_TO_CHANGE = 0.5;

    private final Instrument instrument;
    private final Hand hand;
    private final CandidateFinder candidates;
    private final HoldKeeper keeper;
    private final ChangeMeter changes;

    public Arranger(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        FingeringFinder finder = FingeringFinder.forPlucking(instrument, hand);
        this.candidates = new CandidateFinder(finder);
        this.keeper = new HoldKeeper(finder);
        this.changes = new ChangeMeter(instrument, hand);
    }

    /**
     * Arranges a song. A tune that does not fit the guitar is moved by octaves, else to the nearest key that fits;
     * of equally near places the easiest is taken, and a finding says so.
     */
    public Arrangement arrange(Song song) {
        return arrange(song, () -> false);
    }

    /**
     * The same, to be given up on request.
     *
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public Arrangement arrange(Song song, BooleanSupplier cancelled) {
        MelodyFit fit = new MelodyFit(instrument);
        return fit.moves(song).stream()
                .map(move -> solve(song.transpose(move), move, cancelled))
                .min(Comparator.comparingLong(Solution::cost).thenComparingInt(solution -> Math.abs(solution.movedBy)))
                .map(solution -> finish(song, solution, fit))
                .orElseThrow();
    }

    private record Solution(
            Song song, int movedBy, List<Slot> slots, List<Candidate> chosen, SlotGraph graph, long cost) {}

    private Solution solve(Song song, int movedBy, BooleanSupplier cancelled) {
        List<BassStroke> bass = new AlternatingThumb().strokes(song);
        List<Integer> inner = new PinchAndFill().strokes(song);
        List<Slot> slots = new SlotCutter().slots(song, bass, inner);
        SlotGraph graph = new SlotGraph(slots, song.tempo(), cancelled);
        LayeredPath.Way way = new LayeredPath().cheapest(graph);
        List<Candidate> chosen = new ArrayList<>();
        for (int slot = 0; slot < slots.size(); slot++) {
            chosen.add(graph.layers.get(slot).get(way.candidates().get(slot)));
        }
        return new Solution(song, movedBy, slots, chosen, graph, way.cost());
    }

    private Arrangement finish(Song asked, Solution solution, MelodyFit fit) {
        List<Fingering> fingerings = keeper.keep(solution.slots, solution.chosen);
        List<ArrangedNote> notes =
                new NoteWriter(solution.song, instrument, solution.slots, solution.chosen, fingerings).write();
        List<Hold> holds = new HoldWriter().write(solution.slots, fingerings, notes);
        int innerAsked =
                solution.slots.stream().mapToInt(slot -> slot.inner().size()).sum();
        List<ArrangedSlot> slots = arrangedSlots(solution, fingerings);
        Arrangement bare = new Arrangement(
                new Request(solution.song, instrument, hand),
                solution.movedBy,
                notes,
                holds,
                slots,
                innerAsked,
                List.of(),
                PathCost.unpack(solution.cost).effort(),
                TempoCeiling.of(new SpeedMeter(instrument, hand).limits(notes, holds)));
        List<Finding> findings = new ArrayList<>(new Audit().findings(bare));
        moveFinding(asked, solution, fit).ifPresent(finding -> findings.add(0, finding));
        return bare.with(findings);
    }

    private static Optional<Finding> moveFinding(Song asked, Solution solution, MelodyFit fit) {
        return solution.movedBy == 0
                ? Optional.empty()
                : Optional.of(new MoveFinding(fit).of(asked, solution.song, solution.movedBy));
    }

    private List<ArrangedSlot> arrangedSlots(Solution solution, List<Fingering> fingerings) {
        List<ArrangedSlot> slots = new ArrayList<>();
        for (int i = 0; i < solution.slots.size(); i++) {
            Slot slot = solution.slots.get(i);
            Candidate candidate = solution.chosen.get(i);
            Effort effort = candidate.effort();
            if (i > 0) {
                effort = effort.plus(
                        EffortTerm.CHANGE, solution.graph.changeEffort(i, solution.chosen.get(i - 1), candidate));
            }
            slots.add(new ArrangedSlot(slot.startTick(), slot.endTick(), fingerings.get(i), effort));
        }
        return slots;
    }

    /** The row of slots as a graph for the path. */
    private final class SlotGraph implements LayeredPath.Graph {
        private final List<Slot> slots;
        private final List<Pace> paces;
        private final BooleanSupplier cancelled;
        private final List<List<Candidate>> layers;

        SlotGraph(List<Slot> slots, double tempo, BooleanSupplier cancelled) {
            this.slots = slots;
            this.cancelled = cancelled;
            this.paces = slots.stream().map(slot -> pace(slot, tempo)).toList();
            this.layers = new ArrayList<>(slots.size());
            for (Slot slot : slots) {
                checkCancelled();
                layers.add(candidates.candidates(slot.demand()));
            }
        }

        private Pace pace(Slot slot, double tempo) {
            int lastStroke = slot.inner().isEmpty()
                    ? slot.startTick()
                    : slot.inner().get(slot.inner().size() - 1);
            double hasMs = TIME_TO_CHANGE * Ticks.milliseconds(slot.lengthTicks(), tempo);
            double lateMs = TIME_TO_CHANGE * Ticks.milliseconds(slot.endTick() - lastStroke, tempo);
            return Pace.of(hand, hasMs, lateMs);
        }

        private void checkCancelled() {
            if (cancelled.getAsBoolean()) {
                throw new CancellationException("arranging was cancelled");
            }
        }

        @Override
        public int layers() {
            return layers.size();
        }

        @Override
        public int candidates(int layer) {
            checkCancelled();
            return layers.get(layer).size();
        }

        @Override
        public long cost(int layer, int index) {
            Candidate candidate = layers.get(layer).get(index);
            double beats = slots.get(layer).lengthTicks() / (double) Ticks.QUARTER;
            double weight = Math.max(SHORTEST_WEIGHT, Math.min(LONGEST_WEIGHT, beats));
            double effort = candidate.effort().total() * weight + candidate.dislike();
            return PathCost.pack(candidate.unplayable(), candidate.melodyLost(), effort);
        }

        @Override
        public long change(int layer, int from, int to) {
            Candidate before = layers.get(layer - 1).get(from);
            Candidate after = layers.get(layer).get(to);
            double effort = changeEffort(layer, before, after);
            Slot slot = slots.get(layer);
            int cut = slot.melodyRingsOn() && cuts(before, after, before.melodyString(), after.melodyString()) ? 1 : 0;
            if (slot.bassRingsOn() && cuts(before, after, before.bassString(), after.bassString())) {
                effort += BASS_CUT;
            }
            if (slot.bassBegins()) {
                effort += bassStep(before.bassString(), after.bassString());
            }
            return PathCost.pack(0, cut, effort + innerCuts(layer, before, after));
        }

        private double changeEffort(int layer, Candidate before, Candidate after) {
            return changes.cost(before.stance(), after.stance(), paces.get(layer - 1), before.innerFingers());
        }

        private static boolean cuts(Candidate before, Candidate after, int stringBefore, int stringAfter) {
            return stringBefore != Candidate.NONE
                    && (stringAfter != stringBefore || !before.ringsInto(after, stringBefore));
        }

        private static double bassStep(int before, int after) {
            if (before == Candidate.NONE || after == Candidate.NONE) {
                return 0;
            }
            return before == after ? BASS_STRING_AGAIN : BASS_STRING_SKIPPED * (Math.abs(before - after) - 1);
        }

        private double innerCuts(int layer, Candidate before, Candidate after) {
            if (slots.get(layer - 1).inner().isEmpty()) {
                return 0;
            }
            double cost = 0;
            for (int strings = before.innerStrings(); strings != 0; strings &= strings - 1) {
                int string = Integer.numberOfTrailingZeros(strings);
                if (!before.ringsInto(after, string)) {
                    cost += INNER_CUT;
                }
            }
            return cost;
        }
    }
}

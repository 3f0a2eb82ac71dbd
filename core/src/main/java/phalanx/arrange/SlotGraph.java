package phalanx.arrange;

import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.Pace;
import phalanx.lefthand.PathCost;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassStroke;
import phalanx.song.Reprises;
import phalanx.song.Ticks;

/** The row of slots as a graph for the path: candidates, what each costs and what each change costs. */
final class SlotGraph implements LayeredPath.Graph {
    private static final double SHORTEST_WEIGHT = 0.25;
    private static final double LONGEST_WEIGHT = 2;
    private static final double BASS_CUT = 1.0;
    private static final double INNER_CUT = 0.15;
    /** The alternating thumb wants another string than the stroke before, best the neighbour. */
    private static final double BASS_STRING_AGAIN = 0.8;

    /** The player says where the thumb goes. */
    private static final double BASS_NOT_WHERE_WANTED = 2.5;

    private static final double BASS_STRING_SKIPPED = 0.2;
    /** The share of a slot after which a finger may leave for the next. */
    private static final double TIME_TO_CHANGE = 0.5;

    private final List<Slot> slots;
    private final Pace[] paces;
    private final ChangeMeter changes;
    private final int strings;
    private final BooleanSupplier cancelled;
    private final Candidate[][] layers;

    /**
     * @param slots of the song
     * @param tempo quarter notes a minute
     * @param candidates finds the ways to serve a slot
     * @param changes measures changes between them
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    SlotGraph(
            List<Slot> slots,
            double tempo,
            CandidateFinder candidates,
            ChangeMeter changes,
            BooleanSupplier cancelled) {
        this.slots = slots;
        this.strings = candidates.strings();
        this.changes = changes;
        this.cancelled = cancelled;
        this.paces = slots.stream().map(slot -> pace(slot, tempo)).toArray(Pace[]::new);
        this.layers = candidates.candidates(slots, this::checkCancelled);
    }

    private SlotGraph(SlotGraph other, Candidate[][] layers, BooleanSupplier cancelled) {
        this.slots = other.slots;
        this.strings = other.strings;
        this.paces = other.paces;
        this.changes = other.changes;
        this.layers = layers;
        this.cancelled = cancelled;
    }

    /** The same graph, to be given up on another request. */
    SlotGraph withCancel(BooleanSupplier newCancelled) {
        return new SlotGraph(this, layers, newCancelled);
    }

    /**
     * A graph in which sections that come again are held as the first time; their first and last slots stay free, to
     * join with what is around them.
     *
     * @param chosen the candidates of a way through this graph
     */
    SlotGraph tied(List<Integer> chosen, List<Reprises.Reprise> reprises) {
        Candidate[][] tied = layers.clone();
        for (Reprises.Reprise reprise : reprises) {
            int end = reprise.startTick() + reprise.lengthTicks();
            int first = layerFrom(reprise.startTick());
            int last = layerFrom(end) - 1;
            int earlier = layerFrom(reprise.firstTick());
            for (int i = 1; first + i < last; i++) {
                int again = first + i;
                boolean same = earlier + i < again
                        && layers[again] == layers[earlier + i]
                        && slots.get(again).startTick() - reprise.startTick()
                                == slots.get(earlier + i).startTick() - reprise.firstTick();
                if (same) {
                    tied[earlier + i] = new Candidate[] {layers[earlier + i][chosen.get(earlier + i)]};
                    tied[again] = tied[earlier + i];
                }
            }
        }
        return new SlotGraph(this, tied, cancelled);
    }

    private int layerFrom(int tick) {
        int layer = 0;
        while (layer < slots.size() && slots.get(layer).startTick() < tick) {
            layer++;
        }
        return layer;
    }

    List<Slot> slots() {
        return slots;
    }

    Candidate candidate(int layer, int index) {
        return layers[layer][index];
    }

    /** Whether a layer and the change into it are the same in another graph. */
    boolean sameAt(int layer, SlotGraph other) {
        return layers[layer] == other.layers[layer]
                && slots.get(layer).equals(other.slots.get(layer))
                && (layer == 0 || paces[layer - 1].equals(other.paces[layer - 1]));
    }

    private static Pace pace(Slot slot, double tempo) {
        int lastStroke = slot.inner().isEmpty()
                ? slot.startTick()
                : slot.inner().get(slot.inner().size() - 1).tick();
        double hasMs = TIME_TO_CHANGE * Ticks.milliseconds(slot.lengthTicks(), tempo);
        double lateMs = TIME_TO_CHANGE * Ticks.milliseconds(slot.endTick() - lastStroke, tempo);
        return new Pace(hasMs, lateMs);
    }

    private void checkCancelled() {
        if (cancelled.getAsBoolean()) {
            throw new CancellationException("arranging was cancelled");
        }
    }

    @Override
    public int layers() {
        return layers.length;
    }

    @Override
    public int candidates(int layer) {
        checkCancelled();
        return layers[layer].length;
    }

    @Override
    public long cost(int layer, int index) {
        Candidate candidate = layers[layer][index];
        double beats = slots.get(layer).lengthTicks() / (double) Ticks.QUARTER;
        double weight = Math.max(SHORTEST_WEIGHT, Math.min(LONGEST_WEIGHT, beats));
        double effort = candidate.grasp().effort() * weight + candidate.dislike();
        return PathCost.pack(candidate.unplayable(), candidate.melodyLost(), effort);
    }

    @Override
    public long change(int layer, int from, int to, long enough) {
        Candidate before = layers[layer - 1][from];
        Candidate after = layers[layer][to];
        Slot slot = slots.get(layer);
        int cut = slot.melodyRingsOn() && cuts(before, after, before.melodyString(), after.melodyString()) ? 1 : 0;
        double effort = innerCuts(layer, before, after);
        if (slot.bassRingsOn() && cuts(before, after, before.bassString(), after.bassString())) {
            effort += BASS_CUT;
        }
        if (slot.bassBegins()) {
            effort += bassStep(
                    before.bassString(), after.bassString(), slot.bass().get());
        }
        long known = PathCost.pack(0, cut, effort);
        if (known >= enough) {
            return known;
        }
        double most = PathCost.effortOfAtLeast(enough - known);
        return PathCost.pack(0, cut, effort + changeEffort(layer, before, after, most));
    }

    /** What the change into a layer costs the hand. */
    double changeEffort(int layer, Candidate before, Candidate after, double enough) {
        return changes.cost(before.stance(), after.stance(), paces[layer - 1], before.innerFingers(), enough);
    }

    private static boolean cuts(Candidate before, Candidate after, int stringBefore, int stringAfter) {
        return stringBefore != Candidate.NONE
                && (stringAfter != stringBefore || !before.ringsInto(after, stringBefore));
    }

    private double bassStep(int before, int after, BassStroke stroke) {
        if (before == Candidate.NONE || after == Candidate.NONE) {
            return 0;
        }
        if (stroke.strings() != BassStrings.AS_IT_LIES) {
            return stroke.strings().agrees(before, after, strings) ? 0 : BASS_NOT_WHERE_WANTED;
        }
        return before == after ? BASS_STRING_AGAIN : BASS_STRING_SKIPPED * (Math.abs(before - after) - 1);
    }

    private double innerCuts(int layer, Candidate before, Candidate after) {
        return slots.get(layer - 1).inner().isEmpty() ? 0 : INNER_CUT * before.innerCutBy(after);
    }
}

package phalanx.arrange;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import phalanx.lefthand.PathCost;
import phalanx.song.Song;

/**
 * An arranged song.
 *
 * @param request what was arranged; its song stands where it was moved to
 * @param movedBy semitones the song was moved by to fit the guitar
 * @param notes in order of tick, at one tick from the lowest string
 * @param holds in order of tick
 * @param slots what the left hand does, without gaps
 * @param innerAsked how many inner strokes the pattern asked for
 * @param findings of the audit, in order of tick
 * @param cost of the whole song, by which the path was chosen
 * @param ceiling the fastest tempo
 */
public record Arrangement(
        Request request,
        int movedBy,
        List<ArrangedNote> notes,
        List<Hold> holds,
        List<ArrangedSlot> slots,
        int innerAsked,
        List<Finding> findings,
        PathCost cost,
        TempoCeiling ceiling) {
    public Arrangement {
        Objects.requireNonNull(request, "request");
        Objects.requireNonNull(cost, "cost");
        Objects.requireNonNull(ceiling, "ceiling");
        notes = List.copyOf(notes);
        holds = List.copyOf(holds);
        slots = List.copyOf(slots);
        findings = List.copyOf(findings);
    }

    public Song song() {
        return request.song();
    }

    /** Effort of the whole song. */
    public double effort() {
        return cost.effort();
    }

    /** The slot a tick falls in; the last one for ticks beyond the end. */
    public ArrangedSlot slotAt(int tick) {
        int low = 0;
        int high = slots.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (slots.get(middle).startTick() <= tick) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return slots.get(low);
    }

    /** Effort of each bar: the sum over the slots that begin in it. */
    public List<Double> barEfforts() {
        double[] efforts = new double[song().bars().size()];
        for (ArrangedSlot slot : slots) {
            efforts[song().barIndexAt(slot.startTick())] += slot.effort().total();
        }
        return Arrays.stream(efforts).boxed().toList();
    }

    Arrangement with(List<Finding> newFindings) {
        return new Arrangement(request, movedBy, notes, holds, slots, innerAsked, newFindings, cost, ceiling);
    }
}

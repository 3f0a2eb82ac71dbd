package phalanx.arrange.demand;

import java.util.List;
import java.util.Optional;
import phalanx.righthand.PickingPlan;

/** What is asked of the hands over a whole song. */
public final class SongDemand {
    private final Strokes strokes;
    private final List<Slot> slots;

    private SongDemand(Strokes strokes, List<Slot> slots) {
        this.strokes = strokes;
        this.slots = List.copyOf(slots);
    }

    public static SongDemand of(Request request) {
        return of(request, Optional.empty());
    }

    /** @param before another one: strokes that serve, and slots that are the same, are taken over */
    public static SongDemand of(Request request, Optional<SongDemand> before) {
        Strokes strokes = before.map(other -> other.strokes)
                .filter(known -> known.serve(request))
                .orElseGet(() -> Strokes.of(request));
        List<Slot> cut = new SlotCutter()
                .slots(request.played(), strokes.bass(), strokes.plan().inner(), request.shapes());
        List<Slot> slots = new ColourSchedule(request).of(cut);
        before.ifPresent(other -> takeOver(other.slots, slots));
        return new SongDemand(strokes, slots);
    }

    private static void takeOver(List<Slot> known, List<Slot> slots) {
        int next = 0;
        for (int at = 0; at < slots.size(); at++) {
            Slot slot = slots.get(at);
            while (next < known.size() && known.get(next).startTick() < slot.startTick()) {
                next++;
            }
            if (next < known.size() && known.get(next).equals(slot)) {
                slots.set(at, known.get(next));
            }
        }
    }

    /** The strokes of the right hand. */
    public PickingPlan plan() {
        return strokes.plan();
    }

    /** The song cut into stretches, without gaps. */
    public List<Slot> slots() {
        return slots;
    }

    /** How many inner strokes are asked for. */
    public int innerAsked() {
        return slots.stream().mapToInt(slot -> slot.inner().size()).sum();
    }
}

package phalanx.arrange.demand;

import java.util.List;
import java.util.Set;
import phalanx.righthand.BassStroke;
import phalanx.righthand.HandPlace;
import phalanx.righthand.PickingPlan;
import phalanx.righthand.WalkingBass;
import phalanx.song.PhraseEnds;
import phalanx.song.Song;

/**
 * What is asked of the hands over a whole song.
 *
 * @param plan the strokes of the right hand
 * @param slots the song cut into stretches, without gaps
 */
public record SongDemand(PickingPlan plan, List<Slot> slots) {
    public SongDemand {
        slots = List.copyOf(slots);
    }

    public static SongDemand of(Request request) {
        Song song = request.played();
        PickingPlan plan = PickingPlan.of(song, request.picking(), ends(request))
                .withInner(
                        request.inners(),
                        song,
                        request.picking().school().digits().size());
        int lowest = request.instrument().lowestMidi();
        int highest = BassEar.highestBass(request.instrument());
        List<BassStroke> own = plan.bass().stream()
                .map(stroke -> stroke.within(lowest, highest))
                .toList();
        List<BassStroke> line = new WalkingBass(song, request.picking(), lowest, highest).over(own);
        List<BassStroke> bass = request.picking().place() == HandPlace.HEEL
                ? line.stream().map(SongDemand::damped).toList()
                : line;
        List<Slot> slots = new SlotCutter().slots(song, bass, plan.inner(), request.shapes());
        return new SongDemand(plan, new ColourSchedule(request).of(slots));
    }

    private static Set<Integer> ends(Request request) {
        return request.wishes().fullEnds() ? new PhraseEnds(request.song()).find() : Set.of();
    }

    /** The heel on the bridge damps the bass. */
    private static BassStroke damped(BassStroke stroke) {
        int half = Math.max(1, (stroke.endTick() - stroke.tick()) / 2);
        return new BassStroke(
                stroke.tick(),
                stroke.tick() + half,
                stroke.chord(),
                stroke.allowed(),
                stroke.preferred(),
                stroke.strings(),
                stroke.midi());
    }

    /** How many inner strokes are asked for. */
    public int innerAsked() {
        return slots.stream().mapToInt(slot -> slot.inner().size()).sum();
    }
}

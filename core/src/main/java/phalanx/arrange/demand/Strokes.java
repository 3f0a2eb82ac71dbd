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
 * The strokes of the right hand over a whole song.
 *
 * @param asked what they were asked for
 * @param plan by the picking
 * @param bass as it walks, and as the heel damps it
 */
record Strokes(Request asked, PickingPlan plan, List<BassStroke> bass) {
    Strokes {
        bass = List.copyOf(bass);
    }

    static Strokes of(Request request) {
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
                ? line.stream().map(Strokes::damped).toList()
                : line;
        return new Strokes(request, plan, bass);
    }

    /** Whether a request has the same strokes: one that differs in what is decided of the left hand alone. */
    boolean serve(Request other) {
        return asked.instrument().equals(other.instrument())
                && asked.picking().equals(other.picking())
                && asked.wishes().equals(other.wishes())
                && asked.inners().equals(other.inners())
                && asked.song().equals(other.song());
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
}

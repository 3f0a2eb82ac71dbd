package phalanx.desktop.arrange;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.TempoCeiling;
import phalanx.arrange.score.Track;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.MoveMeter;

/**
 * What the hands have time for in an arrangement.
 *
 * @param arrangement that was measured
 * @param ceilings of each bar
 * @param track of the left hand
 */
record HandTimes(Arrangement arrangement, List<TempoCeiling> ceilings, Track track) {
    static HandTimes of(Arrangement arrangement) {
        MoveMeter meter = new MoveMeter(
                arrangement.request().instrument(), arrangement.request().hand());
        return new HandTimes(arrangement, new Audit(meter).barCeilings(arrangement), Track.of(arrangement, meter));
    }

    /**
     * A change and where it leads.
     *
     * @param tick where the hand has come
     */
    record Next(int tick, Change change) {}

    /** The first change from a moment on in which the hand does anything. */
    Optional<Next> next(int tick) {
        int first = arrangement.slots().indexOf(arrangement.slotAt(tick));
        return IntStream.range(first, track.changes().size())
                .filter(at -> track.changes().get(at).tempoCeiling() < Double.POSITIVE_INFINITY)
                .mapToObj(at -> new Next(
                        track.spans().get(at + 1).startTick(), track.changes().get(at)))
                .findFirst();
    }
}

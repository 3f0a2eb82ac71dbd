package phalanx.arrange.advice;

import java.util.List;
import java.util.Objects;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;

/**
 * A way through a song that can be played faster than the present one.
 *
 * @param arrangement solved for a faster tempo
 * @param moreEffort what it costs more at the song's own tempo
 */
public record FasterWay(Arrangement arrangement, double moreEffort) {
    public FasterWay {
        Objects.requireNonNull(arrangement, "arrangement");
    }

    /** The fastest tempo it can be played at, in quarter notes a minute. */
    public double ceiling() {
        return arrangement.ceiling().tempo();
    }

    /** The locks that keep the song to it. */
    public List<ShapeLock> locks() {
        return arrangement.slots().stream().map(ArrangedSlot::lock).toList();
    }
}

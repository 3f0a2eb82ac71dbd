package phalanx.arrange.demand;

import java.util.Objects;
import phalanx.lefthand.shape.HeldShape;

/**
 * The player's decision to hold a shape for a stretch of the song. Tune notes that the shape does not have are played
 * beside it, or with one of its fingers lifted.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param held the shape and its fingers
 */
public record Lock(int startTick, int endTick, HeldShape held) {
    public Lock {
        Objects.requireNonNull(held, "held");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException("a lock from tick " + startTick + " to " + endTick);
        }
    }

    public boolean covers(int tick) {
        return tick >= startTick && tick < endTick;
    }

    public boolean overlaps(Lock other) {
        return startTick < other.endTick && other.startTick < endTick;
    }
}

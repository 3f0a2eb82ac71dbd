package phalanx.arrange;

import java.util.Objects;
import phalanx.lefthand.Effort;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.HeldShape;

/**
 * What the left hand does in a slot, and why it costs what it costs.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param held the strings it plays or can play, and the fingers they need
 * @param fingering who presses, with fingers that only stay where they were
 * @param effort of the fingering and of the change into it
 */
public record ArrangedSlot(int startTick, int endTick, HeldShape held, Fingering fingering, Effort effort) {
    public ArrangedSlot {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(fingering, "fingering");
        Objects.requireNonNull(effort, "effort");
    }

    /** The lock that keeps the song to what it does here. */
    public Lock lock() {
        return new Lock(startTick, endTick, held);
    }
}

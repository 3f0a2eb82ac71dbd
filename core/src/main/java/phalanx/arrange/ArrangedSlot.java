package phalanx.arrange;

import java.util.Objects;
import phalanx.lefthand.Effort;
import phalanx.lefthand.Fingering;

/**
 * What the left hand does in a slot, and why it costs what it costs.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param fingering who presses
 * @param effort of the fingering and of the change into it
 */
public record ArrangedSlot(int startTick, int endTick, Fingering fingering, Effort effort) {
    public ArrangedSlot {
        Objects.requireNonNull(fingering, "fingering");
        Objects.requireNonNull(effort, "effort");
    }
}

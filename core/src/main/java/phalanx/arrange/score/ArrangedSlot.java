package phalanx.arrange.score;

import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.demand.ShapeLock;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.track.Posture;

/**
 * What the left hand does in a slot, and why it costs what it costs.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param held the strings it plays or keeps stopped, and the fingers that hold them
 * @param printed which of its chord's printed shapes is in hand, if one, for the tune or the bass perhaps changed
 * @param posture who presses, and where the hand stands
 * @param effort of the slot and of the change into it; those of all slots add up to the song's
 */
public record ArrangedSlot(
        int startTick, int endTick, HeldShape held, Optional<Shape> printed, Posture posture, Effort effort) {
    public ArrangedSlot {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(printed, "printed");
        Objects.requireNonNull(posture, "posture");
        Objects.requireNonNull(effort, "effort");
    }

    /** The same at another price. */
    public ArrangedSlot with(Effort newEffort) {
        return new ArrangedSlot(startTick, endTick, held, printed, posture, newEffort);
    }

    public Fingering fingering() {
        return posture.fingering();
    }

    /** The lock that keeps the song to what it does here. */
    public ShapeLock lock() {
        return new ShapeLock(startTick, endTick, held);
    }
}

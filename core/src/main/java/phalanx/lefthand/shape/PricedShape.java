package phalanx.lefthand.shape;

import java.util.List;
import java.util.Objects;
import phalanx.cost.Effort;

/**
 * A shape in fingers and what holding it for a beat costs.
 *
 * @param held the shape and its fingers
 * @param effort the cost of holding it
 */
public record PricedShape(HeldShape held, Effort effort) {
    public PricedShape {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(effort, "effort");
    }

    public Shape shape() {
        return held.shape();
    }

    public Fingering fingering() {
        return held.fingering();
    }

    /** Finger symbols from the lowest string to string 1, "0" where no finger presses. */
    public List<String> fingers() {
        return held.fingers();
    }
}

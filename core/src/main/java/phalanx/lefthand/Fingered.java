package phalanx.lefthand;

import java.util.List;
import java.util.Objects;

/**
 * A shape with the fingers that hold it and what that costs.
 *
 * @param shape what each string does
 * @param fingering who presses
 * @param effort the cost of holding it
 */
public record Fingered(Shape shape, Fingering fingering, Effort effort) {
    public Fingered {
        Objects.requireNonNull(shape, "shape");
        Objects.requireNonNull(fingering, "fingering");
        Objects.requireNonNull(effort, "effort");
    }

    /** Finger symbols from the lowest string to string 1, "0" where no finger presses. */
    public List<String> fingers() {
        return fingering.symbols(shape);
    }
}

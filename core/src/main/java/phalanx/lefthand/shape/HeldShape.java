package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;

/**
 * A shape and the fingers that hold it: what a player keeps, locks or compares.
 *
 * @param shape what each string does
 * @param fingering who presses
 */
public record HeldShape(Shape shape, Fingering fingering) {
    public HeldShape {
        Objects.requireNonNull(shape, "shape");
        Objects.requireNonNull(fingering, "fingering");
        for (int string = 1; string <= shape.strings(); string++) {
            int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
            if (shape.sounds(string) && stopped != shape.fret(string)) {
                throw new IllegalArgumentException(
                        wording("HeldShape.shape-wants-fret-on-string", shape, shape.fret(string), string, stopped));
            }
        }
    }

    /** Finger symbols from the lowest string, "0" where no finger presses. */
    public List<String> fingers() {
        return fingering.symbols(shape);
    }
}

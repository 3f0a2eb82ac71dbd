package phalanx.lefthand.shape;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import phalanx.guitar.Reach;

/**
 * Whether and how the hand holds a shape.
 *
 * @param shape the shape asked about
 * @param playable whether it can be held
 * @param fingers finger symbols from the lowest string, "0" for none; empty when there is no way at all
 * @param reachMm distances of the finger pairs in use, in mm
 * @param effort of holding it
 * @param reasons why it cannot be held, or what it asks of the hand; plain sentences
 */
public record ReachReport(
        Shape shape,
        boolean playable,
        List<String> fingers,
        Map<Reach.Pair, Double> reachMm,
        double effort,
        List<String> reasons) {
    public ReachReport {
        Objects.requireNonNull(shape, "shape");
        fingers = List.copyOf(fingers);
        reasons = List.copyOf(reasons);
    }
}

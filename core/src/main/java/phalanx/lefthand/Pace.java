package phalanx.lefthand;

/**
 * How much time fingers have for a change.
 *
 * @param hasMs of a finger whose last note began with the slot, in milliseconds
 * @param lateHasMs of a finger that served a note struck later in the slot
 */
public record Pace(double hasMs, double lateHasMs) {
    public Pace {
        if (!(hasMs >= 0 && lateHasMs >= 0)) {
            throw new IllegalArgumentException("a change in " + hasMs + " ms, late " + lateHasMs + " ms");
        }
    }
}

package phalanx.lefthand;

import java.util.Objects;
import java.util.Optional;

/**
 * What one finger does in a change.
 *
 * @param finger which
 * @param kind how it goes
 * @param from where it pressed, if it did
 * @param to where it presses next, if it does
 * @param travelMm how far its tip goes
 * @param needsMs how long that takes by Fitts' law
 * @param squeaks whether it slides along a wound string
 */
public record FingerMove(
        Finger finger,
        Kind kind,
        Optional<Press> from,
        Optional<Press> to,
        double travelMm,
        double needsMs,
        boolean squeaks) {
    /** The ways a finger goes. */
    public enum Kind {
        ANCHOR("stays"),
        ROLL("rolls"),
        GUIDE("slides"),
        JUMP("jumps"),
        PLACE("comes down"),
        LIFT("lifts");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public FingerMove {
        Objects.requireNonNull(finger, "finger");
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(from, "from");
        Objects.requireNonNull(to, "to");
    }

    /** One plain sentence without figures of time. */
    public String words() {
        String who = "finger " + finger.symbol() + " ";
        return switch (kind) {
            case ANCHOR -> who + "stays on " + place(from.orElseThrow());
            case ROLL ->
                who + "stays on fret " + to.orElseThrow().fret() + " and rolls to " + strings(to.orElseThrow());
            case GUIDE ->
                who + "slides on string " + to.orElseThrow().trebleString() + " from fret "
                        + from.orElseThrow().fret() + " to " + to.orElseThrow().fret();
            case JUMP -> who + "goes from " + place(from.orElseThrow()) + " to " + place(to.orElseThrow());
            case PLACE -> who + "comes down on " + place(to.orElseThrow());
            case LIFT -> who + "lifts from " + place(from.orElseThrow());
        };
    }

    private static String place(Press press) {
        return strings(press) + ", fret " + press.fret();
    }

    private static String strings(Press press) {
        return press.isBarre()
                ? "strings " + press.bassString() + " to " + press.trebleString()
                : "string " + press.bassString();
    }
}

package phalanx.lefthand.track;

import java.util.Objects;
import java.util.Optional;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Press;

/**
 * What one finger does in a change.
 *
 * @param finger which
 * @param kind how it goes
 * @param from where it pressed, if it did
 * @param to where it presses next, if it does
 * @param mm how far its tip goes, from its rest place where it was up
 * @param needsMs how long that takes by Fitts' law, and by laying or lifting a barre
 * @param hadTicks the time it has
 * @param hasMs the same at the tempo
 * @param takesOver the finger that must be gone from the string before it can come down, if there is one
 * @param squeaks whether it slides along a wound string
 */
public record FingerMove(
        Finger finger,
        Kind kind,
        Optional<Press> from,
        Optional<Press> to,
        double mm,
        double needsMs,
        int hadTicks,
        double hasMs,
        Optional<Finger> takesOver,
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
        Objects.requireNonNull(takesOver, "takesOver");
    }

    /** Whether it needs more time than it has. */
    public boolean tooFast() {
        return needsMs > hasMs;
    }

    /** Whether it ends in a barre or comes from one. */
    public boolean isOfBarre() {
        return from.filter(Press::isBarre).isPresent()
                || to.filter(Press::isBarre).isPresent();
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

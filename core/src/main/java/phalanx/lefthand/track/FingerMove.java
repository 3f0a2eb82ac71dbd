package phalanx.lefthand.track;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Press;
import phalanx.words.Words;

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
        ANCHOR,
        ROLL,
        GUIDE,
        JUMP,
        PLACE,
        LIFT;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
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
        String who = wording("FingerMove.finger", finger.symbol());
        return switch (kind) {
            case ANCHOR -> wording("FingerMove.stays-on", who, place(from.orElseThrow()));
            case ROLL ->
                wording(
                        "FingerMove.stays-on-fret-and-rolls",
                        who,
                        to.orElseThrow().fret(),
                        strings(to.orElseThrow()));
            case GUIDE ->
                wording(
                        "FingerMove.slides-on-string-from-fret",
                        who,
                        to.orElseThrow().trebleString(),
                        from.orElseThrow().fret(),
                        to.orElseThrow().fret());
            case JUMP -> wording("FingerMove.goes-from-to", who, place(from.orElseThrow()), place(to.orElseThrow()));
            case PLACE -> wording("FingerMove.comes-down-on", who, place(to.orElseThrow()));
            case LIFT -> wording("FingerMove.lifts-from", who, place(from.orElseThrow()));
        };
    }

    private static String place(Press press) {
        return wording("FingerMove.fret", strings(press), press.fret());
    }

    private static String strings(Press press) {
        return press.isBarre()
                ? wording("FingerMove.strings-to", press.bassString(), press.trebleString())
                : wording("FingerMove.string", press.bassString());
    }
}

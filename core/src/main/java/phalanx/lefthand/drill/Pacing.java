package phalanx.lefthand.drill;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;
import phalanx.lefthand.track.Shift;
import phalanx.words.Words;

/**
 * What sets the pace of a change: the finger, or the hand, that needs the greatest share of its time.
 *
 * @param words what it does
 * @param mm how far it goes
 * @param needsMs how long that takes
 * @param hasMs how long it has at the tempo
 */
public record Pacing(String words, double mm, double needsMs, double hasMs) {
    /** The pace of a change; nothing where neither a finger nor the hand moves. */
    public static Optional<Pacing> of(Change change) {
        Optional<Pacing> finger = change.slowest().map(Pacing::of);
        Optional<Pacing> hand = change.shift().map(Pacing::of);
        if (finger.isEmpty() || hand.isEmpty()) {
            return finger.or(() -> hand);
        }
        return hand.get().share() > finger.get().share() ? hand : finger;
    }

    /** What a finger does. */
    public static Pacing of(FingerMove move) {
        return new Pacing(move.words(), move.mm(), move.needsMs(), move.hasMs());
    }

    /** What the hand does. */
    public static Pacing of(Shift shift) {
        return new Pacing(
                shift.words() + (shift.led() ? wording("Pacing.led-by-a-finger") : ""),
                shift.mm(),
                shift.needsMs(),
                shift.hasMs());
    }

    private double share() {
        return needsMs / hasMs;
    }

    /** One sentence with its figures. */
    public String sentence() {
        return String.format(Words.figures(), wording("Pacing.mm-needs-of-ms"), words, mm, needsMs, hasMs);
    }

    /** Whether it needs more time than it has. */
    public boolean tooFast() {
        return needsMs > hasMs;
    }
}

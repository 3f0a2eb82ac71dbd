package phalanx.lefthand.track;

import static phalanx.words.Words.wording;

/**
 * The whole hand moves along the neck.
 *
 * @param from the position before
 * @param to the position after
 * @param mm how far
 * @param needsMs how long that takes by Fitts' law
 * @param hadTicks the time it has
 * @param hasMs the same at the tempo
 * @param led whether a finger slides along with the hand and leads it
 */
public record Shift(int from, int to, double mm, double needsMs, int hadTicks, double hasMs, boolean led) {
    /** Whether it needs more time than it has. */
    public boolean tooFast() {
        return needsMs > hasMs;
    }

    /** One plain sentence without figures of time. */
    public String words() {
        return wording("Shift.the-hand-shifts-from-position", from, to);
    }
}

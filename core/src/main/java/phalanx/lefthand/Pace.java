package phalanx.lefthand;

import phalanx.guitar.Hand;

/**
 * How much time fingers have for a change, and how far they get in it.
 *
 * @param hasMs of a finger whose last note began with the slot, in milliseconds
 * @param reachesMm how far it travels in that time
 * @param lateHasMs of a finger that served a note struck later in the slot
 * @param lateReachesMm how far that one travels
 */
public record Pace(double hasMs, double reachesMm, double lateHasMs, double lateReachesMm) {
    public static Pace of(Hand hand, double hasMs, double lateHasMs) {
        return new Pace(hasMs, hand.travelMm(hasMs), lateHasMs, hand.travelMm(lateHasMs));
    }
}

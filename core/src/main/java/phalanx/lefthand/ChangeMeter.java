package phalanx.lefthand;

import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Measures what a change from one fingering to the next costs: fingers placed and lifted, guides along a string,
 * jumps, the shift of the whole hand, and fingers that need more time than they have (Fitts' law).
 */
public final class ChangeMeter {
    private final Hand hand;
    private final Neck neck;
    private double lastHasMs = Double.NaN;
    private double lastReachableMm;

    public ChangeMeter(Instrument instrument, Hand hand) {
        this.hand = hand;
        this.neck = new Neck(instrument);
    }

    /** The cost of a change in the unit of effort, with so many milliseconds for a finger to travel. */
    public double cost(Stance before, Stance after, double hasMs) {
        Grip from = before.grip;
        Grip to = after.grip;
        double cost = 0;
        for (int finger = 0; finger < from.fret.length; finger++) {
            if (from.uses(finger) && to.uses(finger)) {
                cost += move(from, to, finger, hasMs);
            } else if (to.uses(finger)) {
                cost += EffortWeights.PLACE;
            } else if (from.uses(finger)) {
                cost += EffortWeights.LIFT;
            }
        }
        return cost + shift(before.position(), after.position(), hasMs);
    }

    private double move(Grip from, Grip to, int finger, double hasMs) {
        boolean overlap = from.bass[finger] >= to.treble[finger] && to.bass[finger] >= from.treble[finger];
        if (from.fret[finger] == to.fret[finger] && overlap) {
            boolean same = from.bass[finger] == to.bass[finger] && from.treble[finger] == to.treble[finger];
            return same ? 0 : EffortWeights.ROLL_INTO_BARRE;
        }
        double mm = travelMm(from, to, finger);
        double cost = overlap
                ? EffortWeights.GUIDE + EffortWeights.GUIDE_PER_100_MM * mm / 100
                : EffortWeights.JUMP + EffortWeights.JUMP_PER_100_MM * mm / 100;
        return cost + tooFast(mm, hasMs);
    }

    private double travelMm(Grip from, Grip to, int finger) {
        return neck.distance(from.treble[finger], from.fret[finger], to.treble[finger], to.fret[finger]);
    }

    private double tooFast(double mm, double hasMs) {
        if (mm <= reachableMm(hasMs)) {
            return 0;
        }
        double needs = hand.travelMs(mm);
        return needs > hasMs ? EffortWeights.TOO_FAST * needs / Math.max(hasMs, 1) : 0;
    }

    /** How far a finger gets in a time; remembered, because a whole layer of changes has the same time. */
    private double reachableMm(double hasMs) {
        if (hasMs != lastHasMs) {
            lastHasMs = hasMs;
            lastReachableMm = hand.travelMm(hasMs);
        }
        return lastReachableMm;
    }

    private double shift(int before, int after, double hasMs) {
        if (before == after) {
            return 0;
        }
        double mm = Math.abs(neck.along(after) - neck.along(before));
        return EffortWeights.SHIFT_PER_100_MM * mm / 100 + tooFast(mm, hasMs) / 2;
    }
}

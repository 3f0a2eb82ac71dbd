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

    public ChangeMeter(Instrument instrument, Hand hand) {
        this.hand = hand;
        this.neck = new Neck(instrument);
    }

    /**
     * The cost of a change in the unit of effort.
     *
     * @param pace how much time fingers have
     * @param lateFingers those that served a late note, bit n for the finger of ordinal n
     */
    public double cost(Stance before, Stance after, Pace pace, int lateFingers) {
        Grip from = before.grip;
        Grip to = after.grip;
        double cost = 0;
        for (int finger = 0; finger < from.fret.length; finger++) {
            if (from.uses(finger) && to.uses(finger)) {
                cost += move(from, to, finger, pace, (lateFingers >> finger & 1) == 1);
            } else if (to.uses(finger)) {
                cost += EffortWeights.PLACE;
            } else if (from.uses(finger)) {
                cost += EffortWeights.LIFT;
            }
        }
        return cost + shift(before.position(), after.position(), pace);
    }

    private double move(Grip from, Grip to, int finger, Pace pace, boolean late) {
        boolean overlap = from.bass[finger] >= to.treble[finger] && to.bass[finger] >= from.treble[finger];
        if (from.fret[finger] == to.fret[finger] && overlap) {
            boolean same = from.bass[finger] == to.bass[finger] && from.treble[finger] == to.treble[finger];
            return same ? 0 : EffortWeights.ROLL_INTO_BARRE;
        }
        double mm = travelMm(from, to, finger);
        double cost = overlap
                ? EffortWeights.GUIDE + EffortWeights.GUIDE_PER_100_MM * mm / 100
                : EffortWeights.JUMP + EffortWeights.JUMP_PER_100_MM * mm / 100;
        return cost
                + (late
                        ? tooFast(mm, pace.lateReachesMm(), pace.lateHasMs())
                        : tooFast(mm, pace.reachesMm(), pace.hasMs()));
    }

    private double travelMm(Grip from, Grip to, int finger) {
        return neck.distance(from.treble[finger], from.fret[finger], to.treble[finger], to.fret[finger]);
    }

    private double tooFast(double mm, double reachesMm, double hasMs) {
        return mm <= reachesMm ? 0 : EffortWeights.TOO_FAST * hand.travelMs(mm) / Math.max(hasMs, 1);
    }

    private double shift(int before, int after, Pace pace) {
        if (before == after) {
            return 0;
        }
        double mm = Math.abs(neck.along(after) - neck.along(before));
        return EffortWeights.SHIFT_PER_100_MM * mm / 100 + tooFast(mm, pace.reachesMm(), pace.hasMs()) / 2;
    }
}

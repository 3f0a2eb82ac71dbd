package phalanx.lefthand;

import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Measures what a change from one fingering to the next costs: fingers placed and lifted, guides along a string,
 * jumps, the shift of the whole hand, and fingers that need more time than they have (Fitts' law).
 */
public final class ChangeMeter {
    private final int strings;
    private final Travels tips;
    private final Travels shifts;

    public ChangeMeter(Instrument instrument, Hand hand) {
        Neck neck = new Neck(instrument);
        this.strings = instrument.strings();
        int frets = neck.highestFret() + 1;
        this.tips = new Travels(
                frets * strings,
                hand,
                (a, b) -> neck.distance(a % strings + 1, a / strings, b % strings + 1, b / strings));
        this.shifts = new Travels(frets, hand, (a, b) -> Math.abs(neck.along(a) - neck.along(b)));
    }

    /** How far and how long from each place to each other; the path asks for the same few thousand all the time. */
    private static final class Travels {
        private final double[][] mm;
        private final double[][] ms;

        Travels(int places, Hand hand, DoubleBinary distance) {
            mm = new double[places][places];
            ms = new double[places][places];
            for (int a = 0; a < places; a++) {
                for (int b = 0; b < a; b++) {
                    mm[a][b] = distance.of(a, b);
                    mm[b][a] = mm[a][b];
                    ms[a][b] = hand.travelMs(mm[a][b]);
                    ms[b][a] = ms[a][b];
                }
            }
        }

        private interface DoubleBinary {
            double of(int a, int b);
        }
    }

    /**
     * The cost of a change in the unit of effort.
     *
     * @param pace how much time fingers have
     * @param lateFingers those that served a late note, bit n for the finger of ordinal n
     * @param enough a cost that is too high to matter: the sum may stop there
     */
    public double cost(Stance before, Stance after, Pace pace, int lateFingers, double enough) {
        double cost = 0;
        double led = 1;
        for (int finger = 0; finger < before.presses.length && cost < enough; finger++) {
            int from = before.presses[finger];
            int to = after.presses[finger];
            if (from == to) {
                continue;
            }
            if (from == 0) {
                cost += EffortWeights.PLACE;
            } else if (to == 0) {
                cost += EffortWeights.LIFT;
            } else {
                boolean late = (lateFingers >> finger & 1) == 1;
                cost += move(before.grip, after.grip, finger, late ? pace.lateHasMs() : pace.hasMs());
                if (slides(before.grip, after.grip, finger)) {
                    led = EffortWeights.GUIDED_SHIFT;
                }
            }
        }
        if (cost >= enough) {
            return cost;
        }
        return cost + led * shift(before.position(), after.position(), pace) + substitutions(before, after);
    }

    private static boolean slides(Grip from, Grip to, int finger) {
        return from.fret[finger] != to.fret[finger]
                && from.bass[finger] >= to.treble[finger]
                && to.bass[finger] >= from.treble[finger];
    }

    private double substitutions(Stance before, Stance after) {
        double cost = 0;
        for (int string = 1; string <= strings; string++) {
            int from = before.stops[string];
            int to = after.stops[string];
            if (from != to && from != 0 && to != 0) {
                boolean sameFinger = from % Stance.FINGERS == to % Stance.FINGERS;
                boolean sameFret = from / Stance.FINGERS == to / Stance.FINGERS;
                cost += sameFinger || sameFret ? 0 : EffortWeights.SUBSTITUTION;
            }
        }
        return cost;
    }

    /** The whole cost of a change. */
    public double cost(Stance before, Stance after, Pace pace, int lateFingers) {
        return cost(before, after, pace, lateFingers, Double.POSITIVE_INFINITY);
    }

    private double move(Grip from, Grip to, int finger, double hasMs) {
        boolean slides = slides(from, to, finger);
        boolean overlap = from.bass[finger] >= to.treble[finger] && to.bass[finger] >= from.treble[finger];
        if (overlap && !slides) {
            return EffortWeights.ROLL_INTO_BARRE;
        }
        int a = from.fret[finger] * strings + from.treble[finger] - 1;
        int b = to.fret[finger] * strings + to.treble[finger] - 1;
        double mm = tips.mm[a][b];
        double cost = slides
                ? EffortWeights.GUIDE + EffortWeights.GUIDE_PER_100_MM * mm / 100
                : EffortWeights.JUMP + EffortWeights.JUMP_PER_100_MM * mm / 100;
        return cost + tooFast(tips.ms[a][b], hasMs);
    }

    private static double tooFast(double needsMs, double hasMs) {
        return needsMs <= hasMs ? 0 : EffortWeights.TOO_FAST * needsMs / Math.max(hasMs, 1);
    }

    private double shift(int before, int after, Pace pace) {
        return before == after
                ? 0
                : EffortWeights.SHIFT_PER_100_MM * shifts.mm[before][after] / 100
                        + tooFast(shifts.ms[before][after], pace.hasMs()) / 2;
    }
}

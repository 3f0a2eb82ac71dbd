package phalanx.lefthand;

import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Measures what a change from one fingering to the next costs: fingers placed and lifted, guides along a string,
 * jumps, the shift of the whole hand, and fingers that need more time than they have (Fitts' law).
 *
 * <p>The path asks for the same few thousand moves all the time. Those of a fingertip from any place on the neck to any
 * other, and the shifts of the hand, are therefore measured once and looked up; only barres are measured anew.
 */
public final class ChangeMeter {
    private final int strings;
    private final Moves tips;
    private final Moves shifts;

    public ChangeMeter(Instrument instrument, Hand hand) {
        Neck neck = new Neck(instrument);
        this.strings = instrument.strings();
        int positions = neck.highestFret() + 1;
        this.tips = tipMoves(positions * strings + 1, neck, hand);
        this.shifts = new Moves(positions);
        for (int from = 0; from < positions; from++) {
            for (int to = 0; to < positions; to++) {
                double mm = Math.abs(neck.along(from) - neck.along(to));
                if (from != to) {
                    shifts.put(from, to, mm, EffortWeights.SHIFT_PER_100_MM * mm / 100, hand.travelMs(mm), false);
                }
            }
        }
    }

    /** How far each move from one of some places to another goes, its cost, how long it takes, whether it is a slide. */
    private static final class Moves {
        private final int places;
        private final float[] mm;
        private final float[] cost;
        /** Less than nought for a slide. */
        private final float[] ms;

        Moves(int places) {
            this.places = places;
            this.mm = new float[places * places];
            this.cost = new float[places * places];
            this.ms = new float[places * places];
        }

        int at(int from, int to) {
            return from * places + to;
        }

        void put(int from, int to, double moveMm, double moveCost, double moveMs, boolean slide) {
            mm[at(from, to)] = (float) moveMm;
            cost[at(from, to)] = (float) moveCost;
            ms[at(from, to)] = (float) (slide ? -moveMs : moveMs);
        }
    }

    /** Places are {@code fret * strings + string}; place 0 is a finger that is up. */
    private Moves tipMoves(int places, Neck neck, Hand hand) {
        Moves moves = new Moves(places);
        for (int from = strings + 1; from < places; from++) {
            moves.put(0, from, 0, EffortWeights.PLACE, 0, false);
            moves.put(from, 0, 0, EffortWeights.LIFT, 0, false);
            int fret = (from - 1) / strings;
            int string = (from - 1) % strings + 1;
            for (int to = strings + 1; to < places; to++) {
                int stringTo = (to - 1) % strings + 1;
                double mm = neck.distance(string, fret, stringTo, (to - 1) / strings);
                if (from != to) {
                    boolean slides = string == stringTo;
                    moves.put(from, to, mm, moveCost(slides, mm), hand.travelMs(mm), slides);
                }
            }
        }
        return moves;
    }

    private static double moveCost(boolean slides, double mm) {
        return slides
                ? EffortWeights.GUIDE + EffortWeights.GUIDE_PER_100_MM * mm / 100
                : EffortWeights.JUMP + EffortWeights.JUMP_PER_100_MM * mm / 100;
    }

    /** The whole cost of a change. */
    public double cost(Stance before, Stance after, Pace pace, int lateFingers) {
        return cost(before, after, pace, lateFingers, Double.POSITIVE_INFINITY);
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
        boolean led = false;
        int barres = before.barres | after.barres;
        for (int finger = 0; finger < before.presses.length && cost < enough; finger++) {
            int from = before.presses[finger];
            int to = after.presses[finger];
            if (from == to) {
                continue;
            }
            double hasMs = (lateFingers >> finger & 1) == 1 ? pace.lateHasMs() : pace.hasMs();
            if ((barres >> finger & 1) == 1 && from != 0 && to != 0) {
                cost += barreMove(from, to, hasMs);
                led |= slides(from, to);
            } else {
                int at = tips.at(place(from), place(to));
                cost += tips.cost[at] + tooFast(Math.abs(tips.ms[at]), hasMs);
                led |= tips.ms[at] < 0;
            }
        }
        if (cost >= enough) {
            return cost;
        }
        double shift = shift(before.position(), after.position(), pace);
        return cost
                + (led ? EffortWeights.GUIDED_SHIFT * shift : shift)
                + EffortWeights.SUBSTITUTION * before.substitutions(after);
    }

    private int place(int press) {
        return Stance.fret(press) * strings + Stance.trebleString(press);
    }

    /** The cost of a move from or to a barre: over common strings it slides or rolls. */
    private double barreMove(int from, int to, double hasMs) {
        boolean slides = slides(from, to);
        if (!slides && overlap(from, to)) {
            return EffortWeights.ROLL_INTO_BARRE;
        }
        int at = tips.at(place(from), place(to));
        return moveCost(slides, tips.mm[at]) + tooFast(Math.abs(tips.ms[at]), hasMs);
    }

    private static boolean slides(int from, int to) {
        return Stance.fret(from) != Stance.fret(to) && overlap(from, to);
    }

    /** Whether two presses of one finger have a string in common. */
    private static boolean overlap(int from, int to) {
        return Stance.bassString(from) >= Stance.trebleString(to) && Stance.bassString(to) >= Stance.trebleString(from);
    }

    private static double tooFast(double needsMs, double hasMs) {
        return needsMs <= hasMs ? 0 : EffortWeights.TOO_FAST * needsMs / Math.max(hasMs, 1);
    }

    private double shift(int before, int after, Pace pace) {
        int at = shifts.at(before, after);
        return before == after ? 0 : shifts.cost[at] + tooFast(shifts.ms[at], pace.hasMs()) / 2;
    }
}

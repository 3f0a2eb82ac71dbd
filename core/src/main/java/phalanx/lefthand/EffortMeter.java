package phalanx.lefthand;

import static phalanx.lefthand.EffortTerm.BARRE;
import static phalanx.lefthand.EffortTerm.BODY_JOINT;
import static phalanx.lefthand.EffortTerm.BUNCHING;
import static phalanx.lefthand.EffortTerm.CROSSING;
import static phalanx.lefthand.EffortTerm.CROWDING;
import static phalanx.lefthand.EffortTerm.FINGERS;
import static phalanx.lefthand.EffortTerm.LITTLE_FINGER;
import static phalanx.lefthand.EffortTerm.MUTING;
import static phalanx.lefthand.EffortTerm.STRETCH;
import static phalanx.lefthand.EffortTerm.THUMB;
import static phalanx.lefthand.EffortTerm.UP_THE_NECK;

import java.util.Arrays;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/** Measures the effort of holding a shape with given fingers. Safe for several threads at once. */
final class EffortMeter {
    private static final int TERMS = EffortTerm.values().length;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final boolean silenceCounts;
    private final double[][] greatest = new double[4][4];

    EffortMeter(Instrument instrument, Hand hand, Neck neck, boolean silenceCounts) {
        this.silenceCounts = silenceCounts;
        this.instrument = instrument;
        this.hand = hand;
        this.neck = neck;
        for (int a = 0; a < 4; a++) {
            for (int b = a + 1; b < 4; b++) {
                greatest[a][b] = hand.greatestMm(a + 1, b + 1);
            }
        }
    }

    /** Whether every pair of fingers is within its greatest reach and the thumb within its place. */
    boolean withinReach(Grip grip) {
        for (int finger = 0; finger < Grip.THUMB; finger++) {
            if (grip.uses(finger) && !reachesOthers(grip, finger)) {
                return false;
            }
        }
        return thumbInPlace(grip);
    }

    /** Whether one finger is within its greatest reach of all others in use. */
    boolean reachesOthers(Grip grip, int finger) {
        for (int other = 0; other < Grip.THUMB; other++) {
            if (other != finger && grip.uses(other)) {
                double limit = greatest[Math.min(finger, other)][Math.max(finger, other)];
                double along = Math.abs(neck.along(grip.fret[finger]) - neck.along(grip.fret[other]));
                if (along > limit || grip.reach(finger, other, neck) > limit) {
                    return false;
                }
            }
        }
        return true;
    }

    boolean thumbInPlace(Grip grip) {
        return !grip.uses(Grip.THUMB) || thumbFits(grip);
    }

    /** The thumb works from one fret below the index to two above, and not behind a long barre. */
    private boolean thumbFits(Grip grip) {
        int index = grip.position();
        int thumb = grip.fret[Grip.THUMB];
        boolean lowString = grip.treble[Grip.THUMB] > instrument.strings() - hand.thumbStrings();
        boolean near = index == 0 || thumb >= index - 1 && thumb <= index + 2;
        boolean shortBarre = !grip.uses(0) || grip.span(0) <= 3;
        return hand.thumbOver() && lowString && near && shortBarre;
    }

    /** The terms of a grip of these frets, which are listed from the lowest string. */
    Effort effort(Grip grip, int[] frets) {
        double[] terms = new double[TERMS];
        measure(grip, frets, terms);
        return new Effort(terms);
    }

    /** The sum of the same terms; for searches, which keep few of the grips they measure. */
    double total(Grip grip, int[] frets) {
        return total(grip, frets, scratch());
    }

    /** Room for the terms of one grip after another. */
    static double[] scratch() {
        return new double[TERMS];
    }

    /** The same with the caller's {@link #scratch}. */
    double total(Grip grip, int[] frets, double[] scratch) {
        Arrays.fill(scratch, 0);
        measure(grip, frets, scratch);
        double sum = 0;
        for (double term : scratch) {
            sum += term;
        }
        return sum;
    }

    private void measure(Grip grip, int[] frets, double[] terms) {
        for (int a = 0; a < grip.fret.length; a++) {
            if (grip.uses(a)) {
                addFinger(grip, a, frets, terms);
                for (int b = a + 1; b < Grip.THUMB; b++) {
                    if (grip.uses(b)) {
                        addPair(grip, a, b, terms);
                    }
                }
            }
        }
        terms[UP_THE_NECK.ordinal()] = EffortWeights.UP_THE_NECK * Math.max(0, grip.position() - 1);
        if (silenceCounts) {
            terms[MUTING.ordinal()] = muting(grip, frets);
        }
    }

    private void addFinger(Grip grip, int finger, int[] frets, double[] terms) {
        terms[FINGERS.ordinal()] += EffortWeights.FINGER;
        if (finger == 3) {
            terms[LITTLE_FINGER.ordinal()] +=
                    EffortWeights.LITTLE_FINGER * hand.comfort().littleFinger();
        }
        if (finger == Grip.THUMB) {
            terms[THUMB.ordinal()] += thumb(grip);
        }
        if (grip.span(finger) > 1) {
            terms[BARRE.ordinal()] += hand.comfort().barre() * barre(grip, finger, frets);
        }
        if (instrument.pastJoint(grip.fret[finger])) {
            terms[BODY_JOINT.ordinal()] += EffortWeights.PAST_JOINT_FINGER;
        }
    }

    private static double thumb(Grip grip) {
        int index = grip.position();
        int away = index == 0 ? 0 : Math.abs(grip.fret[Grip.THUMB] - index);
        double turned = grip.uses(3) ? EffortWeights.THUMB_WITH_LITTLE : 0;
        return EffortWeights.THUMB + EffortWeights.THUMB_FRET * away + turned;
    }

    private static double barre(Grip grip, int finger, int[] frets) {
        double cost = EffortWeights.BARRE + EffortWeights.BARRE_STRING * (grip.span(finger) - 1);
        if (finger > 0) {
            cost += EffortWeights.BARRE_BY_OTHER;
        }
        int beside = grip.treble[finger] - 1;
        boolean openBeside = beside >= 1 && frets[frets.length - beside] == 0;
        return openBeside ? cost + EffortWeights.OPEN_BESIDE_BARRE : cost;
    }

    private void addPair(Grip grip, int a, int b, double[] terms) {
        double reach = grip.reach(a, b, neck);
        terms[STRETCH.ordinal()] += Stretch.term(reach / greatest[a][b]);
        int nearer = (b - a) - (grip.fret[b] - grip.fret[a]);
        if (nearer > 0) {
            terms[BUNCHING.ordinal()] +=
                    nearer * (a == 0 ? EffortWeights.BUNCHED_FRET_OF_INDEX : EffortWeights.BUNCHED_FRET);
        }
        if (grip.fret[a] == grip.fret[b]) {
            if (reach < Hand.TIP_WIDTH_MM) {
                terms[CROWDING.ordinal()] += EffortWeights.CROWDING * (1 - reach / Hand.TIP_WIDTH_MM);
            }
            if (grip.bass[a] < grip.bass[b]) {
                terms[CROSSING.ordinal()] += EffortWeights.CROSSING;
            }
        }
    }

    private static double muting(Grip grip, int[] frets) {
        int strings = frets.length;
        int lowest = 0;
        while (lowest < strings && frets[lowest] < 0) {
            lowest++;
        }
        int highest = strings - 1;
        while (highest > lowest && frets[highest] < 0) {
            highest--;
        }
        double cost = EffortWeights.LEFT_OUT_BELOW * lowest + EffortWeights.LEFT_OUT_ABOVE * (strings - 1 - highest);
        for (int i = lowest + 1; i < highest; i++) {
            if (frets[i] < 0) {
                cost += fingerBeside(grip, strings - i) ? EffortWeights.MUTED_BY_FINGER : EffortWeights.LEFT_UNPLUCKED;
            }
        }
        return cost;
    }

    /** Whether a fingertip on the next lower string, or a barre across, touches this one. */
    private static boolean fingerBeside(Grip grip, int string) {
        for (int finger = 0; finger < grip.fret.length; finger++) {
            if (grip.uses(finger) && grip.treble[finger] <= string + 1 && grip.bass[finger] >= string) {
                return true;
            }
        }
        return false;
    }
}

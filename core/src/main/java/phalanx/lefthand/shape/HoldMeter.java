package phalanx.lefthand.shape;

import static phalanx.cost.Term.BARRE;
import static phalanx.cost.Term.BODY_JOINT;
import static phalanx.cost.Term.BUNCHING;
import static phalanx.cost.Term.CROSSING;
import static phalanx.cost.Term.CROWDING;
import static phalanx.cost.Term.FINGERS;
import static phalanx.cost.Term.LITTLE_FINGER;
import static phalanx.cost.Term.MUTING;
import static phalanx.cost.Term.STRETCH;
import static phalanx.cost.Term.THUMB;
import static phalanx.cost.Term.UP_THE_NECK;

import java.util.Arrays;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Measures the effort of holding a shape with given fingers for a beat. Presses are packed, see {@link Press#pack}.
 * Safe for several threads at once.
 */
final class HoldMeter {
    private static final Term[] TERMS = Term.values();
    private static final int LONG_BARRE = 3;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final boolean silenceCounts;
    private final double[][] greatest = new double[4][4];

    HoldMeter(Instrument instrument, Hand hand, Neck neck, boolean silenceCounts) {
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
    boolean withinReach(int[] presses) {
        for (int low = 0; low < Fingering.THUMB; low++) {
            for (int high = low + 1; high < Fingering.THUMB && presses[low] != 0; high++) {
                if (presses[high] != 0 && neck.distance(presses[low], presses[high]) > greatest[low][high]) {
                    return false;
                }
            }
        }
        return presses[Fingering.THUMB] == 0 || thumbFits(presses);
    }

    /**
     * Whether one finger can come within reach of all others in use: along the neck alone, for a barre that still grows
     * may bring them nearer across it.
     */
    boolean mayReachOthers(int[] presses, int finger) {
        for (int other = 0; other < Fingering.THUMB; other++) {
            if (other != finger && presses[other] != 0) {
                double along =
                        Math.abs(neck.along(Press.fret(presses[finger])) - neck.along(Press.fret(presses[other])));
                if (along > greatest[Math.min(finger, other)][Math.max(finger, other)]) {
                    return false;
                }
            }
        }
        return true;
    }

    /** The thumb has its range, and does not come round behind a long barre. */
    private boolean thumbFits(int[] presses) {
        int natural = Position.natural(presses);
        int thumb = presses[Fingering.THUMB];
        boolean lowString = Press.trebleString(thumb) > instrument.strings() - hand.thumbStrings();
        boolean near = natural == 0 || Position.thumbReaches(Press.fret(thumb), natural);
        boolean shortBarre = presses[0] == 0 || span(presses[0]) <= LONG_BARRE;
        return hand.thumbOver() && lowString && near && shortBarre;
    }

    private static int span(int press) {
        return Press.bassString(press) - Press.trebleString(press) + 1;
    }

    /** The terms of presses that hold these frets, which are listed from the lowest string. */
    Effort effort(int[] presses, int[] frets) {
        int[] terms = new int[TERMS.length];
        measure(presses, frets, terms);
        Effort.Sum sum = new Effort.Sum();
        for (Term term : TERMS) {
            sum.add(term, terms[term.ordinal()]);
        }
        return sum.done();
    }

    /** Room for the terms of one fingering after another. */
    static int[] scratch() {
        return new int[TERMS.length];
    }

    /** The sum of the same terms in thousandths, with the caller's {@link #scratch}. */
    int thousandths(int[] presses, int[] frets, int[] scratch) {
        Arrays.fill(scratch, 0);
        measure(presses, frets, scratch);
        int sum = 0;
        for (int term : scratch) {
            sum += term;
        }
        return sum;
    }

    private void measure(int[] presses, int[] frets, int[] terms) {
        for (int finger = 0; finger < presses.length; finger++) {
            if (presses[finger] != 0) {
                addFinger(presses, finger, frets, terms);
                for (int higher = finger + 1; higher < Fingering.THUMB; higher++) {
                    if (presses[higher] != 0) {
                        addPair(presses, finger, higher, terms);
                    }
                }
            }
        }
        add(terms, UP_THE_NECK, Weights.UP_THE_NECK * Math.max(0, Position.natural(presses) - 1));
        if (silenceCounts) {
            add(terms, MUTING, muting(presses, frets));
        }
    }

    private static void add(int[] terms, Term term, double effort) {
        terms[term.ordinal()] += Effort.thousandths(effort);
    }

    private void addFinger(int[] presses, int finger, int[] frets, int[] terms) {
        add(terms, FINGERS, Weights.FINGER);
        if (finger == 3) {
            add(terms, LITTLE_FINGER, Weights.LITTLE_FINGER * hand.comfort().littleFinger());
        }
        if (finger == Fingering.THUMB) {
            add(terms, THUMB, thumb(presses));
        }
        if (Press.isBarre(presses[finger])) {
            int beside = Press.trebleString(presses[finger]) - 1;
            boolean openBeside = beside >= 1 && frets[frets.length - beside] == 0;
            terms[BARRE.ordinal()] += barre(presses[finger], finger, openBeside);
        }
        if (instrument.pastJoint(Press.fret(presses[finger]))) {
            add(terms, BODY_JOINT, Weights.PAST_JOINT_FINGER);
        }
    }

    private static double thumb(int[] presses) {
        int index = Position.natural(presses);
        int away = index == 0 ? 0 : Math.abs(Press.fret(presses[Fingering.THUMB]) - index);
        double turned = presses[3] != 0 ? Weights.THUMB_WITH_LITTLE : 0;
        return Weights.THUMB + Weights.THUMB_FRET * away + turned;
    }

    /** What holding costs more, for a beat in thousandths, when some open strings sound, too; bit s for string s. */
    int besideBarres(int[] presses, int open) {
        int more = 0;
        for (int finger = 0; finger < presses.length; finger++) {
            int press = presses[finger];
            if (press != 0 && Press.isBarre(press) && (open >> Press.trebleString(press) - 1 & 1) == 1) {
                more += barre(press, finger, true) - barre(press, finger, false);
            }
        }
        return more;
    }

    private int barre(int press, int finger, boolean openBeside) {
        double cost = Weights.BARRE + Weights.BARRE_STRING * (span(press) - 1);
        if (finger > 0) {
            cost += Weights.BARRE_BY_OTHER;
        }
        return Effort.thousandths(hand.comfort().barre() * (openBeside ? cost + Weights.OPEN_BESIDE_BARRE : cost));
    }

    private void addPair(int[] presses, int low, int high, int[] terms) {
        double reach = neck.distance(presses[low], presses[high]);
        add(terms, STRETCH, Stretch.term(reach / greatest[low][high]));
        int nearer = (high - low) - (Press.fret(presses[high]) - Press.fret(presses[low]));
        if (nearer > 0) {
            add(terms, BUNCHING, nearer * (low == 0 ? Weights.BUNCHED_FRET_OF_INDEX : Weights.BUNCHED_FRET));
        }
        if (Press.fret(presses[low]) == Press.fret(presses[high])) {
            if (reach < Hand.TIP_WIDTH_MM) {
                add(terms, CROWDING, Weights.CROWDING * (1 - reach / Hand.TIP_WIDTH_MM));
            }
            if (Press.bassString(presses[low]) < Press.bassString(presses[high])) {
                add(terms, CROSSING, Weights.CROSSING);
            }
        }
    }

    private static double muting(int[] presses, int[] frets) {
        int strings = frets.length;
        int lowest = 0;
        while (lowest < strings && frets[lowest] < 0) {
            lowest++;
        }
        int highest = strings - 1;
        while (highest > lowest && frets[highest] < 0) {
            highest--;
        }
        double cost = Weights.LEFT_OUT_BELOW * lowest + Weights.LEFT_OUT_ABOVE * (strings - 1 - highest);
        for (int i = lowest + 1; i < highest; i++) {
            if (frets[i] < 0) {
                cost += fingerBeside(presses, strings - i) ? Weights.MUTED_BY_FINGER : Weights.LEFT_UNPLUCKED;
            }
        }
        return cost;
    }

    /** Whether a fingertip on the next lower string, or a barre across, touches this one. */
    private static boolean fingerBeside(int[] presses, int string) {
        for (int press : presses) {
            if (press != 0 && Press.trebleString(press) <= string + 1 && Press.bassString(press) >= string) {
                return true;
            }
        }
        return false;
    }
}

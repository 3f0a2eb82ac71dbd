package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.words.Words;

/**
 * The player's left hand.
 *
 * @param reach how far apart its fingertips can be
 * @param thumb where the thumb may press over the edge of the neck
 * @param comfort what is harder for this hand than for an average one
 * @param speed how fast its fingers travel
 */
public record Hand(Reach reach, Thumb thumb, Comfort comfort, Speed speed) {
    /** A fingertip's width: two tips on one fret nearer than this crowd each other. An assumption of ours. */
    public static final double TIP_WIDTH_MM = 13;

    /** An average adult hand. All values are assumptions of ours, to be calibrated by the player. */
    public static final Hand AVERAGE =
            new Hand(Reach.ofSpan(125), Thumb.STRING_6, new Comfort(1, 1), new Speed(50, 60));

    /** Where the thumb may press over the edge of the neck. */
    public enum Thumb {
        NEVER(0),
        STRING_6(1),
        STRINGS_6_AND_5(2);

        private final int strings;

        Thumb(int strings) {
            this.strings = strings;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /**
     * What is harder for a hand than for an average one, as factors of effort; 1 is average.
     *
     * @param littleFinger how hard the little finger works, 0.2 to 5
     * @param barre how hard a barre is, 0.2 to 5
     */
    public record Comfort(double littleFinger, double barre) {
        private static final double LEAST = 0.2;
        private static final double MOST = 5;

        public Comfort {
            check(wording("Hand.little-finger"), littleFinger);
            check(wording("Hand.barre"), barre);
        }

        private static void check(String what, double factor) {
            if (!(factor >= LEAST && factor <= MOST)) {
                throw new IllegalArgumentException(wording("Hand.the-effort-of-the-times", what, factor));
            }
        }
    }

    /**
     * How fast a fingertip travels: Fitts' law {@code a + b * log2(D / W + 1)} (Shannon form; P. Fitts, J. Exp.
     * Psychol. 47, 1954, and I. S. MacKenzie 1992, from memory).
     *
     * @param reactionMs the constant {@code a}, in milliseconds
     * @param difficultyMs the slope {@code b}, milliseconds for each bit
     */
    public record Speed(double reactionMs, double difficultyMs) {
        public Speed {
            if (!(reactionMs >= 0 && reactionMs <= 1000 && difficultyMs > 0 && difficultyMs <= 1000)) {
                throw new IllegalArgumentException(wording("Hand.hand-speed-a-ms-b", reactionMs, difficultyMs));
            }
        }

        double travelMs(double distanceMm) {
            return reactionMs + difficultyMs * Math.log(distanceMm / TIP_WIDTH_MM + 1) / Math.log(2);
        }
    }

    public Hand {
        Objects.requireNonNull(reach, "reach");
        Objects.requireNonNull(thumb, "thumb");
        Objects.requireNonNull(comfort, "comfort");
        Objects.requireNonNull(speed, "speed");
    }

    /** Greatest reach between two different fingers 1 to 4, in mm. */
    public double greatestMm(int finger, int other) {
        return greatestMm(new Reach.Pair(Math.min(finger, other), Math.max(finger, other)));
    }

    /** Greatest reach of a pair, in mm. */
    public double greatestMm(Reach.Pair pair) {
        return reach.greatestMm(pair);
    }

    /** Greatest distance from finger 1 to finger 4 along a string, in mm. */
    public double spanMm() {
        return reach.spanMm();
    }

    public boolean thumbOver() {
        return thumb.strings > 0;
    }

    /** How many of the lowest strings the thumb may press. */
    public int thumbStrings() {
        return thumb.strings;
    }

    /** How long a fingertip needs to travel so far, in milliseconds. */
    public double travelMs(double distanceMm) {
        return speed.travelMs(distanceMm);
    }

    public Hand withReach(Reach newReach) {
        return newReach.equals(reach) ? this : new Hand(newReach, thumb, comfort, speed);
    }

    public Hand withThumb(Thumb newThumb) {
        return newThumb == thumb ? this : new Hand(reach, newThumb, comfort, speed);
    }

    public Hand withComfort(Comfort newComfort) {
        return newComfort.equals(comfort) ? this : new Hand(reach, thumb, newComfort, speed);
    }

    public Hand withSpeed(Speed newSpeed) {
        return newSpeed.equals(speed) ? this : new Hand(reach, thumb, comfort, newSpeed);
    }
}

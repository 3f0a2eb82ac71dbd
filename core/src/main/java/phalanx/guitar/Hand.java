package phalanx.guitar;

import java.util.List;

/**
 * The player's left hand.
 *
 * @param spanMm greatest distance from finger 1 to finger 4 along a string, 60 to 220 mm
 * @param thumbOver whether the thumb may press over the edge of the neck
 * @param thumbStrings how many of the lowest strings the thumb reaches, 1 or 2
 * @param reactionMs the constant {@code a} of Fitts' law, in milliseconds
 * @param difficultyMs the slope {@code b} of Fitts' law, milliseconds for each bit
 */
public record Hand(double spanMm, boolean thumbOver, int thumbStrings, double reactionMs, double difficultyMs) {
    /** A fingertip's width: two tips on one fret nearer than this crowd each other. An assumption of ours. */
    public static final double TIP_WIDTH_MM = 13;

    /** An average adult hand. All values are assumptions of ours, to be calibrated by the player. */
    public static final Hand AVERAGE = new Hand(125, true, 1, 50, 60);

    /** The finger pairs in the order they are reported. */
    public static final List<Pair> PAIRS =
            List.of(new Pair(1, 2), new Pair(1, 3), new Pair(1, 4), new Pair(2, 3), new Pair(2, 4), new Pair(3, 4));

    /** Greatest reach of a finger pair as a share of the span; row and column are fingers 1 to 4. Assumptions of ours. */
    private static final double[][] SHARE = {
        {0, 0.60, 0.80, 1.00},
        {0.60, 0, 0.50, 0.72},
        {0.80, 0.50, 0, 0.50},
        {1.00, 0.72, 0.50, 0},
    };

    /** Two fingers, the lower first. */
    public record Pair(int low, int high) {
        @Override
        public String toString() {
            return low + "" + high;
        }
    }

    public Hand {
        if (!(spanMm >= 60 && spanMm <= 220)) {
            throw new IllegalArgumentException(
                    "a reach of " + spanMm + " mm from finger 1 to finger 4 is outside 60 to 220 mm");
        }
        if (thumbStrings < 1 || thumbStrings > 2) {
            throw new IllegalArgumentException("the thumb reaches one or two strings, not " + thumbStrings);
        }
        if (!(reactionMs >= 0 && difficultyMs > 0)) {
            throw new IllegalArgumentException("hand speed a " + reactionMs + " ms, b " + difficultyMs + " ms");
        }
    }

    /** Greatest reach between two different fingers 1 to 4, in mm. */
    public double greatestMm(int finger, int other) {
        return SHARE[finger - 1][other - 1] * spanMm;
    }

    /** Greatest reach of a pair, in mm. */
    public double greatestMm(Pair pair) {
        return greatestMm(pair.low(), pair.high());
    }

    /**
     * How long a fingertip needs to travel: Fitts' law {@code a + b * log2(D / W + 1)} (Shannon form).
     *
     * @return milliseconds
     */
    public double travelMs(double distanceMm) {
        return reactionMs + difficultyMs * Math.log(distanceMm / TIP_WIDTH_MM + 1) / Math.log(2);
    }

    /** The hand with or without the thumb over the neck. */
    public Hand withThumbOver(boolean allowed) {
        return allowed == thumbOver ? this : new Hand(spanMm, allowed, thumbStrings, reactionMs, difficultyMs);
    }
}

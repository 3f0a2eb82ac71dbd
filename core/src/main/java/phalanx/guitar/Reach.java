package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How far apart the fingertips of a left hand can be.
 *
 * @param spanMm greatest distance from finger 1 to finger 4 along a string, 60 to 220 mm
 * @param measuredMm greatest reach of pairs that were measured one by one; the others follow from the span
 */
public record Reach(double spanMm, Map<Pair, Double> measuredMm) {
    public static final double LEAST_SPAN_MM = 60;
    public static final double LARGEST_SPAN_MM = 220;

    /** The finger pairs in the order they are reported. */
    public static final List<Pair> PAIRS =
            List.of(new Pair(1, 2), new Pair(1, 3), new Pair(1, 4), new Pair(2, 3), new Pair(2, 4), new Pair(3, 4));

    /** Up to this share of the greatest reach a pair is comfortable. An assumption of ours. */
    private static final double COMFORTABLE = 0.8;

    private static final double LEAST_PAIR_MM = 20;

    /** Greatest reach of a finger pair as a share of the span; row and column are fingers 1 to 4. Assumptions of ours. */
    private static final double[][] SHARE = {
        {0, 0.60, 0.80, 1.00},
        {0.60, 0, 0.50, 0.72},
        {0.80, 0.50, 0, 0.50},
        {1.00, 0.72, 0.50, 0},
    };

    /** Two fingers, the lower first. */
    public record Pair(int low, int high) {
        public Pair {
            if (low < 1 || high > 4 || low >= high) {
                throw new IllegalArgumentException(wording("Reach.fingers-and-are-not-a", low, high));
            }
        }

        @Override
        public String toString() {
            return low + "" + high;
        }
    }

    public Reach {
        if (!(spanMm >= LEAST_SPAN_MM && spanMm <= LARGEST_SPAN_MM)) {
            throw new IllegalArgumentException(wording("Reach.a-reach-of-mm-from", spanMm));
        }
        measuredMm = Map.copyOf(measuredMm);
        measuredMm.forEach((pair, mm) -> {
            if (!(mm >= LEAST_PAIR_MM && mm <= LARGEST_SPAN_MM)) {
                throw new IllegalArgumentException(wording("Reach.a-reach-of-mm-for", mm, pair));
            }
        });
    }

    /** All pairs in the usual proportion to the span. */
    public static Reach ofSpan(double spanMm) {
        return new Reach(spanMm, Map.of());
    }

    /**
     * The reach found at the guitar with finger 1 held down: the highest frets that fingers 4 and 3 reach on the same
     * string without pain. Fingers 1 and 2 follow fingers 1 and 3; the other pairs follow the span.
     *
     * @param instrument the guitar it was measured on, with its capo
     * @param index the fret of finger 1
     * @param ring the highest fret of finger 3
     * @param little the highest fret of finger 4
     * @throws IllegalArgumentException if the frets are out of order, off the neck or give no possible hand
     */
    public static Reach measured(Instrument instrument, int index, int ring, int little) {
        if (index < 1 || ring <= index || little < ring || little > instrument.highestFret()) {
            throw new IllegalArgumentException(
                    wording("Reach.finger-1-at-fret-finger", index, ring, little, instrument.highestFret()));
        }
        double span = instrument.alongMm(little) - instrument.alongMm(index);
        double toRing = instrument.alongMm(ring) - instrument.alongMm(index);
        double toMiddle = toRing * SHARE[0][1] / SHARE[0][2];
        return new Reach(span, Map.of(new Pair(1, 3), toRing, new Pair(1, 2), toMiddle));
    }

    /** Greatest reach of a pair, in mm. */
    public double greatestMm(Pair pair) {
        return measuredMm.getOrDefault(pair, SHARE[pair.low() - 1][pair.high() - 1] * spanMm);
    }

    /** What a pair reaches without effort, in mm. */
    public double comfortableMm(Pair pair) {
        return COMFORTABLE * greatestMm(pair);
    }

    /** The same with one pair measured by itself. */
    public Reach with(Pair pair, double mm) {
        Map<Pair, Double> more = new LinkedHashMap<>(measuredMm);
        more.put(pair, mm);
        return new Reach(spanMm, more);
    }
}

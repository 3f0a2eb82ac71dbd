package phalanx.lefthand;

import java.util.Comparator;

/**
 * Costs that compare in order: first what cannot be played, then melody lost or cut, then effort. Packed into one
 * long so that a search adds and compares them as numbers: 16 bits of unplayable things, 17 bits of melody, 30 bits of
 * effort in hundredths. Sums stay in their fields for songs of up to 2,000 bars.
 *
 * @param unplayable how many things no hand can do
 * @param melody melody notes cut, lost ones counted several times
 * @param effort in the unit of {@link Effort}
 */
public record PathCost(int unplayable, int melody, double effort) implements Comparable<PathCost> {
    private static final Comparator<PathCost> ORDER = Comparator.comparingInt(PathCost::unplayable)
            .thenComparingInt(PathCost::melody)
            .thenComparingDouble(PathCost::effort);

    private static final int EFFORT_BITS = 30;
    private static final int MELODY_BITS = 17;
    private static final double STEPS = 100;
    /** More effort than this in one place says nothing more. */
    private static final double MOST_EFFORT = 600;

    public PathCost {
        if (unplayable < 0 || melody < 0 || !(effort >= 0)) {
            throw new IllegalArgumentException("costs are not negative: " + unplayable + ", " + melody + ", " + effort);
        }
    }

    public static long pack(int unplayable, int melody, double effort) {
        // the plain cast rounds what is not negative as Math.round does, in a fraction of the time
        long hundredths = (long) (Math.min(effort, MOST_EFFORT) * STEPS + 0.5);
        return ((long) unplayable << MELODY_BITS | melody) << EFFORT_BITS | hundredths;
    }

    /** An effort that surely packs to at least so much, all else being nought. */
    public static double effortOfAtLeast(long packed) {
        return (packed + 1.0) / STEPS;
    }

    @Override
    public int compareTo(PathCost other) {
        return ORDER.compare(this, other);
    }

    public static PathCost unpack(long packed) {
        return new PathCost(
                (int) (packed >> EFFORT_BITS + MELODY_BITS),
                (int) (packed >> EFFORT_BITS) & (1 << MELODY_BITS) - 1,
                (packed & (1L << EFFORT_BITS) - 1) / STEPS);
    }
}

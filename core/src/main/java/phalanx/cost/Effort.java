package phalanx.cost;

import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The last rank of a cost as a sum of named terms; a relaxed one-finger shape is about 0.25.
 *
 * <p>Amounts are whole grains, {@value #GRAINS} to 1, so that sums are exact in whatever order they are added: weights
 * count in thousandths, and the time for which a shape is held in sixtieths of a beat.
 */
public final class Effort implements Comparable<Effort> {
    /** Thousandths in 1: what single weights are rounded to. */
    public static final int THOUSANDTHS = 1000;

    /** Steps in which the length of a hold counts. */
    public static final int STEPS = 60;

    /** Grains in an effort of 1. */
    public static final int GRAINS = THOUSANDTHS * STEPS;

    public static final Effort NONE = new Effort(new long[Term.values().length]);

    private final long[] grains;
    private final long total;

    private Effort(long[] grains) {
        this.grains = grains;
        long sum = 0;
        for (long term : grains) {
            sum += term;
        }
        this.total = sum;
    }

    /** A sum in the making; not for several threads at once. */
    public static final class Sum {
        private final long[] grains = new long[Term.values().length];

        /** Adds thousandths of effort. */
        public Sum add(Term term, int thousandths) {
            return addGrains(term, (long) thousandths * STEPS);
        }

        public Sum addGrains(Term term, long more) {
            grains[term.ordinal()] += more;
            return this;
        }

        /** Adds what a hold costs for a beat, for so many {@link #STEPS} of one. */
        public Sum addHeld(Effort forABeat, int steps) {
            for (int i = 0; i < grains.length; i++) {
                grains[i] += forABeat.grains[i] / STEPS * steps;
            }
            return this;
        }

        /** Adds another effort. */
        public Sum add(Effort other) {
            for (int i = 0; i < grains.length; i++) {
                grains[i] += other.grains[i];
            }
            return this;
        }

        public Effort done() {
            return new Effort(grains.clone());
        }
    }

    /** Thousandths of an effort, rounded; what is not negative stays so. */
    public static int thousandths(double effort) {
        return (int) (effort * THOUSANDTHS + 0.5);
    }

    public double total() {
        return total / (double) GRAINS;
    }

    public long grains() {
        return total;
    }

    public double term(Term term) {
        return grains[term.ordinal()] / (double) GRAINS;
    }

    /** The sum of the terms of the hand, or of the ear. */
    public double side(Term.Side side) {
        long sum = 0;
        for (Term term : Term.values()) {
            sum += term.side() == side ? grains[term.ordinal()] : 0;
        }
        return sum / (double) GRAINS;
    }

    /** The terms that are not nought, in the order of {@link Term}; they add up to the total. */
    public Map<Term, Double> terms() {
        EnumMap<Term, Double> shown = new EnumMap<>(Term.class);
        for (Term term : Term.values()) {
            if (grains[term.ordinal()] != 0) {
                shown.put(term, term(term));
            }
        }
        return shown;
    }

    /**
     * The term that makes most of a difference: of those of the sign that the total has, the greatest; nothing where the
     * total is nought.
     */
    public Optional<Term> decides() {
        int sign = Long.signum(total);
        return Arrays.stream(Term.values())
                .filter(term -> sign * grains[term.ordinal()] > 0)
                .max(Comparator.comparingLong(term -> sign * grains[term.ordinal()]));
    }

    public Effort plus(Effort other) {
        return new Sum().add(this).add(other).done();
    }

    /** The difference, term by term; terms of it may be negative. */
    public Effort minus(Effort other) {
        long[] left = grains.clone();
        for (int i = 0; i < left.length; i++) {
            left[i] -= other.grains[i];
        }
        return new Effort(left);
    }

    @Override
    public int compareTo(Effort other) {
        return Long.compare(total, other.total);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Effort effort && Arrays.equals(grains, effort.grains);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(grains);
    }

    @Override
    public String toString() {
        return String.format(Locale.ROOT, "%.3f %s", total(), terms());
    }
}

package phalanx.lefthand;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;

/** The cost of a shape or a change as a sum of named terms; a relaxed one-finger shape is about 0.25. */
public final class Effort implements Comparable<Effort> {
    private final double[] terms;
    private final double total;

    /** Takes the terms as its own; callers hand over a fresh array. */
    Effort(double[] terms) {
        double sum = 0;
        for (double term : terms) {
            sum += term;
        }
        this.terms = terms;
        this.total = sum;
    }

    public double total() {
        return total;
    }

    public double term(EffortTerm term) {
        return terms[term.ordinal()];
    }

    /** The terms that are not nought, in the order of {@link EffortTerm}. */
    public Map<EffortTerm, Double> terms() {
        EnumMap<EffortTerm, Double> shown = new EnumMap<>(EffortTerm.class);
        for (EffortTerm term : EffortTerm.values()) {
            if (terms[term.ordinal()] != 0) {
                shown.put(term, terms[term.ordinal()]);
            }
        }
        return shown;
    }

    /** This effort and a further term. */
    public Effort plus(EffortTerm term, double amount) {
        double[] sum = terms.clone();
        sum[term.ordinal()] += amount;
        return new Effort(sum);
    }

    @Override
    public int compareTo(Effort other) {
        return Double.compare(total, other.total);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Effort effort && Arrays.equals(terms, effort.terms);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(terms);
    }

    @Override
    public String toString() {
        return String.format(java.util.Locale.ROOT, "%.2f %s", total, terms());
    }
}

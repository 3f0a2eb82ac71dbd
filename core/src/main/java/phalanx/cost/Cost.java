package phalanx.cost;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.Objects;

/**
 * What an arrangement costs. Ranks compare in order: what cannot be played, tune notes lost or cut, effort.
 *
 * @param unplayable how many things no hand can do
 * @param tune tune notes cut, each lost one as {@link #LOST} of them
 * @param effort the rest, term by term
 */
public record Cost(long unplayable, long tune, Effort effort) implements Comparable<Cost> {
    /** A tune note that is not played at all counts as so many that are cut. */
    public static final int LOST = 16;

    public static final Cost NONE = new Cost(0, 0, Effort.NONE);

    private static final Comparator<Cost> ORDER = Comparator.comparingLong(Cost::unplayable)
            .thenComparingLong(Cost::tune)
            .thenComparing(Cost::effort);

    public Cost {
        Objects.requireNonNull(effort, "effort");
        if (unplayable < 0 || tune < 0 || effort.grains() < 0) {
            throw new IllegalArgumentException(wording("Cost.costs-are-not-negative", unplayable, tune, effort));
        }
    }

    public Cost plus(Cost other) {
        return new Cost(unplayable + other.unplayable, tune + other.tune, effort.plus(other.effort));
    }

    /** Whether it loses no more of what can be played and of the tune than another. */
    public boolean keepsUpWith(Cost other) {
        return unplayable <= other.unplayable && tune <= other.tune;
    }

    @Override
    public int compareTo(Cost other) {
        return ORDER.compare(this, other);
    }
}

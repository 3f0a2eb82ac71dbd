package phalanx.song;

import java.util.function.IntPredicate;

/** Finds places in rows that are in order, without looking at all of them. */
public final class Bisection {
    private Bisection() {}

    /**
     * The first index for which something holds that holds for all after it, too.
     *
     * @param count how many indices there are, from 0
     * @return the count where it holds for none
     */
    public static int first(int count, IntPredicate holds) {
        int low = 0;
        int high = count;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (holds.test(middle)) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return low;
    }

    /**
     * The last index for which something holds that holds for all before it, too.
     *
     * @return -1 where it holds for none
     */
    public static int last(int count, IntPredicate holds) {
        return first(count, index -> !holds.test(index)) - 1;
    }
}

package phalanx.arrange.demand;

/**
 * What the ear remembers from slot to slot: the last inner stroke, its pitch and the rows of the pattern that were asked
 * for at its tick, in one number; 0 where there was none. The same read backwards: the next one.
 */
public final class Labels {
    public static final int NONE = 0;
    private static final int PITCH_BITS = 8;
    private static final int PITCH = (1 << PITCH_BITS) - 1;

    private Labels() {}

    /**
     * A label.
     *
     * @param midi of the stroke
     * @param rows of the pattern at its tick as a set, 0 where there is none
     */
    public static int of(int midi, int rows) {
        return rows << PITCH_BITS | midi;
    }

    /** Whether one stroke after the other hammers: the same pitch again where no pattern wants it so. */
    public static boolean repeats(int before, int after) {
        return before != NONE
                && after != NONE
                && (before & PITCH) == (after & PITCH)
                && (before >> PITCH_BITS == 0 || before != after);
    }
}

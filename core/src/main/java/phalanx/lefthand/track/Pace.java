package phalanx.lefthand.track;

import java.util.Arrays;

/**
 * How much time the moves at the end of a stretch have. Fingers differ in what they plucked last: pluck 0 stands for
 * nothing within the stretch, the others are numbered by the stretch.
 */
public final class Pace {
    /** Bits in which a set of five fingers' last plucks keeps each, see {@link #pluck}. */
    public static final int PLUCK_BITS = 6;

    /** The highest number of a pluck. */
    public static final int MOST_PLUCKS = (1 << PLUCK_BITS) - 1;

    private final int[] ticks;
    private final int[] us;

    /**
     * @param clock says how long ticks last
     * @param startTick where the stretch begins
     * @param endTick where it ends and the moves must be done
     * @param pluckTicks when its plucks fall, that of pluck 1 first
     */
    public Pace(Clock clock, int startTick, int endTick, int... pluckTicks) {
        this.ticks = new int[pluckTicks.length + 1];
        this.us = new int[pluckTicks.length + 1];
        ticks[0] = endTick - startTick;
        for (int i = 0; i < pluckTicks.length; i++) {
            ticks[i + 1] = Clock.afterPluck(pluckTicks[i], endTick);
        }
        for (int i = 0; i < us.length; i++) {
            us[i] = clock.us(ticks[i]);
        }
    }

    /** The last pluck of a finger in a set of all five, {@value #PLUCK_BITS} bits each, finger 1 lowest. */
    public static int pluck(int plucks, int finger) {
        return plucks >> PLUCK_BITS * finger & MOST_PLUCKS;
    }

    /** The set with a finger's last pluck, the later of both where it has one. */
    public static int withPluck(int plucks, int finger, int pluck) {
        int at = PLUCK_BITS * finger;
        return pluck <= pluck(plucks, finger) ? plucks : plucks & ~(MOST_PLUCKS << at) | pluck << at;
    }

    /** How many plucks there are. */
    public int plucks() {
        return us.length - 1;
    }

    /** Microseconds that a finger has after its last pluck. */
    public int us(int pluck) {
        return us[pluck];
    }

    /** The same in ticks. */
    int ticks(int pluck) {
        return ticks[pluck];
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Pace pace && Arrays.equals(us, pace.us);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(us);
    }
}

package phalanx.lefthand;

/**
 * A hand position prepared once for measuring many changes from and to it.
 *
 * <p>What stops each string is packed into two longs, a field of six bits a string, so that two positions are compared
 * on all strings at once. Ten strings fit.
 */
public final class Stance {
    private static final int FIELD_BITS = 6;
    private static final long FIELD = (1L << FIELD_BITS) - 1;
    /** The lowest bit of each field. */
    private static final long LOWEST_BITS = lowestBits();

    private final Grip grip;
    /** Fret and strings of each finger in one number, 0 where it is free: equal numbers mean an anchor. */
    final int[] presses;
    /** The fingers that lie over more than one string, bit n for the finger of ordinal n. */
    final int barres;

    /** The fret at which each string is stopped, 0 where none is. */
    private final long frets;
    /** Which finger stops it, from 1; 0 where none does. */
    private final long fingers;

    private final int position;

    /**
     * @param fingering who presses where
     * @param hover the fret over which finger 1 waits while no finger is down
     */
    public Stance(Fingering fingering, int hover) {
        this(Grip.of(fingering), hover);
    }

    /** The same of a grasp that a search found. */
    public Stance(Grasp grasp, int hover) {
        this(grasp.grip, hover);
    }

    private Stance(Grip grip, int hover) {
        this.grip = grip;
        int held = grip.position();
        this.position = held == 0 ? hover : held;
        this.presses = new int[grip.fret.length];
        int over = 0;
        long stopped = 0;
        long by = 0;
        for (int finger = 0; finger < presses.length; finger++) {
            if (grip.uses(finger)) {
                for (int string = grip.treble[finger]; string <= grip.bass[finger]; string++) {
                    int at = shift(string);
                    if (grip.fret[finger] > (stopped >> at & FIELD)) {
                        stopped = stopped & ~(FIELD << at) | (long) grip.fret[finger] << at;
                        by = by & ~(FIELD << at) | (finger + 1L) << at;
                    }
                }
                presses[finger] = grip.fret[finger] << 8 | grip.bass[finger] << 4 | grip.treble[finger];
                over |= grip.span(finger) > 1 ? 1 << finger : 0;
            }
        }
        this.barres = over;
        this.frets = stopped;
        this.fingers = by;
    }

    static int fret(int press) {
        return press >> 8;
    }

    static int bassString(int press) {
        return press >> 4 & 0xF;
    }

    static int trebleString(int press) {
        return press & 0xF;
    }

    private static long lowestBits() {
        long bits = 0;
        for (int at = 0; at + FIELD_BITS <= Long.SIZE; at += FIELD_BITS) {
            bits |= 1L << at;
        }
        return bits;
    }

    private static int shift(int string) {
        return (string - 1) * FIELD_BITS;
    }

    /** Strings as a set for {@link #stopsOtherwise}: from bit s for string s. */
    public static long stringSet(int strings) {
        long set = 0;
        for (int left = strings; left != 0; left &= left - 1) {
            set |= 1L << shift(Integer.numberOfTrailingZeros(left));
        }
        return set;
    }

    private static long fieldsInUse(long fields) {
        return (fields | fields >> 1 | fields >> 2 | fields >> 3 | fields >> 4 | fields >> 5) & LOWEST_BITS;
    }

    /** The strings that another position stops at another fret or by another finger, a {@link #stringSet}. */
    public long stopsOtherwise(Stance next) {
        return fieldsInUse(frets ^ next.frets | fingers ^ next.fingers);
    }

    /** Whether a string keeps its fret and its finger in another position. */
    public boolean keeps(int string, Stance next) {
        return ((frets ^ next.frets | fingers ^ next.fingers) >> shift(string) & FIELD) == 0;
    }

    /** How many strings go from one finger to another and to another fret by that. */
    int substitutions(Stance next) {
        long both = fieldsInUse(frets) & fieldsInUse(next.frets);
        return both == 0
                ? 0
                : Long.bitCount(both & fieldsInUse(frets ^ next.frets) & fieldsInUse(fingers ^ next.fingers));
    }

    /** The fret at which a string is stopped, 0 where no finger is on it. */
    public int stop(int string) {
        return (int) (frets >> shift(string) & FIELD);
    }

    /** The fingers that stop some strings, bit n for the finger of ordinal n; strings with bit s for string s. */
    public int fingersOn(int strings) {
        int set = 0;
        for (int left = strings; left != 0; left &= left - 1) {
            int finger = (int) (fingers >> shift(Integer.numberOfTrailingZeros(left)) & FIELD);
            set |= finger == 0 ? 0 : 1 << finger - 1;
        }
        return set;
    }

    public Fingering fingering() {
        return grip.fingering();
    }

    /** The fret at which finger 1 stands, would stand or waits. */
    public int position() {
        return position;
    }
}

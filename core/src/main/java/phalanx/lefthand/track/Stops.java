package phalanx.lefthand.track;

import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;

/**
 * What stops each string, packed into longs with a field of six bits a string, so that two moments are compared on all
 * strings at once. Ten strings fit.
 *
 * @param frets the fret at which each string is stopped, 0 where none is
 * @param fingers which finger stops it, from 1; 0 where none does
 */
public record Stops(long frets, long fingers) {
    private static final int FIELD_BITS = 6;
    private static final long FIELD = (1L << FIELD_BITS) - 1;
    /** The lowest bit of each field. */
    private static final long LOWEST_BITS = lowestBits();

    private static long lowestBits() {
        long bits = 0;
        for (int at = 0; at + FIELD_BITS <= Long.SIZE; at += FIELD_BITS) {
            bits |= 1L << at;
        }
        return bits;
    }

    /** Of packed presses; the highest one on a string stops it. */
    public static Stops of(int[] presses) {
        long frets = 0;
        long fingers = 0;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            int press = presses[finger];
            for (int string = press == 0 ? 1 : Press.trebleString(press);
                    press != 0 && string <= Press.bassString(press);
                    string++) {
                int at = shift(string);
                if (Press.fret(press) > (frets >> at & FIELD)) {
                    frets = frets & ~(FIELD << at) | (long) Press.fret(press) << at;
                    fingers = fingers & ~(FIELD << at) | (finger + 1L) << at;
                }
            }
        }
        return new Stops(frets, fingers);
    }

    static int shift(int string) {
        return (string - 1) * FIELD_BITS;
    }

    /** The value of a string in one of the fields. */
    public static int at(long fields, int string) {
        return (int) (fields >> shift(string) & FIELD);
    }

    /** The lowest bit of a string's field. */
    public static long bit(int string) {
        return 1L << shift(string);
    }

    /** The lowest bit of each field that is not nought. */
    public static long inUse(long fields) {
        return (fields | fields >> 1 | fields >> 2 | fields >> 3 | fields >> 4 | fields >> 5) & LOWEST_BITS;
    }

    /** The string of a lowest bit. */
    public static int string(long bits) {
        return Long.numberOfTrailingZeros(bits) / FIELD_BITS + 1;
    }

    /** The fret at which a string is stopped, 0 where it is open. */
    public int fret(int string) {
        return at(frets, string);
    }

    /** Those of some strings that are open, bit s for string s. */
    public int open(int some) {
        int open = some;
        for (int string = 1; open >> string != 0; string++) {
            open &= fret(string) == 0 ? -1 : ~(1 << string);
        }
        return open;
    }

    /** Whether a string keeps its fret and its finger. */
    public static boolean keeps(int string, long frets, long fingers, long nextFrets, long nextFingers) {
        return at(frets ^ nextFrets | fingers ^ nextFingers, string) == 0;
    }

    /** Whether a string keeps its fret and its finger into the next moment. */
    public boolean keeps(int string, Stops next) {
        return keeps(string, frets, fingers, next.frets, next.fingers);
    }
}

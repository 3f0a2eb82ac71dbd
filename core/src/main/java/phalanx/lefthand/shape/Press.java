package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * One finger pressing one fret over a span of neighbouring strings; more than one string is a barre. A string inside
 * the span may sound a higher fret that another finger presses.
 *
 * @param finger which
 * @param fret relative to the capo, from 1
 * @param bassString the span's string of highest number
 * @param trebleString the span's string of lowest number
 */
public record Press(Finger finger, int fret, int bassString, int trebleString) {
    public Press {
        Objects.requireNonNull(finger, "finger");
        if (fret < 1 || trebleString < 1 || bassString < trebleString) {
            throw new IllegalArgumentException(
                    wording("Press.finger-cannot-press-fret-over", finger.symbol(), fret, bassString, trebleString));
        }
    }

    /**
     * A press as one number, for searches that compare thousands: equal numbers mean the same place.
     *
     * @return never 0, which stands for a finger that is up
     */
    public static int pack(int fret, int bassString, int trebleString) {
        return fret << 8 | bassString << 4 | trebleString;
    }

    public static int fret(int packed) {
        return packed >> 8;
    }

    public static int bassString(int packed) {
        return packed >> 4 & 0xF;
    }

    public static int trebleString(int packed) {
        return packed & 0xF;
    }

    public static boolean isBarre(int packed) {
        return bassString(packed) > trebleString(packed);
    }

    /** Whether two packed presses have a string in common. */
    public static boolean overlap(int packed, int other) {
        return bassString(packed) >= trebleString(other) && bassString(other) >= trebleString(packed);
    }

    public int packed() {
        return pack(fret, bassString, trebleString);
    }

    static Press of(Finger finger, int packed) {
        return new Press(finger, fret(packed), bassString(packed), trebleString(packed));
    }

    public boolean covers(int string) {
        return string <= bassString && string >= trebleString;
    }

    public boolean isBarre() {
        return bassString > trebleString;
    }

    /** How many strings lie under the finger. */
    public int span() {
        return bassString - trebleString + 1;
    }

    /** The strings under the finger, from the bass side. */
    public List<Integer> strings() {
        return IntStream.rangeClosed(trebleString, bassString)
                .map(string -> bassString + trebleString - string)
                .boxed()
                .toList();
    }
}

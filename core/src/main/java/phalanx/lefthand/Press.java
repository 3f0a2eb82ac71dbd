package phalanx.lefthand;

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
            throw new IllegalArgumentException("finger " + finger.symbol() + " cannot press fret " + fret
                    + " over strings " + bassString + " to " + trebleString);
        }
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

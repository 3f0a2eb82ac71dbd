package phalanx.righthand;

import java.util.List;
import phalanx.song.Bar;

/** Counts a bar in two voices: syllables of the beat, and what the hand does. */
public final class Counting {
    private static final List<String> TWOS = List.of("&");
    private static final List<String> THREES = List.of("trip", "let");
    private static final List<String> FOURS = List.of("e", "&", "a");

    private Counting() {}

    /**
     * What is counted at a tick of a bar: the beat's number on it; between, {@code &} for two, {@code trip let} for
     * three, {@code e & a} for four, numbers from 2 for any other count. In a compound meter every third has its number.
     *
     * @param grid steps a felt beat
     */
    public static String syllable(Bar bar, int tick, int grid) {
        int beat = bar.meter().beatTicks();
        int offset = bar.offsetOf(tick);
        int number = 1 + offset / beat;
        int step = offset % beat * grid / beat;
        if (bar.meter().compound()) {
            int third = beat / 3;
            return offset % third == 0 ? String.valueOf(1 + offset / third) : "&";
        }
        if (step == 0) {
            return String.valueOf(number);
        }
        List<String> between = grid == 2 ? TWOS : grid == 3 ? THREES : grid == 4 ? FOURS : List.of();
        return between.isEmpty() ? String.valueOf(step + 1) : between.get(step - 1);
    }

    /** What the hand does at a moment: "thumb", "index", "pinch", "block", "brush" and so on. */
    public static String motion(List<Digit> digits, boolean brush, School school) {
        if (brush) {
            return digits.contains(Digit.P) ? "thumb and brush" : "brush";
        }
        if (digits.isEmpty()) {
            return "rest";
        }
        if (digits.size() == 1) {
            return school.word(digits.get(0));
        }
        return digits.contains(Digit.P) ? "pinch" : "block";
    }
}

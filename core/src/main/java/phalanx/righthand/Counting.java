package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableSet;
import java.util.SortedSet;
import phalanx.song.Bar;

/** Counts a bar in two voices: syllables of the beat, and what the hand does. */
public final class Counting {
    private static final List<String> TWOS = List.of("&");
    private static final List<String> THREES = List.of("trip", "let");
    private static final List<String> FOURS = List.of("e", "&", "a");

    private static final int MOST_STEPS = 8;
    /** A beat that a bar has only a part of is not counted by number: the numbers would not tell their beat. */
    private static final int MOST_STEPS_OF_A_PART = 4;

    private Counting() {}

    /** A word of the count and its place. */
    public record Count(int tick, String word) {}

    /**
     * The count of a bar: each felt beat in the fewest steps, halves at least and thirds or their halves in a compound
     * meter, on which all that is struck in it falls; what falls on none of up to eight steps changes nothing.
     *
     * @param struck ticks at which something is struck, in the bar or not
     */
    public static List<Count> of(Bar bar, NavigableSet<Integer> struck) {
        int beat = bar.meter().beatTicks();
        List<Count> counts = new ArrayList<>();
        for (int start = bar.startTick() - bar.offsetOf(bar.startTick()); start < bar.endTick(); start += beat) {
            int grid = grid(bar, start, struck.subSet(start, start + beat));
            for (int step = 0; step < grid; step++) {
                int tick = start + beat * step / grid;
                if (bar.contains(tick)) {
                    counts.add(new Count(tick, syllable(bar, tick, grid)));
                }
            }
        }
        return counts;
    }

    private static int grid(Bar bar, int start, SortedSet<Integer> struck) {
        int beat = bar.meter().beatTicks();
        int usual = bar.meter().compound() ? 3 : 2;
        boolean whole = start >= bar.startTick() && start + beat <= bar.endTick();
        for (int grid = usual; grid <= (whole ? MOST_STEPS : MOST_STEPS_OF_A_PART); grid++) {
            int steps = grid;
            boolean told = grid % usual == 0 || !bar.meter().compound();
            if (told && beat % grid == 0 && struck.stream().allMatch(tick -> (tick - start) * steps % beat == 0)) {
                return grid;
            }
        }
        return usual;
    }

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
            return digits.contains(Digit.P) ? wording("Counting.thumb-and-brush") : wording("Counting.brush");
        }
        if (digits.isEmpty()) {
            return wording("Counting.rest");
        }
        if (digits.size() == 1) {
            return school.word(digits.get(0));
        }
        return digits.contains(Digit.P) ? wording("Counting.pinch") : wording("Counting.block");
    }
}

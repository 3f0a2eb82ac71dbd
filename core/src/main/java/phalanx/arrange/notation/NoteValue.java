package phalanx.arrange.notation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import phalanx.song.Bar;
import phalanx.song.Ticks;

/**
 * A written note value.
 *
 * @param ticks how long it is
 * @param type its English name, such as quarter or 16th; empty where no value has that length
 * @param dots how many dots
 * @param actual how many fill the time of {@code normal}: 3 for triplets, 1 otherwise
 * @param normal how many plain ones they replace
 */
public record NoteValue(int ticks, String type, int dots, int actual, int normal) {
    private static final List<NoteValue> ALL = all();

    private static List<NoteValue> all() {
        String[] types = {"whole", "half", "quarter", "eighth", "16th", "32nd", "64th"};
        int[][] tuplets = {{1, 1}, {3, 2}, {5, 4}, {7, 4}};
        List<NoteValue> values = new ArrayList<>();
        for (int[] tuplet : tuplets) {
            int ticks = Ticks.WHOLE;
            for (String type : types) {
                int plain = ticks * tuplet[1];
                add(values, plain, type, 0, tuplet);
                if (plain % 2 == 0) {
                    add(values, plain * 3 / 2, type, 1, tuplet);
                }
                ticks /= 2;
            }
        }
        values.sort(Comparator.comparingInt(NoteValue::actual).thenComparingInt(value -> -value.ticks()));
        return List.copyOf(values);
    }

    private static void add(List<NoteValue> values, int ticksTimesActual, String type, int dots, int[] tuplet) {
        if (ticksTimesActual % tuplet[0] == 0) {
            values.add(new NoteValue(ticksTimesActual / tuplet[0], type, dots, tuplet[0], tuplet[1]));
        }
    }

    /**
     * Values that add up to a length, to be tied; plain values before tuplets. A remainder that no value fits comes
     * last with an empty type.
     */
    public static List<NoteValue> split(int ticks) {
        for (NoteValue value : ALL) {
            if (value.ticks == ticks) {
                return List.of(value);
            }
        }
        List<NoteValue> parts = new ArrayList<>();
        int left = ticks;
        for (NoteValue value : ALL) {
            if (value.actual == 1 && value.dots == 0 && value.ticks <= left && representable(left - value.ticks)) {
                parts.add(value);
                parts.addAll(split(left - value.ticks));
                return parts;
            }
        }
        parts.add(new NoteValue(left, "", 0, 1, 1));
        return parts;
    }

    /** The rests of a silence within a bar: a bar of silence has one, whatever its length. */
    static List<NoteValue> silence(Bar bar, int from, int to) {
        return from == bar.startTick() && to == bar.endTick()
                ? List.of(new NoteValue(to - from, "whole", 0, 1, 1))
                : split(to - from);
    }

    private static boolean representable(int ticks) {
        return ALL.stream().anyMatch(value -> value.ticks == ticks) || ticks > Ticks.WHOLE / 64;
    }
}

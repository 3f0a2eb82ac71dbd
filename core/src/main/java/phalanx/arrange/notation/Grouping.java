package phalanx.arrange.notation;

import java.util.ArrayList;
import java.util.List;
import phalanx.song.Bar;

/** Joins the written values of one voice in one bar: beams within a felt beat, brackets around tuplets. */
public final class Grouping {
    private static final List<String> BEAMED = List.of("eighth", "16th", "32nd", "64th");

    private final Bar bar;
    private final List<Value> values;

    /**
     * A written value.
     *
     * @param onset the tick at which it begins
     * @param value how long it is
     * @param rest whether it is silence
     */
    public record Value(int onset, NoteValue value, boolean rest) {
        /** How many beams or flags it has; none for a rest. */
        public int beams() {
            return rest ? 0 : BEAMED.indexOf(value.type()) + 1;
        }

        public int end() {
            return onset + value.ticks();
        }

        /** How long a plain value of its type is. */
        int plain() {
            return value.ticks() * value.actual() / value.normal();
        }
    }

    /**
     * Values that belong together.
     *
     * @param first index of the first
     * @param last index of the last, behind the first
     */
    public record Run(int first, int last) {}

    /** @param values of one voice in a bar, in order */
    public Grouping(Bar bar, List<Value> values) {
        this.bar = bar;
        this.values = List.copyOf(values);
    }

    /** Those under one beam. */
    public List<Run> beams() {
        List<Run> runs = new ArrayList<>();
        for (int from = 0, to; from < values.size(); from = to) {
            to = from + 1;
            while (to < values.size() && goesOn(values.get(to - 1), values.get(to))) {
                to++;
            }
            if (to > from + 1) {
                runs.add(new Run(from, to - 1));
            }
        }
        return runs;
    }

    /** Whether two values stand under one beam. */
    private boolean goesOn(Value before, Value now) {
        int beat = bar.meter().beatTicks();
        return before.beams() > 0
                && now.beams() > 0
                && before.end() == now.onset
                && bar.offsetOf(before.onset) / beat == bar.offsetOf(now.onset) / beat;
    }

    /** Those under one bracket: from its first value until as many of its shortest one as the tuplet has are full. */
    public List<Run> tuplets() {
        List<Run> runs = new ArrayList<>();
        int first = -1;
        int shortest = 0;
        for (int i = 0; i < values.size(); i++) {
            Value value = values.get(i);
            boolean odd = value.value.actual() > 1;
            if (first >= 0 && !(odd && sameTuplet(values.get(i - 1), value))) {
                bracket(first, i - 1, runs);
                first = -1;
            }
            if (odd && first < 0) {
                first = i;
                shortest = value.plain();
            }
            if (odd) {
                shortest = Math.min(shortest, value.plain());
                int full = shortest * value.value.normal();
                if ((value.end() - values.get(first).onset) % full == 0) {
                    bracket(first, i, runs);
                    first = -1;
                }
            }
        }
        if (first >= 0) {
            bracket(first, values.size() - 1, runs);
        }
        return runs;
    }

    private static boolean sameTuplet(Value before, Value now) {
        return before.end() == now.onset
                && before.value.actual() == now.value.actual()
                && before.value.normal() == now.value.normal();
    }

    private static void bracket(int first, int last, List<Run> runs) {
        if (first < last) {
            runs.add(new Run(first, last));
        }
    }
}

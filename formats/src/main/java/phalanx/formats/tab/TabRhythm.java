package phalanx.formats.tab;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import phalanx.song.Meter;

/**
 * Reads the rhythm of a bar from a counting line or, without one, from the spacing: columns as far apart in time as
 * they look.
 */
final class TabRhythm {
    private static final int[] DIVISIONS = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 16, 18, 20, 24, 30};

    /** A division so much finer must lessen the error by a beat. */
    private static final double FINENESS = 4800;

    /** A beat of so many steps or more is counted by number. */
    private static final int FEWEST_COUNTED = 5;

    /** Bars may be wider or narrower than their steps by so many columns, or end so soon after their last note. */
    private static final int MOST_COLUMNS_OFF = 3;

    /** The share of a beat by which a column may stand before it. */
    private static final double EARLY = 48;
    /** The share of a beat from which rounding is worth a word. */
    private static final double EXACT = 16;

    private final Meter meter;
    private final int ticks;
    private final int pad;
    private final int common;

    /**
     * @param meter of the bar
     * @param ticks how long the bar is
     * @param pad columns before the first beat
     * @param common columns from step to step of all bars that are as wide; 0 where they have no more than a first beat
     */
    TabRhythm(Meter meter, int ticks, int pad, int common) {
        this.meter = meter;
        this.ticks = ticks;
        this.pad = pad;
        this.common = common;
    }

    /**
     * When each column with notes or hits sounds.
     *
     * @param times ticks from the start of the bar by column
     * @param exact whether the columns fit a grid without rounding
     */
    record Times(TreeMap<Integer, Integer> times, boolean exact) {}

    Times of(TabBar bar) {
        List<Integer> columns = columns(bar);
        return bar.counts().isEmpty() ? bySpacing(bar, columns) : byCount(bar, columns);
    }

    /** Columns of notes, and of hits beside them, in order. */
    static List<Integer> columns(TabBar bar) {
        TreeSet<Integer> columns = new TreeSet<>(moments(bar));
        bar.hits().stream()
                .map(TabBar.HitSign::column)
                .filter(column ->
                        bar.cells().stream().noneMatch(cell -> cell.column() <= column && column < cell.endColumn()))
                .forEach(columns::add);
        return new ArrayList<>(columns);
    }

    /** First columns of what sounds together: figures of two places may stand one column aside. */
    static List<Integer> moments(TabBar bar) {
        List<Integer> columns = new ArrayList<>();
        int end = -1;
        for (TabBar.Cell cell : bar.cells()) {
            if (cell.column() >= end) {
                columns.add(cell.column());
                end = cell.endColumn();
            } else if (cell.endColumn() - cell.column() > 1 && cell.column() == columns.get(columns.size() - 1)) {
                end = cell.endColumn();
            }
        }
        return columns;
    }

    private Times bySpacing(TabBar bar, List<Integer> columns) {
        int own = step(bar, pad);
        if (own == 0) {
            // one note on the first beat, or none
            return times(columns, column -> 0, true);
        }
        int room = bar.width() - pad;
        int reach = columns.get(columns.size() - 1) - pad;
        for (int step : new int[] {common, own}) {
            int steps = steps(step, room, reach);
            if (steps > 0) {
                return times(columns, column -> (column - pad) / step * (ticks / steps), true);
            }
        }
        return rounded(columns, column -> (column - pad) * (double) ticks / Math.max(1, room));
    }

    /**
     * How many steps of so many columns a bar has; 0 where they do not fit.
     *
     * @param room the bar's columns from the first beat on
     * @param reach those before its last note
     */
    private int steps(int step, int room, int reach) {
        boolean closesAtOnce = room - reach <= MOST_COLUMNS_OFF;
        for (int steps : new int[] {Math.round(room / (float) step), (room + step - 1) / step, room / step + 1}) {
            boolean near = Math.abs(steps * step - room) <= Math.min(step - 1, MOST_COLUMNS_OFF);
            if (steps > reach / step && isGrid(steps) && (near || closesAtOnce)) {
                return steps;
            }
        }
        return 0;
    }

    /** Columns from step to step of a bar; 0 where it has no more than a first beat. */
    static int step(TabBar bar, int pad) {
        return columns(bar).stream().mapToInt(column -> column - pad).reduce(0, TabRhythm::gcd);
    }

    private boolean isGrid(int steps) {
        int beats = Math.max(1, ticks / meter.beatTicks());
        return ticks % steps == 0 && (steps % beats == 0 || beats % steps == 0) && steps <= 12 * beats;
    }

    private Times byCount(TabBar bar, List<Integer> columns) {
        TreeMap<Integer, Double> anchors = new TreeMap<>();
        int beat = counted();
        int first = bar.firstNumber().orElse(1);
        int lead = bar.beginsOffBeat() ? beat / 2 : 0;
        int start = -beat / 2;
        List<Integer> numbers = new ArrayList<>();
        BitSet apart = new BitSet();
        for (TabBar.Word word : bar.counts()) {
            if (Character.isDigit(word.text().charAt(0))) {
                numbers.add(Integer.parseInt(word.text()));
            } else {
                apart.set(numbers.size());
            }
        }
        int[] steps = new int[numbers.size()];
        readBeats(numbers, apart, steps, 0, first);
        int at = 0;
        for (TabBar.Word word : bar.counts()) {
            double share =
                    switch (word.text()) {
                        case "e" -> 1 / 4.0;
                        case "trip" -> 1 / 3.0;
                        case "&", "+", "and" -> 1 / 2.0;
                        case "let" -> 2 / 3.0;
                        case "a" -> 3 / 4.0;
                        default -> 0;
                    };
            if (share == 0) {
                int number = numbers.get(at);
                if (steps[at] > 0) {
                    share = (number - 1) / (double) steps[at];
                } else {
                    start = lead + (number - first) * beat;
                }
                at++;
            }
            anchors.put(word.column(), Math.max(0, start + share * beat));
        }
        anchors.putIfAbsent(bar.width(), (double) ticks);
        return rounded(columns, column -> between(anchors, column));
    }

    /**
     * Tells beats from the numbers that count the steps of one: {@code 1 2 3 4 5 2 2 3 4 5} are two beats of five.
     *
     * @param apart which numbers have a word before them that is none: they begin a beat
     * @param steps takes for each number how many steps its beat has, 0 where it is the beat itself
     * @return whether numbers from one on can be read so
     */
    private static boolean readBeats(List<Integer> numbers, BitSet apart, int[] steps, int from, int beat) {
        boolean rising = true;
        for (int i = from; i < numbers.size(); i++) {
            rising &= numbers.get(i) > (i == from ? beat - 1 : numbers.get(i - 1));
        }
        if (rising) {
            Arrays.fill(steps, from, steps.length, 0);
            return true;
        }
        if (numbers.get(from) != beat) {
            return false;
        }
        int run = 1;
        while (from + run < numbers.size() && !apart.get(from + run) && numbers.get(from + run) == run + 1) {
            run++;
        }
        for (int length = run; length >= FEWEST_COUNTED; length--) {
            if (readBeats(numbers, apart, steps, from + length, beat + 1)) {
                Arrays.fill(steps, from, from + length, length);
                steps[from] = 0;
                return true;
            }
        }
        return readBeats(numbers, apart, steps, from + 1, beat + 1);
    }

    private static double between(TreeMap<Integer, Double> anchors, int column) {
        Map.Entry<Integer, Double> before = anchors.floorEntry(column);
        Map.Entry<Integer, Double> after = anchors.ceilingEntry(column);
        if (before == null || after == null) {
            return before == null ? Math.max(0, after.getValue()) : before.getValue();
        }
        if (after.getKey().equals(before.getKey())) {
            return before.getValue();
        }
        double share = (column - before.getKey()) / (double) (after.getKey() - before.getKey());
        return before.getValue() + share * (after.getValue() - before.getValue());
    }

    /** What gets a number of the count: a beat, or its third in a compound meter. */
    private int counted() {
        return meter.compound() ? meter.stepTicks() : meter.beatTicks();
    }

    private interface Place {
        double tick(int column);
    }

    /** Beat by beat on the coarsest division that keeps columns apart and near. */
    private Times rounded(List<Integer> columns, Place place) {
        TreeMap<Integer, Integer> times = new TreeMap<>();
        boolean exact = true;
        int beat = counted();
        int from = 0;
        while (from < columns.size()) {
            int number = beatOf(place.tick(columns.get(from)));
            int to = from;
            while (to < columns.size() && beatOf(place.tick(columns.get(to))) == number) {
                to++;
            }
            int before = times.isEmpty() ? -1 : times.lastEntry().getValue();
            Times own = inBeat(columns.subList(from, to), place, number * beat, before);
            times.putAll(own.times);
            exact &= own.exact;
            from = to;
        }
        return new Times(times, exact);
    }

    private int beatOf(double tick) {
        // a column may stand a little before its beat
        return (int) ((tick + counted() / EARLY) / counted());
    }

    private Times inBeat(List<Integer> columns, Place place, int start, int before) {
        Times best = null;
        double least = Double.POSITIVE_INFINITY;
        for (int division : DIVISIONS) {
            int grid = counted() / division;
            double error = 0;
            TreeMap<Integer, Integer> times = new TreeMap<>();
            int last = before;
            boolean apart = true;
            for (int column : columns) {
                int tick = start + (int) Math.round((place.tick(column) - start) / grid) * grid;
                apart &= tick > last && tick < ticks;
                error = Math.max(error, Math.abs(tick - place.tick(column)));
                last = tick;
                times.put(column, tick);
            }
            double judged = error + division * counted() / FINENESS;
            if (apart && judged < least) {
                least = judged;
                best = new Times(times, error < counted() / EXACT);
            }
        }
        return best == null ? asTheyStand(columns, place, before) : best;
    }

    /** Columns closer together than any grid: each where it stands, one after another. */
    private Times asTheyStand(List<Integer> columns, Place place, int before) {
        TreeMap<Integer, Integer> times = new TreeMap<>();
        int last = before;
        for (int column : columns) {
            last = Math.max(last + 1, (int) Math.round(place.tick(column)));
            times.put(column, Math.min(last, ticks - 1));
        }
        return new Times(times, false);
    }

    private interface Tick {
        int at(int column);
    }

    private static Times times(List<Integer> columns, Tick tick, boolean exact) {
        TreeMap<Integer, Integer> times = new TreeMap<>();
        columns.forEach(column -> times.put(column, tick.at(column)));
        return new Times(times, exact);
    }

    static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}

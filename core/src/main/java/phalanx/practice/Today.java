package phalanx.practice;

import static phalanx.words.Words.wording;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.words.Words;

/**
 * What to practise today: warm up, then steps that come back and new ones in turn, the weakest first, a rest after 25
 * minutes at most. A step that was climbed comes back after 1, 2, 4, 8 and 16 days, each time a box further while it stays
 * clean, and starts again in the first box when it does not (S. Leitner, So lernt man lernen, 1972, from memory; the
 * doubling of days is common practice).
 */
public final class Today {
    /** Clean passes in a row with which a step is climbed. */
    public static final int CLEAN_ENOUGH = 3;

    /** Sittings after which a step that has not moved gets a suggestion. */
    public static final int STUCK_AFTER = 5;

    /** The caution that every sitting needs. Common practice; what hurts is for a clinician. */
    public static final String CAUTION = wording("Today.warm-up-first-rest-after");

    private static final int WARM_UP = 3;
    private static final int RETURN = 4;
    private static final int NEW = 5;
    private static final int MOST_IN_A_ROW = 25;
    private static final int REST = 5;
    private static final int BOXES = 5;
    /** Days that a step rests after it strained. An assumption of ours, to the safe side. */
    private static final int STRAIN_RESTS = 2;

    private final List<Step> steps;
    private final LocalDate today;
    /** The passes of each step by day; a clock that was set back makes no new day before the last. */
    private final Map<String, TreeMap<LocalDate, List<LogEntry>>> passes;

    /** What a block is for. */
    public enum Kind {
        WARM_UP,
        RETURN,
        NEW,
        REST;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /**
     * A part of a sitting.
     *
     * @param kind what it is for
     * @param step its place in the ladder; none in a rest
     * @param minutes how long
     * @param why it stands there
     */
    public record Block(Kind kind, OptionalInt step, int minutes, String why) {}

    private Today(List<Step> steps, List<LogEntry> entries, LocalDate today, ZoneId zone) {
        this.steps = steps;
        this.today = today;
        this.passes = entries.stream()
                .collect(Collectors.groupingBy(
                        LogEntry::step,
                        Collectors.groupingBy(
                                entry -> LocalDate.ofInstant(entry.at(), zone), TreeMap::new, Collectors.toList())));
    }

    /**
     * The blocks of a sitting.
     *
     * @param steps of the ladder
     * @param entries of the log on the same ladder, in the order they were made
     * @param minutes there are; none is planned for less than a warm-up takes
     */
    public static List<Block> of(List<Step> steps, List<LogEntry> entries, LocalDate today, ZoneId zone, int minutes) {
        return steps.isEmpty() || minutes < WARM_UP
                ? List.of()
                : new Today(steps, entries, today, zone).blocks(minutes);
    }

    /**
     * What is played in a sitting after the warm-up.
     *
     * @param step its place in the ladder
     * @param comesBack whether it was climbed before
     * @param minutes how long
     */
    record Pick(int step, boolean comesBack, int minutes) {}

    /**
     * Steps that come back and new ones in turn, as long as there is time.
     *
     * @param due those that come back, in order
     * @param next the first new one
     * @param all how many steps there are
     * @param minutes of the whole sitting
     */
    static List<Pick> picks(List<Integer> due, int next, int all, int minutes) {
        List<Pick> picks = new ArrayList<>();
        int left = minutes - WARM_UP;
        int back = 0;
        int fresh = next;
        boolean again = true;
        while (left > 0 && (back < due.size() || fresh < all)) {
            boolean comesBack = back < due.size() && (again || fresh >= all);
            int takes = Math.min(left, comesBack ? RETURN : NEW);
            picks.add(new Pick(comesBack ? due.get(back++) : fresh++, comesBack, takes));
            left -= takes;
            again = !comesBack;
        }
        return picks;
    }

    private List<Block> blocks(int minutes) {
        List<Block> blocks = new ArrayList<>(List.of(new Block(Kind.WARM_UP, OptionalInt.of(0), WARM_UP, warmUp())));
        // what strains is not built upon
        int next = resting(next()) ? steps.size() : next();
        int inARow = WARM_UP;
        for (Pick pick : picks(due(), next, steps.size(), minutes)) {
            if (inARow + pick.minutes() > MOST_IN_A_ROW) {
                blocks.add(new Block(Kind.REST, OptionalInt.empty(), REST, wording("Today.hands-down-away-from-the")));
                inARow = 0;
            }
            int step = pick.step();
            blocks.add(new Block(
                    pick.comesBack() ? Kind.RETURN : Kind.NEW,
                    OptionalInt.of(step),
                    pick.minutes(),
                    pick.comesBack() ? back(step) : fresh(step)));
            inARow += pick.minutes();
        }
        return List.copyOf(blocks);
    }

    /** In which box each step is and since which day, counted from 1970; for {@link Weeks}. */
    static Climbed climbed(List<Step> steps, List<LogEntry> entries, LocalDate today, ZoneId zone) {
        Today now = new Today(steps, entries, today, zone);
        int[] boxes = new int[steps.size()];
        long[] since = new long[steps.size()];
        for (int i = 0; i < boxes.length; i++) {
            // one that has slipped comes back at once
            boxes[i] = Math.max(now.box(i), now.lost(i) ? 1 : 0);
            since[i] = boxes[i] == 0 ? 0 : now.last(i).toEpochDay();
        }
        return new Climbed(boxes, since, now.next());
    }

    /** How far a ladder is climbed. */
    record Climbed(int[] boxes, long[] since, int next) {}

    /** After how many days a step comes back. */
    static long comesBackAfter(int box) {
        return 1L << box - 1;
    }

    /** The box after one more clean day. */
    static int nextBox(int box) {
        return Math.min(BOXES, box + 1);
    }

    /** Steps that were climbed and are due, the weakest first. */
    private List<Integer> due() {
        List<Integer> due = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            boolean comesBack = box(i) > 0 && !today.isBefore(last(i).plusDays(comesBackAfter(box(i)))) || lost(i);
            if (comesBack && !resting(i)) {
                due.add(i);
            }
        }
        due.sort(Comparator.comparingDouble(this::cleanShare));
        return due;
    }

    /** Whether it strained the hand a short while ago. */
    private boolean resting(int step) {
        return step < steps.size()
                && strained(step)
                        .filter(day -> today.isBefore(day.plusDays(STRAIN_RESTS)))
                        .isPresent();
    }

    private Optional<LocalDate> strained(int step) {
        return days(step).entrySet().stream()
                .filter(day -> day.getValue().stream().anyMatch(entry -> entry.feel() == LogEntry.Feel.STRAINED))
                .map(Map.Entry::getKey)
                .reduce((before, later) -> later);
    }

    private String warmUp() {
        return wording(
                "Today.slow-and-easy",
                IntStream.range(0, steps.size())
                        .filter(this::resting)
                        .mapToObj(step -> wording(
                                "Today.strained-it-rests-until",
                                steps.get(step).name(),
                                strained(step).orElseThrow().plusDays(STRAIN_RESTS)))
                        .collect(Collectors.joining()));
    }

    /** The first step above all that were ever climbed. */
    private int next() {
        int next = 0;
        for (int i = 0; i < steps.size(); i++) {
            next = box(i) > 0 || lost(i) ? i + 1 : next;
        }
        return next;
    }

    private TreeMap<LocalDate, List<LogEntry>> days(int step) {
        return passes.getOrDefault(steps.get(step).id(), new TreeMap<>());
    }

    private LocalDate last(int step) {
        return days(step).lastKey();
    }

    /** Whether it was climbed once and was not clean the last time, on an earlier day. */
    private boolean lost(int step) {
        return box(step) == 0
                && days(step).values().stream().anyMatch(Today::isClimbed)
                && last(step).isBefore(today);
    }

    /** The box it is in after all its days, from 1; 0 while it is not climbed. */
    private int box(int step) {
        int box = 0;
        for (List<LogEntry> day : days(step).values()) {
            box = isClimbed(day) ? nextBox(box) : 0;
        }
        return box;
    }

    private static boolean isClimbed(List<LogEntry> day) {
        int row = 0;
        for (LogEntry entry : day) {
            row = entry.clean() ? row + 1 : 0;
            if (row >= CLEAN_ENOUGH) {
                return true;
            }
        }
        return false;
    }

    private double cleanShare(int step) {
        return days(step).values().stream()
                .flatMap(List::stream)
                .mapToInt(entry -> entry.clean() ? 1 : 0)
                .average()
                .orElse(0);
    }

    private String back(int step) {
        return lost(step)
                ? wording("Today.it-was-climbed-and-slipped")
                : wording("Today.last-played-on-box-of", last(step), box(step), BOXES);
    }

    private String fresh(int step) {
        int sittings = days(step).size();
        return sittings >= STUCK_AFTER
                ? wording("Today.it-has-not-moved-in", sittings)
                : sittings > 0 ? wording("Today.goes-on-from", last(step)) : wording("Today.the-next-thing-to-add");
    }
}

package phalanx.practice;

import static phalanx.words.Words.wording;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * How long a ladder may take, found by playing the plan day by day: at least as long as when every new step is climbed in
 * its first block, at most as long as when each needs two sittings. Five sittings a week. Assumptions of ours.
 *
 * @param least weeks
 * @param most weeks
 */
public record Weeks(int least, int most) {
    /** What is assumed, in words. */
    public static final String ASSUMPTION = wording("Weeks.five-sittings-a-week-each");

    private static final int SITTINGS = 5;
    private static final int LONGEST = 400;

    public Weeks {
        if (least < 0 || most < least) {
            throw new IllegalArgumentException(wording("Weeks.to-weeks", least, most));
        }
    }

    /**
     * For the rest of a ladder.
     *
     * @param steps of the ladder
     * @param entries of the log on it, in the order they were made
     * @param minutes of each sitting
     * @return nothing where the minutes are too few to get on
     */
    public static Optional<Weeks> of(
            List<Step> steps, List<LogEntry> entries, LocalDate today, ZoneId zone, int minutes) {
        Today.Climbed now = Today.climbed(steps, entries, today, zone);
        OptionalInt least = sittings(now, today.toEpochDay(), minutes, 1);
        OptionalInt most = sittings(now, today.toEpochDay(), minutes, 2);
        return least.isEmpty() || most.isEmpty()
                ? Optional.empty()
                : Optional.of(new Weeks(weeks(least.getAsInt()), weeks(most.getAsInt())));
    }

    private static int weeks(int sittings) {
        return (sittings + SITTINGS - 1) / SITTINGS;
    }

    /** @param needed sittings for a new step */
    private static OptionalInt sittings(Today.Climbed from, long today, int minutes, int needed) {
        int[] boxes = from.boxes().clone();
        long[] since = from.since().clone();
        Set<Integer> begun = new HashSet<>();
        int next = from.next();
        for (int sitting = 0; sitting < LONGEST; sitting++) {
            if (next >= boxes.length) {
                return OptionalInt.of(sitting);
            }
            long day = today + sitting * 7L / SITTINGS;
            List<Integer> due = new ArrayList<>();
            for (int step = 0; step < next; step++) {
                if (boxes[step] > 0 && day >= since[step] + Today.comesBackAfter(boxes[step])) {
                    due.add(step);
                }
            }
            for (Today.Pick pick : Today.picks(due, next, boxes.length, minutes)) {
                boolean climbed = pick.comesBack() || needed == 1 || !begun.add(pick.step());
                if (climbed) {
                    boxes[pick.step()] = Today.nextBox(boxes[pick.step()]);
                    since[pick.step()] = day;
                    next = Math.max(next, pick.step() + 1);
                }
            }
        }
        return OptionalInt.empty();
    }
}

package phalanx.practice;

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
    public static final String ASSUMPTION = "five sittings a week; each new step climbed in one sitting or in two";

    private static final int SITTINGS = 5;
    private static final int LONGEST = 400;

    public Weeks {
        if (least < 0 || most < least) {
            throw new IllegalArgumentException(least + " to " + most + " weeks");
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
        OptionalInt least = sittings(steps, entries, today, zone, minutes, 1);
        OptionalInt most = sittings(steps, entries, today, zone, minutes, 2);
        return least.isEmpty() || most.isEmpty()
                ? Optional.empty()
                : Optional.of(new Weeks(weeks(least.getAsInt()), weeks(most.getAsInt())));
    }

    private static int weeks(int sittings) {
        return (sittings + SITTINGS - 1) / SITTINGS;
    }

    private static OptionalInt sittings(
            List<Step> steps, List<LogEntry> entries, LocalDate today, ZoneId zone, int minutes, int needed) {
        List<LogEntry> log = new ArrayList<>(entries);
        Set<Integer> begun = new HashSet<>();
        for (int sitting = 0; sitting < LONGEST; sitting++) {
            LocalDate day = today.plusDays(sitting * 7L / SITTINGS);
            if (Today.climbed(steps, log, day, zone) >= steps.size()) {
                return OptionalInt.of(sitting);
            }
            for (Today.Block block : Today.of(steps, log, day, zone, minutes)) {
                boolean fresh = block.kind() == Today.Kind.NEW;
                if (fresh || block.kind() == Today.Kind.RETURN) {
                    int step = block.step().orElseThrow();
                    boolean clean = !fresh || needed == 1 || !begun.add(step);
                    for (int pass = 0; pass < Today.CLEAN_ENOUGH; pass++) {
                        Step played = steps.get(step);
                        log.add(new LogEntry(
                                day.atTime(12, 0).atZone(zone).toInstant(),
                                "",
                                "",
                                played.name(),
                                played.tempo(),
                                clean,
                                0));
                    }
                }
            }
        }
        return OptionalInt.empty();
    }
}

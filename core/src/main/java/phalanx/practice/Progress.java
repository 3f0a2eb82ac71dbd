package phalanx.practice;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;

/**
 * What a log shows of a passage.
 *
 * @param tempo the fastest clean pass of each day, quarter notes a minute; days without one are left out
 * @param weeks what was done in each week, by its Monday; weeks between without a pass have nothing
 * @param climbed steps with {@value Today#CLEAN_ENOUGH} clean passes in a row on some day
 * @param stuck steps played on {@value Today#STUCK_AFTER} days or more and never climbed
 */
public record Progress(
        NavigableMap<LocalDate, Integer> tempo,
        NavigableMap<LocalDate, Week> weeks,
        List<String> climbed,
        List<String> stuck) {
    /**
     * What was done in a week.
     *
     * @param passes that were judged
     * @param seconds they took, as far as that is known
     */
    public record Week(int passes, int seconds) {
        static final Week NOTHING = new Week(0, 0);

        /** In whole minutes, rounded up, so that the shortest sitting shows. */
        public int minutes() {
            return (seconds + 59) / 60;
        }

        private Week and(Week other) {
            return new Week(passes + other.passes, seconds + other.seconds);
        }
    }

    /** @param entries in the order they were made */
    public static Progress of(List<LogEntry> entries, ZoneId zone) {
        NavigableMap<LocalDate, Integer> tempo = new TreeMap<>();
        NavigableMap<LocalDate, Week> weeks = new TreeMap<>();
        Map<String, TreeMap<LocalDate, Integer>> rows = new HashMap<>();
        List<String> climbed = new ArrayList<>();
        for (LogEntry entry : entries) {
            LocalDate day = LocalDate.ofInstant(entry.at(), zone);
            weeks.merge(
                    day.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY)),
                    new Week(1, entry.seconds()),
                    Week::and);
            TreeMap<LocalDate, Integer> row = rows.computeIfAbsent(entry.step(), step -> new TreeMap<>());
            int inARow = entry.clean() ? row.getOrDefault(day, 0) + 1 : 0;
            row.put(day, inARow);
            if (entry.clean()) {
                tempo.merge(day, entry.tempo(), Math::max);
            }
            if (inARow >= Today.CLEAN_ENOUGH && !climbed.contains(entry.step())) {
                climbed.add(entry.step());
            }
        }
        if (!weeks.isEmpty()) {
            for (LocalDate week = weeks.firstKey(); week.isBefore(weeks.lastKey()); week = week.plusWeeks(1)) {
                weeks.putIfAbsent(week, Week.NOTHING);
            }
        }
        List<String> stuck = rows.entrySet().stream()
                .filter(step -> step.getValue().size() >= Today.STUCK_AFTER && !climbed.contains(step.getKey()))
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
        return new Progress(tempo, weeks, List.copyOf(climbed), stuck);
    }
}

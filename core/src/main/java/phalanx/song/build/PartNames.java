package phalanx.song.build;

import java.util.List;
import java.util.TreeSet;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.Section;

/**
 * Names the parts that repeats tell apart, A, B, C, as players call them: with names a part is found again, and played as
 * the first time.
 */
final class PartNames {
    /** Bars; what is repeated in fewer is a figure and no part. */
    private static final int SHORTEST = 4;

    private static final int LETTERS = 26;

    private PartNames() {}

    /**
     * The parts of written bars; none where nothing is repeated.
     *
     * @param marks one for each bar
     */
    static List<Section> of(List<Bar> bars, List<BarMarks> marks) {
        TreeSet<Integer> starts = new TreeSet<>();
        int from = 0;
        for (int i = 0; i < bars.size(); i++) {
            from = marks.get(i).repeatStart() ? i : from;
            if (marks.get(i).timesToEnd() > 0) {
                int end = i + 1;
                while (end < bars.size() && !marks.get(end).endings().isEmpty()) {
                    end++;
                }
                if (end - from >= SHORTEST) {
                    starts.add(from);
                    starts.add(end);
                }
                from = end;
                i = end - 1;
            }
        }
        starts.remove(bars.size());
        if (starts.isEmpty() || starts.size() >= LETTERS) {
            return List.of();
        }
        int first = starts.first();
        boolean pickup = first == 1 && bars.get(0).number() == 0;
        if (first > 0 && !pickup) {
            starts.add(0);
        }
        List<Integer> order = List.copyOf(starts);
        return order.stream()
                .map(at -> new Section(
                        String.valueOf((char) ('A' + order.indexOf(at))),
                        bars.get(at).startTick()))
                .toList();
    }
}

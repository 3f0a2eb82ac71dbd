package phalanx.arrange.score;

import java.util.List;

/** Finds notes by time in a list in order of tick, without looking at all of them. */
public final class NoteTimes {
    private final int[] ticks;
    private final int longest;

    public NoteTimes(List<ArrangedNote> notes) {
        this.ticks = notes.stream().mapToInt(ArrangedNote::tick).toArray();
        this.longest = notes.stream().mapToInt(ArrangedNote::lengthTicks).max().orElse(0);
    }

    /** Place of the first note that begins at a tick or later. */
    public int from(int tick) {
        int low = 0;
        int high = ticks.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (ticks[middle] < tick) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Place of the first note that may still sound at a tick. */
    public int sounding(int tick) {
        return from(tick - longest);
    }
}

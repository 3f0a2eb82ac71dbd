package phalanx.arrange.score;

import java.util.List;
import phalanx.song.Bisection;

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
        return Bisection.first(ticks.length, index -> ticks[index] >= tick);
    }

    /** Place of the first note that may still sound at a tick. */
    public int sounding(int tick) {
        return from(tick - longest);
    }
}

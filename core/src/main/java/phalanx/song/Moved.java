package phalanx.song;

import java.util.Optional;

/**
 * Where in a song things stand after bars were put in or taken out.
 *
 * @param at the tick at which it was done
 * @param removed how many ticks were taken out from there on
 * @param added how many were put in there
 */
public record Moved(int at, int removed, int added) {
    public Moved {
        if (at < 0 || removed < 0 || added < 0) {
            throw new IllegalArgumentException("at " + at + ", " + removed + " out, " + added + " in");
        }
    }

    /** A stretch of ticks. */
    public record Stretch(int from, int to) {}

    /** Where a tick is now; what was taken out begins after what was put in for it. */
    int tick(int old) {
        return old < at ? old : old < at + removed ? at + added : old - removed + added;
    }

    /**
     * What is left of a stretch; one into which bars were put is longer. Nothing where all of it was taken out.
     *
     * @param to its end, not included
     */
    public Optional<Stretch> stretch(int from, int to) {
        int start = tick(from);
        int end = to <= at ? to : to <= at + removed ? at : to - removed + added;
        return end > start ? Optional.of(new Stretch(start, end)) : Optional.empty();
    }
}

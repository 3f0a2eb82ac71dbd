package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.List;

/**
 * Where things stand after bars were put in or taken out.
 *
 * @param at the tick at which it was done
 * @param removed how many ticks were taken out from there on
 * @param added how many were put in there
 */
public record Spliced(int at, int removed, int added) implements Moved {
    public Spliced {
        if (at < 0 || removed < 0 || added < 0) {
            throw new IllegalArgumentException(wording("Spliced.at-out-in", at, removed, added));
        }
    }

    /** Where a tick is now; what was taken out begins after what was put in for it. */
    @Override
    public int tick(int old) {
        return old < at ? old : old < at + removed ? at + added : old - removed + added;
    }

    /** Where the end of a stretch is now; one in what was taken out ends before what was put in. */
    int end(int old) {
        return old <= at ? old : old <= at + removed ? at : old - removed + added;
    }

    @Override
    public List<Stretch> stretches(int from, int to) {
        int start = tick(from);
        int end = end(to);
        return end > start ? List.of(new Stretch(start, end)) : List.of();
    }
}

package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.List;

/** Where things stand after ticks were put in or taken out at several places. */
final class Respaced implements Moved {
    private final List<Spliced> splices;
    /** By how many ticks what stands before each splice has moved. */
    private final int[] before;

    /**
     * @param splices by the ticks of the song as it was, in order
     * @throws IllegalArgumentException if one begins within what another takes out
     */
    Respaced(List<Spliced> splices) {
        this.splices = List.copyOf(splices);
        this.before = new int[splices.size()];
        for (int i = 1; i < before.length; i++) {
            Spliced last = splices.get(i - 1);
            if (splices.get(i).at() < last.at() + last.removed()) {
                throw new IllegalArgumentException(wording(
                        "Respaced.at-tick-within-what-is", splices.get(i).at()));
            }
            before[i] = before[i - 1] + last.added() - last.removed();
        }
    }

    List<Spliced> splices() {
        return splices;
    }

    /** Where a splice is now. */
    int placeOf(int splice) {
        return splices.get(splice).at() + before[splice];
    }

    /** The last splice that is not after a tick; -1 where there is none. */
    int last(int tick) {
        return Bisection.last(splices.size(), index -> splices.get(index).at() <= tick);
    }

    @Override
    public int tick(int old) {
        int at = last(old);
        return at < 0 ? old : splices.get(at).tick(old) + before[at];
    }

    @Override
    public List<Stretch> stretches(int from, int to) {
        int at = last(to);
        int end = at < 0 ? to : splices.get(at).end(to) + before[at];
        int start = tick(from);
        return end > start ? List.of(new Stretch(start, end)) : List.of();
    }
}

package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where things stand after two stretches of bars that follow one another changed places.
 *
 * @param from where the first began
 * @param middle where the second began
 * @param to where it ended
 */
public record Exchanged(int from, int middle, int to) implements Moved {
    public Exchanged {
        if (from < 0 || middle <= from || to <= middle) {
            throw new IllegalArgumentException(wording("Exchanged.from-over-to", from, middle, to));
        }
    }

    @Override
    public int tick(int old) {
        return old < from || old >= to ? old : old < middle ? old + to - middle : old - middle + from;
    }

    /** Where what goes together with a tick ends: the first stretch, the second, what is before them or after. */
    int endOfPiece(int tick) {
        return tick < from ? from : tick < middle ? middle : tick < to ? to : Integer.MAX_VALUE;
    }

    @Override
    public List<Stretch> stretches(int start, int end) {
        List<Stretch> pieces = new ArrayList<>();
        for (int at = start; at < end; at = endOfPiece(at)) {
            int there = tick(at);
            pieces.add(new Stretch(there, there + Math.min(end, endOfPiece(at)) - at));
        }
        pieces.sort(Comparator.comparingInt(Stretch::from));
        List<Stretch> joined = new ArrayList<>();
        for (Stretch piece : pieces) {
            int last = joined.size() - 1;
            if (last >= 0 && joined.get(last).to() == piece.from()) {
                joined.set(last, new Stretch(joined.get(last).from(), piece.to()));
            } else {
                joined.add(piece);
            }
        }
        return joined;
    }
}

package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * Finds the sections that are written the same as an earlier one of their name, so that they can be arranged once.
 */
public final class Reprises {
    private final Song song;

    public Reprises(Song song) {
        this.song = Objects.requireNonNull(song, "song");
    }

    /**
     * A section that comes again.
     *
     * @param firstTick where the earlier one begins
     * @param startTick where it comes again
     * @param lengthTicks how long both are the same, at most to the end of the shorter one
     */
    public record Reprise(int firstTick, int startTick, int lengthTicks) {}

    /** All of them, varied ones left out, in order of place; each refers to the first that it agrees with. */
    public List<Reprise> find() {
        List<Reprise> found = new ArrayList<>();
        for (int i = 1; i < song.sections().size(); i++) {
            for (int j = 0; j < i && !song.sections().get(i).varied(); j++) {
                if (same(j, i)) {
                    int from = song.sections().get(j).startTick();
                    int start = song.sections().get(i).startTick();
                    found.add(new Reprise(from, start, end(i) - start));
                    break;
                }
            }
        }
        return found;
    }

    /** Whether a section, by its index, is written the same as an earlier one of its name. */
    public boolean comesAgain(int index) {
        for (int j = 0; j < index; j++) {
            if (same(j, index)) {
                return true;
            }
        }
        return false;
    }

    private int end(int index) {
        return index + 1 < song.sections().size()
                ? song.sections().get(index + 1).startTick()
                : song.endTick();
    }

    private boolean same(int a, int b) {
        Section first = song.sections().get(a);
        Section second = song.sections().get(b);
        int length = end(b) - second.startTick();
        return first.name().equals(second.name())
                && end(a) - first.startTick() == length
                && barsOf(a).equals(barsOf(b))
                && Passage.of(song, first.startTick(), end(a)).equals(Passage.of(song, second.startTick(), end(b)));
    }

    private List<List<Object>> barsOf(int index) {
        int from = song.sections().get(index).startTick();
        return song.bars().stream()
                .filter(bar -> bar.startTick() >= from && bar.startTick() < end(index))
                .map(bar -> List.<Object>of(bar.startTick() - from, bar.lengthTicks(), bar.meter()))
                .toList();
    }
}

package phalanx.song;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;

/**
 * Finds the sections that are written the same as an earlier one of their name, so that they can be arranged once.
 */
public final class Reprises {
    /** Bars that are the same before endings that differ. */
    private static final int FEWEST = 2;

    private final Song song;
    /** What stands in a bar, by where it begins. */
    private final Map<Integer, Passage> contents = new HashMap<>();

    public Reprises(Song song) {
        this.song = Objects.requireNonNull(song, "song");
    }

    /**
     * A section that comes again.
     *
     * @param firstTick where the earlier one begins
     * @param startTick where it comes again
     * @param lengthTicks how long both are the same from their beginning on: where the endings differ, up to them
     */
    public record Reprise(int firstTick, int startTick, int lengthTicks) {}

    /** All of them, varied ones left out, in order of place; each refers to the first with which it agrees longest. */
    public List<Reprise> find() {
        List<Reprise> found = new ArrayList<>();
        for (int i = 1; i < song.sections().size(); i++) {
            if (!song.sections().get(i).varied()) {
                longest(i).ifPresent(found::add);
            }
        }
        return found;
    }

    /** Whether a section, by its index, is written the same as an earlier one of its name, but for its ending. */
    public boolean comesAgain(int index) {
        return longest(index).isPresent();
    }

    private Optional<Reprise> longest(int index) {
        int start = song.sections().get(index).startTick();
        int longest = 0;
        int first = -1;
        // none is longer than all of it
        for (int j = 0; j < index && longest < end(index) - start; j++) {
            int same = same(j, index, longest);
            first = same > longest ? j : first;
            longest = Math.max(longest, same);
        }
        return first < 0
                ? Optional.empty()
                : Optional.of(new Reprise(song.sections().get(first).startTick(), start, longest));
    }

    private int end(int index) {
        return song.sectionEnd(song.sections().get(index).startTick());
    }

    /**
     * How long two sections of one name are the same from their beginning, in ticks; 0 where that is no repeat, or no more
     * than is known already.
     */
    private int same(int a, int b, int known) {
        if (!song.sections().get(a).name().equals(song.sections().get(b).name())) {
            return 0;
        }
        List<Bar> first = barsOf(a);
        List<Bar> second = barsOf(b);
        int bars = 0;
        while (bars < Math.min(first.size(), second.size()) && same(first.get(bars), second.get(bars))) {
            bars++;
        }
        int from = song.sections().get(a).startTick();
        int start = song.sections().get(b).startTick();
        // notes may reach over bar lines
        while (bars > 0
                && second.get(bars - 1).endTick() - start > known
                && !Passage.of(song, from, first.get(bars - 1).endTick())
                        .equals(Passage.of(song, start, second.get(bars - 1).endTick()))) {
            bars--;
        }
        boolean whole = bars == first.size() && bars == second.size();
        boolean butForTheEnding = bars >= FEWEST && 2 * bars >= Math.max(first.size(), second.size());
        return bars > 0 && (whole || butForTheEnding) ? second.get(bars - 1).endTick() - start : 0;
    }

    private boolean same(Bar first, Bar second) {
        return first.lengthTicks() == second.lengthTicks()
                && first.meter().equals(second.meter())
                && content(first).equals(content(second));
    }

    private Passage content(Bar bar) {
        return contents.computeIfAbsent(bar.startTick(), tick -> Passage.of(song, tick, bar.endTick()));
    }

    private List<Bar> barsOf(int index) {
        int from = song.sections().get(index).startTick();
        int first = song.barIndexAt(from);
        first += song.bars().get(first).startTick() < from ? 1 : 0;
        int last = song.barIndexAt(end(index) - 1);
        return song.bars().subList(Math.min(first, last + 1), last + 1);
    }
}

package phalanx.arrange.score;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import phalanx.song.Bar;
import phalanx.song.Song;

/**
 * Which bars of a score are shown where it stands as it would be written: what comes again with the very same notes is
 * not. Where it follows at once it stands between repeat signs, with brackets over endings that differ; else a line says
 * what it is like. Bars are named by their places in the song, from 0.
 */
public final class Folding {
    /** Longer endings are bars of their own. */
    private static final int LONGEST_ENDING = 4;

    /**
     * A bracket over bars.
     *
     * @param round in which they are played, from 1
     * @param to the first bar after them
     */
    public record Ending(int round, int from, int to) {}

    /** Each hidden bar, and the one that it is like. */
    private final Map<Integer, Integer> like = new HashMap<>();

    private final Set<Integer> begins = new HashSet<>();
    private final Map<Integer, Integer> times = new HashMap<>();
    private final List<Ending> endings = new ArrayList<>();
    private final Map<Integer, List<Comeback>> after = new HashMap<>();
    private final Song song;

    private Folding(Song song) {
        this.song = song;
    }

    /** Every bar, in order of playing. */
    public static Folding none(Song song) {
        return new Folding(song);
    }

    public static Folding of(Arrangement arrangement) {
        Folding folding = new Folding(arrangement.song());
        Comeback.of(arrangement).forEach(folding::add);
        return folding;
    }

    /** What is like bars that are themselves hidden is like those that are shown for them, one after the other. */
    private void add(Comeback again) {
        int from = again.from();
        for (int bar = from + 1; bar <= again.to(); bar++) {
            if (bar == again.to() || shownFor(again, bar) != shownFor(again, bar - 1) + 1) {
                if (bar - from >= Comeback.FEWEST) {
                    Optional<String> name = from == again.from() ? again.name() : Optional.empty();
                    hide(new Comeback(name, from, bar, shownFor(again, from)));
                }
                from = bar;
            }
        }
    }

    /** The shown bar that a bar which comes again is like. */
    private int shownFor(Comeback again, int bar) {
        int first = again.firstFrom() + bar - again.from();
        return like.getOrDefault(first, first);
    }

    private void hide(Comeback again) {
        for (int bar = again.from(); bar < again.to(); bar++) {
            like.put(bar, again.firstFrom() + bar - again.from());
        }
        if (!repeats(again)) {
            int shown = again.from() - 1;
            while (like.containsKey(shown)) {
                shown--;
            }
            after.computeIfAbsent(shown, bar -> new ArrayList<>()).add(again);
        }
    }

    /** Whether signs say it all; with them then. */
    private boolean repeats(Comeback again) {
        int length = again.to() - again.from();
        int firstTo = again.firstFrom() + length;
        int firstEnd = sectionEnd(again.firstFrom());
        int end = sectionEnd(again.from());
        if (again.name().isEmpty()) {
            return false;
        }
        int played = times.getOrDefault(firstEnd - 1, 1);
        // under a bracket for the first round it is not played in later ones
        boolean whole =
                firstTo == firstEnd && again.to() == end && ending(firstEnd - 1).isEmpty();
        if (whole && again.from() == firstEnd + (played - 1) * length) {
            begins.add(again.firstFrom());
            times.put(firstEnd - 1, played + 1);
            return true;
        }
        boolean brackets = again.from() == firstEnd && isEnding(firstTo, firstEnd) && isEnding(again.to(), end);
        if (brackets && played == 1) {
            begins.add(again.firstFrom());
            times.put(firstEnd - 1, 2);
            endings.add(new Ending(1, firstTo, firstEnd));
            endings.add(new Ending(2, again.to(), end));
            return true;
        }
        return false;
    }

    private static boolean isEnding(int from, int to) {
        return to > from && to - from <= LONGEST_ENDING;
    }

    private int sectionEnd(int bar) {
        int end = song.sectionEnd(song.bars().get(bar).startTick());
        return end < song.endTick() ? song.barIndexAt(end) : song.bars().size();
    }

    public boolean hides(int bar) {
        return like.containsKey(bar);
    }

    /** Whether anything is. */
    public boolean hidesAny() {
        return !like.isEmpty();
    }

    /** Whether a tick is in a hidden bar. */
    public boolean hidesTick(int tick) {
        return tick >= 0 && tick < song.endTick() && hides(song.barIndexAt(tick));
    }

    /** Where what is played at a tick is shown. */
    public int shown(int tick) {
        if (!hidesTick(tick)) {
            return tick;
        }
        int bar = song.barIndexAt(tick);
        return tick
                - song.bars().get(bar).startTick()
                + song.bars().get(like.get(bar)).startTick();
    }

    public boolean beginsRepeat(int bar) {
        return begins.contains(bar);
    }

    /** How often the repeat that ends with a bar is played; 0 where none does. */
    public int timesToEnd(int bar) {
        return times.getOrDefault(bar, 0);
    }

    public boolean hasEndings() {
        return !endings.isEmpty();
    }

    /** The bracket over a bar. */
    public Optional<Ending> ending(int bar) {
        return endings.stream()
                .filter(ending -> bar >= ending.from() && bar < ending.to())
                .findFirst();
    }

    /** What is said in lines after the last bar before it that is shown. */
    public List<Comeback> after(Bar bar) {
        return after.getOrDefault(song.barIndexAt(bar.startTick()), List.of());
    }
}

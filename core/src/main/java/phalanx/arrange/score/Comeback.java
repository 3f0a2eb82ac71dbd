package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.song.Bar;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;

/**
 * Bars of a section that comes again that are played with the very same notes, digits, fingers and hits, and need not be
 * shown again: all of them, or some where its beginning or its end joins otherwise.
 *
 * @param name of the section, where it begins with them
 * @param from index of the first of them
 * @param to index of the first bar after them
 * @param firstFrom index of the bar that the first of them is like
 */
public record Comeback(Optional<String> name, int from, int to, int firstFrom) {
    /** A single bar is shown. */
    static final int FEWEST = 2;

    /** Those of an arrangement, in order. */
    public static List<Comeback> of(Arrangement arrangement) {
        Song song = arrangement.song();
        List<Comeback> found = new ArrayList<>();
        for (Reprises.Reprise again : new Reprises(song).find()) {
            int begin = song.barIndexAt(again.startTick());
            int end = song.barIndexAt(again.startTick() + again.lengthTicks() - 1) + 1;
            int back = begin - song.barIndexAt(again.firstTick());
            int from = begin;
            for (int index = begin; index <= end; index++) {
                if (index == end || !played(arrangement, index).equals(played(arrangement, index - back))) {
                    if (index - from >= FEWEST) {
                        Optional<String> name = from == begin ? name(song, again.startTick()) : Optional.empty();
                        found.add(new Comeback(name, from, index, from - back));
                    }
                    from = index + 1;
                }
            }
        }
        return found;
    }

    private static Optional<String> name(Song song, int tick) {
        return song.sections().stream()
                .filter(section -> section.startTick() == tick)
                .map(Section::name)
                .findFirst();
    }

    /** All that is done in a bar, by ticks from its beginning; what rings on beyond it ends there. */
    private static List<List<?>> played(Arrangement arrangement, int index) {
        int from = arrangement.song().bars().get(index).startTick();
        int to = arrangement.song().bars().get(index).endTick();
        List<List<?>> all = new ArrayList<>();
        arrangement.notes().stream()
                .filter(note -> note.tick() >= from && note.tick() < to)
                .forEach(note -> all.add(List.of(
                        note.tick() - from,
                        Math.min(note.endTick(), to) - from,
                        note.string(),
                        note.fret(),
                        note.role(),
                        note.left(),
                        note.right(),
                        note.attack())));
        // fingers that are down besides are printed where they land
        arrangement.holds().stream()
                .filter(hold -> hold.tick() < to && hold.endTick() > from)
                .forEach(hold -> all.add(List.of(
                        Math.max(hold.tick(), from) - from, Math.min(hold.endTick(), to) - from, hold.press())));
        arrangement.hits().stream()
                .filter(hit -> hit.tick() >= from && hit.tick() < to)
                .forEach(hit -> all.add(List.of(hit.tick() - from, hit.kind())));
        return all;
    }

    /** What is said in their place. */
    public String words(Song song) {
        List<Bar> bars = song.bars();
        return wording(
                "Comeback.bars-to-as-bars-to",
                bars.get(from).number(),
                bars.get(to - 1).number(),
                bars.get(firstFrom).number(),
                bars.get(firstFrom + to - from - 1).number());
    }
}

package phalanx.formats.page;

import java.util.List;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;

/**
 * A section that comes again with the very same notes, digits, fingers and hits, and need not be printed again.
 *
 * @param name of the section
 * @param from index of its first bar
 * @param to index of the first bar after it
 * @param firstFrom index of the bar where it came first
 */
record Comeback(String name, int from, int to, int firstFrom) {
    private static final double ROW = 3.4;
    private static final double SIZE = 1.1;

    /** Those of an arrangement, in order. */
    static List<Comeback> of(Arrangement arrangement) {
        Song song = arrangement.song();
        return new Reprises(song)
                .find().stream()
                        .filter(again -> played(arrangement, again.firstTick(), again.lengthTicks())
                                .equals(played(arrangement, again.startTick(), again.lengthTicks())))
                        .map(again -> new Comeback(
                                name(song, again.startTick()),
                                song.barIndexAt(again.startTick()),
                                song.barIndexAt(again.startTick() + again.lengthTicks() - 1) + 1,
                                song.barIndexAt(again.firstTick())))
                        .toList();
    }

    private static String name(Song song, int tick) {
        return song.sections().stream()
                .filter(section -> section.startTick() == tick)
                .map(Section::name)
                .findFirst()
                .orElseThrow();
    }

    /** All that is done in a stretch, by ticks from its beginning; what rings on beyond it ends there. */
    private static List<List<?>> played(Arrangement arrangement, int from, int length) {
        int to = from + length;
        List<List<?>> notes = arrangement.notes().stream()
                .filter(note -> note.tick() >= from && note.tick() < to)
                .<List<?>>map(note -> List.of(
                        note.tick() - from,
                        Math.min(note.endTick(), to) - from,
                        note.string(),
                        note.fret(),
                        note.role(),
                        note.left(),
                        note.right(),
                        note.attack()))
                .toList();
        List<List<?>> hits = arrangement.hits().stream()
                .filter(hit -> hit.tick() >= from && hit.tick() < to)
                .<List<?>>map(hit -> List.of(hit.tick() - from, hit.kind()))
                .toList();
        return List.of(notes, hits);
    }

    /** What the page says in its place. */
    String words(Song song) {
        List<Bar> bars = song.bars();
        return to - from == 1
                ? "bar " + bars.get(from).number() + " as bar "
                        + bars.get(firstFrom).number()
                : "bars " + bars.get(from).number() + " to " + bars.get(to - 1).number() + " as bars "
                        + bars.get(firstFrom).number() + " to "
                        + bars.get(firstFrom + to - from - 1).number();
    }

    static double height(double space) {
        return ROW * space;
    }

    /** Draws the row that stands for the section. */
    void paint(Pen pen, Song song, double left, double right, double top, double space) {
        double size = SIZE * space;
        String words = words(song);
        double room = right - left - Face.SANS.width(words, size) - 3 * space;
        String shown = Type.cut(name, Face.BOLD, size, Math.max(space, room));
        double width = Face.BOLD.width(shown, size) + space;
        pen.framed(left, top, width, 1.7 * space, 0.3 * space, 0.14 * space, Shade.INK);
        pen.centred(shown, left + width / 2, top + 0.85 * space, Face.BOLD, size, Shade.INK);
        pen.left(words, left + width + space, top + 0.85 * space + Type.CAPITAL * size / 2, Face.SANS, size, Shade.INK);
    }
}

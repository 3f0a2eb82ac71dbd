package phalanx.formats.page;

import phalanx.arrange.score.Comeback;
import phalanx.song.Song;

/**
 * The row of a page that stands for bars that come again.
 *
 * @param bars what comes again
 */
record ComebackRow(Comeback bars) {
    private static final double ROW = 3.4;
    private static final double SIZE = 1.1;

    static double height(double space) {
        return ROW * space;
    }

    /** Draws it. */
    void paint(Pen pen, Song song, double left, double right, double top, double space) {
        double size = SIZE * space;
        String words = bars.words(song);
        double x = left;
        if (bars.name().isPresent()) {
            double room = right - left - Face.SANS.width(words, size) - 3 * space;
            String shown = Type.cut(bars.name().get(), Face.BOLD, size, Math.max(space, room));
            double width = Face.BOLD.width(shown, size) + space;
            pen.framed(left, top, width, 1.7 * space, 0.3 * space, 0.14 * space, Shade.INK);
            pen.centred(shown, left + width / 2, top + 0.85 * space, Face.BOLD, size, Shade.INK);
            x += width + space;
        }
        pen.left(words, x, top + 0.85 * space + Type.CAPITAL * size / 2, Face.SANS, size, Shade.INK);
    }
}

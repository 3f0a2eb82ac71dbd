package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.List;
import phalanx.arrange.score.Arrangement;

/** Every shape of a song, large enough to be read from the stand. */
final class ShapeSheet {
    private static final double WIDTH = 15;

    private final Arrangement arrangement;
    private final PageSetup setup;
    private final Foot foot;

    ShapeSheet(Arrangement arrangement, PageSetup setup) {
        this.arrangement = arrangement;
        this.setup = setup;
        this.foot = Foot.plain(setup);
    }

    List<Page> pages() {
        Pen pen = new Pen(setup);
        double y = Head.draw(pen, arrangement, setup);
        double strings = Math.min(setup.space(), (foot.top() - y) / 16);
        double least = Math.min(WIDTH * strings, setup.right() - setup.left());
        ShapeRows rows = new ShapeRows(arrangement, setup, strings, least);
        List<ShapeRows.Named> shapes = rows.shapes();
        if (shapes.isEmpty()) {
            pen.left(wording("ShapeSheet.no-shape-is-held-in"), setup.left(), y + 14, Face.SANS, 11, Shade.INK);
        }
        for (int from = 0; from < shapes.size(); from += rows.columns()) {
            y = foot.room(pen, y, rows.rowHeight(true));
            rows.draw(pen, shapes.subList(from, Math.min(shapes.size(), from + rows.columns())), y, true);
            y += rows.rowHeight(true) + 2 * strings;
        }
        foot.draw(
                pen,
                wording("ShapeSheet.shapes-string-1-on-top", arrangement.song().title()));
        return pen.pages();
    }
}

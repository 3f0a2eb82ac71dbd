package phalanx.formats.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Comeback;
import phalanx.arrange.score.Folding;
import phalanx.song.Bar;
import phalanx.song.Section;

/** The arrangement as a player puts it on the stand. */
final class ScoreSheet {
    /** So many rows of shapes stand over the score; all of them are on the sheet of shapes. */
    private static final int SHAPE_ROWS = 2;

    private static final double SHAPE_SPACE = 0.75;
    private static final double SHAPE_WIDTH = 9;
    /** No line is higher, in spaces. */
    private static final double HIGHEST_LINE = 24;

    /** A staff above makes it so much higher at most. */
    private static final double HIGHEST_STAFF = 20;

    private final Arrangement arrangement;
    private final PageSetup setup;
    private final Map<ArrangedNote, ArrangedNote> slurred;
    private final Map<ArrangedNote, ArrangedNote> shifted;
    private final Foot foot;
    private final double space;
    private final Optional<Staff> staff;
    private final Folding folding;

    ScoreSheet(Arrangement arrangement, PageSetup setup) {
        this.arrangement = arrangement;
        this.setup = setup;
        this.slurred = arrangement.slurred();
        this.shifted = arrangement.shifted();
        this.foot = Foot.of(arrangement, setup);
        this.staff = setup.staff() ? Optional.of(Staff.of(arrangement)) : Optional.empty();
        this.folding = setup.once() ? Folding.of(arrangement) : Folding.none(arrangement.song());
        double highest = HIGHEST_LINE + (setup.staff() ? HIGHEST_STAFF : 0);
        this.space = Math.min(setup.space(), (foot.top() - setup.top()) / highest);
    }

    List<Page> pages() {
        Pen pen = new Pen(setup);
        double y = drawShapes(pen, Head.draw(pen, arrangement, setup));
        List<Row> rows = rows();
        int at = 0;
        for (int count : perPage(rows, y)) {
            if (at > 0 || count == 0) {
                y = setup.top();
            }
            for (int i = 0; i < count; i++) {
                y += rows.get(at).paint(pen, y, i == 0);
                at++;
            }
            if (at < rows.size()) {
                pen.turn();
            }
        }
        foot.draw(pen, arrangement.song().title());
        return pen.pages();
    }

    /** A line of bars, or what stands for bars that come again. */
    private interface Row {
        double height();

        /** @return its height */
        double paint(Pen pen, double y, boolean named);
    }

    private final class Line implements Row {
        private final ScoreLine line;

        Line(ScoreLine line) {
            this.line = line;
        }

        @Override
        public double height() {
            return painter(line, false).height();
        }

        @Override
        public double paint(Pen pen, double y, boolean named) {
            LinePainter painter = painter(line, named);
            painter.paint(pen, y);
            return painter.height();
        }
    }

    private final class Again implements Row {
        private final ComebackRow row;

        Again(Comeback bars) {
            this.row = new ComebackRow(bars);
        }

        @Override
        public double height() {
            return ComebackRow.height(space);
        }

        @Override
        public double paint(Pen pen, double y, boolean named) {
            row.paint(pen, arrangement.song(), setup.left() + Sizes.LABELS * space, setup.right(), y, space);
            return height();
        }
    }

    private LinePainter painter(ScoreLine line, boolean named) {
        return new LinePainter(arrangement, slurred, shifted, line, staff, folding, named);
    }

    private double drawShapes(Pen pen, double y) {
        double strings = SHAPE_SPACE * space;
        ShapeRows rows = new ShapeRows(arrangement, setup, strings, SHAPE_WIDTH * space);
        List<ShapeRows.Named> shapes = rows.shapes();
        double at = y;
        for (int from = 0, row = 0; from < shapes.size() && row < SHAPE_ROWS; from += rows.columns(), row++) {
            rows.draw(pen, shapes.subList(from, Math.min(shapes.size(), from + rows.columns())), at, false);
            at += rows.rowHeight(false) + 1.2 * strings;
        }
        return at + strings;
    }

    private List<Row> rows() {
        List<BarColumns> bars = new ArrayList<>();
        Bar before = null;
        for (Bar bar : arrangement.song().bars()) {
            boolean meter = before == null || !before.meter().equals(bar.meter());
            List<StaffNotation.Voice> voices =
                    staff.isEmpty() ? List.of() : staff.get().bars().get(bars.size());
            bars.add(new BarColumns(arrangement, bar, meter, folding.hides(bars.size() - 1), voices));
            before = bar;
        }
        Set<Integer> begun = new HashSet<>();
        for (Section section : arrangement.song().sections()) {
            begun.add(arrangement.song().barIndexAt(section.startTick()));
        }
        // a pickup does not stand alone before its section
        if (bars.size() > 1 && bars.get(0).bar().number() == 0) {
            begun.remove(1);
        }
        List<Row> rows = new ArrayList<>();
        int from = 0;
        for (int at = 0; at <= bars.size(); at++) {
            boolean shown = at < bars.size() && !folding.hides(at);
            if (!shown && from < at) {
                addLines(rows, bars, from, at, begun);
                folding.after(bars.get(at - 1).bar()).forEach(one -> rows.add(new Again(one)));
            }
            from = shown ? from : at + 1;
        }
        return rows;
    }

    private void addLines(List<Row> rows, List<BarColumns> bars, int first, int end, Set<Integer> begun) {
        double begin = setup.left() + Sizes.LABELS * space;
        double signs = staff.map(shown -> shown.before() * Sizes.STAFF).orElse(0.0);
        double room = (setup.right() - begin) / space - signs;
        int from = first;
        for (int count :
                LineBreaks.of(bars.subList(first, end), room, setup.barsPerLine(), at -> begun.contains(first + at))) {
            int to = from + count;
            boolean last = to == end || begun.contains(to);
            rows.add(new Line(ScoreLine.of(bars.subList(from, to), begin, signs, setup.right(), space, last)));
            from = to;
        }
    }

    /** How many lines each page has; a page does not end with one line alone on the next where that can be helped. */
    private List<Integer> perPage(List<Row> rows, double first) {
        List<Integer> pages = new ArrayList<>(List.of(0));
        double y = first;
        for (Row row : rows) {
            int here = pages.get(pages.size() - 1);
            double height = row.height();
            boolean fresh = here == 0 && pages.size() > 1;
            if (y + height > foot.top() && !fresh) {
                pages.add(0);
                y = setup.top();
            }
            pages.set(pages.size() - 1, pages.get(pages.size() - 1) + 1);
            y += height;
        }
        int last = pages.size() - 1;
        if (last > 0 && pages.get(last) == 1 && pages.get(last - 1) > 3) {
            pages.set(last, 2);
            pages.set(last - 1, pages.get(last - 1) - 1);
        }
        return pages;
    }
}

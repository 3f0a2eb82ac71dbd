package phalanx.formats.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Puts marks on one page after the other. */
final class Pen {
    private final PageSetup setup;
    private final List<List<Mark>> pages = new ArrayList<>();

    Pen(PageSetup setup) {
        this.setup = setup;
        turn();
    }

    /** Begins a new page. */
    void turn() {
        pages.add(new ArrayList<>());
    }

    int page() {
        return pages.size();
    }

    List<Page> pages() {
        return pages.stream()
                .map(marks -> new Page(setup.paper().width(), height(marks), marks))
                .toList();
    }

    private double height(List<Mark> marks) {
        return setup.paper().strip()
                ? lowest(marks) + setup.top()
                : setup.paper().height();
    }

    /** How far down the page there is anything. */
    double lowest() {
        return lowest(pages.get(pages.size() - 1));
    }

    private double lowest(List<Mark> marks) {
        return marks.stream().mapToDouble(mark -> mark.box().getMaxY()).max().orElse(setup.top());
    }

    /** Goes back to a page, from 1, for what is known when all is laid out. */
    void on(int page, Runnable draw) {
        List<List<Mark>> later = new ArrayList<>(pages.subList(page, pages.size()));
        pages.subList(page, pages.size()).clear();
        draw.run();
        pages.addAll(later);
    }

    void add(Mark mark) {
        pages.get(pages.size() - 1).add(mark);
    }

    void line(double x1, double y1, double x2, double y2, double width, Shade shade) {
        add(new Mark.Line(x1, y1, x2, y2, width, shade));
    }

    void filled(double x, double y, double width, double height, double corner, Shade fill) {
        add(new Mark.Box(x, y, width, height, corner, Optional.of(fill), Optional.empty(), 0));
    }

    void framed(double x, double y, double width, double height, double corner, double edgeWidth, Shade edge) {
        add(new Mark.Box(x, y, width, height, corner, Optional.of(Shade.PAPER), Optional.of(edge), edgeWidth));
    }

    void diamond(double x, double y, double half, double edgeWidth, Shade edge) {
        add(new Mark.Diamond(x, y, half, edgeWidth, edge));
    }

    void arc(double x1, double x2, double y, double height, double width, Shade shade) {
        add(new Mark.Arc(x1, x2, y, height, width, shade));
    }

    void left(String text, double x, double baseline, Face face, double size, Shade shade) {
        if (!text.isEmpty()) {
            add(new Mark.Text(x, baseline, text, face, size, shade));
        }
    }

    void right(String text, double x, double baseline, Face face, double size, Shade shade) {
        left(text, x - face.width(text, size), baseline, face, size, shade);
    }

    /** Centred on a point, figures and capitals to the middle of their height. */
    void centred(String text, double x, double y, Face face, double size, Shade shade) {
        left(text, x - face.width(text, size) / 2, y + Type.CAPITAL * size / 2, face, size, shade);
    }
}

package phalanx.formats.page;

import java.awt.Shape;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.RoundRectangle2D;

/** Something that pages can be drawn on: a file of some kind, or the window. */
public interface Surface {
    /** Fills a shape. */
    void fill(Shape shape, Shade shade);

    /** Draws a line along a shape, {@code width} points wide. */
    void stroke(Shape shape, double width, Shade shade);

    /** Sets a part of a text with its left end on the base line. */
    void text(Face.Run run, double x, double baseline, Shade shade);

    /** Draws a page. */
    default void paint(Page page) {
        page.marks().forEach(this::paint);
    }

    /** Draws a mark. */
    default void paint(Mark mark) {
        if (mark instanceof Mark.Line line) {
            stroke(new Line2D.Double(line.x1(), line.y1(), line.x2(), line.y2()), line.width(), line.shade());
        } else if (mark instanceof Mark.Box box) {
            double arc = 2 * box.corner();
            Shape shape = new RoundRectangle2D.Double(box.x(), box.y(), box.width(), box.height(), arc, arc);
            box.fill().ifPresent(shade -> fill(shape, shade));
            box.edge().ifPresent(shade -> stroke(shape, box.edgeWidth(), shade));
        } else if (mark instanceof Mark.Diamond diamond) {
            paint(diamond);
        } else if (mark instanceof Mark.Arc arc) {
            double rise = arc.height() * 4 / 3;
            double third = (arc.x2() - arc.x1()) / 4;
            Shape bow = new CubicCurve2D.Double(
                    arc.x1(),
                    arc.y(),
                    arc.x1() + third,
                    arc.y() - rise,
                    arc.x2() - third,
                    arc.y() - rise,
                    arc.x2(),
                    arc.y());
            stroke(bow, arc.width(), arc.shade());
        } else if (mark instanceof Mark.Text text) {
            double x = text.x();
            for (Face.Run run : text.face().runs(text.text(), text.size())) {
                text(run, x, text.baseline(), text.shade());
                x += run.width();
            }
        }
    }

    private void paint(Mark.Diamond diamond) {
        Path2D path = new Path2D.Double();
        path.moveTo(diamond.x(), diamond.y() - diamond.half());
        path.lineTo(diamond.x() + diamond.half(), diamond.y());
        path.lineTo(diamond.x(), diamond.y() + diamond.half());
        path.lineTo(diamond.x() - diamond.half(), diamond.y());
        path.closePath();
        fill(path, Shade.PAPER);
        stroke(path, diamond.edgeWidth(), diamond.edge());
    }
}

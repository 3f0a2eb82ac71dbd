package phalanx.desktop.page;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.transform.Scale;
import phalanx.formats.page.Face;
import phalanx.formats.page.Page;
import phalanx.formats.page.Shade;
import phalanx.formats.page.Surface;

/** A page in the window, drawn by the same marks as in a file. */
final class PageCanvas extends Canvas implements Surface {
    /** Graphics cards take no larger pictures. */
    private static final double TALLEST = 8000;

    /**
     * Shows a page so many pixels wide; a long strip is narrower where it would be too tall.
     *
     * @param times how much larger than usual the window is shown
     */
    void show(Page page, double width, double times) {
        double scale = Math.min(width * times / page.width(), TALLEST / page.height());
        setWidth(page.width() * scale);
        setHeight(page.height() * scale);
        getTransforms().setAll(new Scale(1 / times, 1 / times));
        GraphicsContext g = getGraphicsContext2D();
        g.setTransform(1, 0, 0, 1, 0, 0);
        g.setFill(colour(Shade.PAPER));
        g.fillRect(0, 0, getWidth(), getHeight());
        g.scale(scale, scale);
        g.setLineCap(StrokeLineCap.BUTT);
        paint(page);
    }

    @Override
    public void fill(Shape shape, Shade shade) {
        GraphicsContext g = getGraphicsContext2D();
        g.setFill(colour(shade));
        outline(shape);
        g.fill();
    }

    @Override
    public void stroke(Shape shape, double width, Shade shade) {
        GraphicsContext g = getGraphicsContext2D();
        g.setStroke(colour(shade));
        g.setLineWidth(width);
        outline(shape);
        g.stroke();
    }

    @Override
    public void text(Face.Run run, double x, double baseline, Shade shade) {
        fill(AffineTransform.getTranslateInstance(x, baseline).createTransformedShape(run.outline()), shade);
    }

    private void outline(Shape shape) {
        GraphicsContext g = getGraphicsContext2D();
        g.beginPath();
        PathIterator path = shape.getPathIterator(null);
        g.setFillRule(path.getWindingRule() == PathIterator.WIND_EVEN_ODD ? FillRule.EVEN_ODD : FillRule.NON_ZERO);
        double[] at = new double[6];
        for (; !path.isDone(); path.next()) {
            switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> g.moveTo(at[0], at[1]);
                case PathIterator.SEG_LINETO -> g.lineTo(at[0], at[1]);
                case PathIterator.SEG_QUADTO -> g.quadraticCurveTo(at[0], at[1], at[2], at[3]);
                case PathIterator.SEG_CUBICTO -> g.bezierCurveTo(at[0], at[1], at[2], at[3], at[4], at[5]);
                default -> g.closePath();
            }
        }
    }

    private static Color colour(Shade shade) {
        return Color.rgb(shade.rgb() >> 16 & 0xFF, shade.rgb() >> 8 & 0xFF, shade.rgb() & 0xFF);
    }
}

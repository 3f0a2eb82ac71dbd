package phalanx.desktop.widget;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.util.function.Function;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.FillRule;
import phalanx.formats.page.Face;
import phalanx.formats.page.Shade;
import phalanx.formats.page.Surface;

/** Draws what pages are made of on a canvas: letters as outlines, as in a file. */
public class Ink implements Surface {
    private final GraphicsContext g;
    private final Function<Shade, Color> colours;

    /** @param colours what a shade of the page looks like here */
    public Ink(GraphicsContext g, Function<Shade, Color> colours) {
        this.g = g;
        this.colours = colours;
    }

    @Override
    public void fill(Shape shape, Shade shade) {
        g.setFill(colours.apply(shade));
        outline(shape);
        g.fill();
    }

    @Override
    public void stroke(Shape shape, double width, Shade shade) {
        g.setStroke(colours.apply(shade));
        g.setLineWidth(width);
        outline(shape);
        g.stroke();
    }

    @Override
    public void text(Face.Run run, double x, double baseline, Shade shade) {
        fill(AffineTransform.getTranslateInstance(x, baseline).createTransformedShape(run.outline()), shade);
    }

    private void outline(Shape shape) {
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
}

package phalanx.desktop.page;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.transform.Scale;
import phalanx.desktop.widget.Ink;
import phalanx.formats.page.Page;
import phalanx.formats.page.Shade;

/** A page in the window, drawn by the same marks as in a file. */
final class PageCanvas extends Canvas {
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
        new Ink(g, PageCanvas::colour).paint(page);
    }

    private static Color colour(Shade shade) {
        return Color.rgb(shade.rgb() >> 16 & 0xFF, shade.rgb() >> 8 & 0xFF, shade.rgb() & 0xFF);
    }
}

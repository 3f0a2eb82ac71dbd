package phalanx.desktop.widget;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import phalanx.desktop.Theme;

/** A region that is one drawing, repainted when its size, its theme or what it shows changes. */
public abstract class Drawing extends Region {
    private final Canvas canvas = new Canvas();
    private Theme theme = Theme.SPRUCE;

    protected Drawing(double height) {
        getChildren().add(canvas);
        setMinHeight(height);
        setPrefHeight(height);
    }

    public final void useTheme(Theme next) {
        theme = next;
        repaint();
    }

    protected final Theme theme() {
        return theme;
    }

    /** Clears and paints anew; nothing while the region has no size. */
    protected final void repaint() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        if (getWidth() > 0) {
            paint(g);
        }
    }

    /** Paints on a clear ground. */
    protected abstract void paint(GraphicsContext g);

    @Override
    protected void layoutChildren() {
        canvas.setWidth(getWidth());
        canvas.setHeight(getHeight());
        repaint();
    }
}

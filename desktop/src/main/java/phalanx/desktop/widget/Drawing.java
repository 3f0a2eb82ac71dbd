package phalanx.desktop.widget;

import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.layout.Region;
import phalanx.desktop.View;

/** A region that is one drawing, repainted when its size, the view or what it shows changes. */
public abstract class Drawing extends Region {
    private final Canvas canvas = new Canvas();
    private View view = View.FIRST;

    protected Drawing(double height) {
        getChildren().add(canvas);
        setMinHeight(height);
        setPrefHeight(height);
    }

    public final void useView(View next) {
        view = next;
        repaint();
    }

    protected final View view() {
        return view;
    }

    /** Clears and paints anew; nothing while the region has no size. */
    protected final void repaint() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        if (getWidth() > 0) {
            paint(g);
        }
    }

    /** Paints on a clear ground. */
    protected abstract void paint(GraphicsContext g);

    @Override
    protected void layoutChildren() {
        Crisp.fit(canvas, getWidth(), getHeight());
        repaint();
    }
}

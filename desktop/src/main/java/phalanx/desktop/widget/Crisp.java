package phalanx.desktop.widget;

import javafx.scene.canvas.Canvas;
import javafx.scene.transform.Scale;

/** Canvases that have a pixel for each pixel of the screen, also where the whole window is shown larger. */
public final class Crisp {
    private Crisp() {}

    /** Gives a canvas a size, in the pixels of its parent; what is drawn on it counts in those too. */
    public static void fit(Canvas canvas, double width, double height) {
        double times = canvas.getParent().getLocalToSceneTransform().getMxx();
        canvas.setWidth(Math.ceil(width * times));
        canvas.setHeight(Math.ceil(height * times));
        canvas.getTransforms().setAll(new Scale(1 / times, 1 / times));
        canvas.getGraphicsContext2D().setTransform(times, 0, 0, times, 0, 0);
    }
}

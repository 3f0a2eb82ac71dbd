package phalanx.desktop.widget;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;

/** Fonts and text placing for drawings. */
public final class Pens {
    private static final String SANS = "IBM Plex Sans";
    private static final String MONO = "IBM Plex Mono";
    private static final String BOLD = " SemiBold";

    private Pens() {}

    public static Font sans(double size) {
        return Font.font(SANS, size);
    }

    public static Font sansBold(double size) {
        return Font.font(SANS + BOLD, size);
    }

    public static Font mono(double size) {
        return Font.font(MONO, size);
    }

    public static Font monoBold(double size) {
        return Font.font(MONO + BOLD, size);
    }

    /** The signs of music. */
    public static Font music(double size) {
        return Font.font(Fonts.music(), size);
    }

    /** How wide a text is drawn. */
    public static double width(String text, Font font) {
        Text drawn = new Text(text);
        drawn.setFont(font);
        return drawn.getLayoutBounds().getWidth();
    }

    /** Text centred on a point. */
    public static void centred(GraphicsContext g, String text, double x, double y, Font font, Color colour) {
        g.setTextAlign(TextAlignment.CENTER);
        g.setTextBaseline(VPos.CENTER);
        g.setFont(font);
        g.setFill(colour);
        g.fillText(text, x, y);
    }

    /** Text that begins at a point, on its base line. */
    public static void left(GraphicsContext g, String text, double x, double y, Font font, Color colour) {
        g.setTextAlign(TextAlignment.LEFT);
        g.setTextBaseline(VPos.BASELINE);
        g.setFont(font);
        g.setFill(colour);
        g.fillText(text, x, y);
    }
}

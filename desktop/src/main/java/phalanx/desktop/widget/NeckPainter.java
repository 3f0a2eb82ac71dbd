package phalanx.desktop.widget;

import javafx.geometry.Rectangle2D;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import phalanx.desktop.View;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;

/**
 * Paints a stretch of a neck. Along the neck it is true to scale; across, the strings stand wider apart than they are,
 * so that figures can be read.
 */
public final class NeckPainter {
    private static final double WIRE = 1.2;
    private static final double NUT = 4;
    private static final double BEFORE = 8;

    private final GraphicsContext g;
    private final View view;
    private final Instrument instrument;
    private final int first;
    private final int last;
    private final Rectangle2D place;
    private final double startMm;
    private final double scale;

    /**
     * @param g to paint on
     * @param view with the colours
     * @param instrument the guitar; frets count from its capo
     * @param first the fret at the edge towards the nut, 0 for the nut or capo
     * @param last the fret at the other edge
     * @param place the outer strings lie on its upper and lower edge
     */
    public NeckPainter(GraphicsContext g, View view, Instrument instrument, int first, int last, Rectangle2D place) {
        this.g = g;
        this.view = view;
        this.instrument = instrument;
        this.first = first;
        this.last = last;
        this.place = place;
        Guitar guitar = instrument.guitar();
        this.startMm = guitar.wireMm(instrument.capo() + first);
        this.scale = place.getWidth() / (guitar.wireMm(instrument.capo() + last) - startMm);
    }

    /** Where a distance from the nut lies. */
    public double x(double alongMm) {
        double from = (alongMm - startMm) * scale;
        return view.leftHanded() ? place.getMaxX() - from : place.getMinX() + from;
    }

    /** Where a mark so large stands before the neck. */
    private double beforeX(double size) {
        return view.leftHanded() ? place.getMaxX() + BEFORE : place.getMinX() - size - BEFORE;
    }

    /** Where a fingertip stands that presses a fret. */
    public double fingertipX(int fret) {
        return x(instrument.alongMm(fret));
    }

    public double wireX(int fret) {
        return x(instrument.guitar().wireMm(instrument.capo() + fret));
    }

    public double y(int string) {
        return place.getMinY() + (string - 1) * place.getHeight() / (instrument.strings() - 1);
    }

    /** Wires, strings and, below them, the fret numbers. */
    public void paintBoard(double numberSize) {
        for (int fret = first; fret <= last; fret++) {
            g.setStroke(view.colour(fret == 0 ? "ink" : "wood"));
            g.setLineWidth(fret == 0 ? NUT : WIRE);
            g.strokeLine(wireX(fret), y(1), wireX(fret), y(instrument.strings()));
            if (fret > first) {
                double middle = (wireX(fret) + wireX(fret - 1)) / 2;
                double y = y(instrument.strings()) + numberSize * 1.5;
                Pens.centred(g, String.valueOf(fret), middle, y, Pens.mono(numberSize), view.colour("quiet"));
            }
        }
        for (int string = 1; string <= instrument.strings(); string++) {
            paintString(string, view.colour("wood"), 0.8);
        }
    }

    /** One string from edge to edge. */
    public void paintString(int string, Paint colour, double width) {
        g.setStroke(colour);
        g.setLineWidth(width);
        g.strokeLine(place.getMinX(), y(string), place.getMaxX(), y(string));
    }

    /** A ring before the neck: the string sounds open. */
    public void paintOpen(int string, double size) {
        g.setStroke(view.colour("inner"));
        g.setLineWidth(1.6);
        g.strokeOval(beforeX(size), y(string) - size / 2, size, size);
    }

    /** A dash before the neck: the string is silent. */
    public void paintSilent(int string, double size) {
        g.setStroke(view.colour("quiet"));
        g.setLineWidth(1.4);
        g.strokeLine(beforeX(size), y(string), beforeX(size) + size, y(string));
    }

    /** A numbered bead, drawn out over the strings of a barre. */
    public void paintPress(Press press, double size, Color fill) {
        paintPress(press, size, fill, size);
    }

    /** The same with square corners, for the bass. */
    public void paintSquarePress(Press press, double size, Color fill) {
        paintPress(press, size, fill, 6);
    }

    private void paintPress(Press press, double size, Color fill, double arc) {
        double x = fingertipX(press.fret());
        double top = y(press.trebleString()) - size / 2;
        double height = y(press.bassString()) - y(press.trebleString()) + size;
        g.setFill(fill);
        g.fillRoundRect(x - size / 2, top, size, height, arc, arc);
        Pens.centred(
                g, press.finger().symbol(), x, top + height / 2, Pens.monoBold(size * 0.65), view.colour("on-colour"));
    }

    /** The outline of a bead, for where a finger goes or comes from. */
    public void paintOutline(Press press, double size, Color colour) {
        double x = fingertipX(press.fret());
        double top = y(press.trebleString()) - size / 2;
        double height = y(press.bassString()) - y(press.trebleString()) + size;
        g.setFill(view.colour("raised"));
        g.fillRoundRect(x - size / 2, top, size, height, size, size);
        g.setStroke(colour);
        g.setLineWidth(1.8);
        g.strokeRoundRect(x - size / 2, top, size, height, size, size);
        Pens.centred(g, press.finger().symbol(), x, top + height / 2, Pens.monoBold(size * 0.65), colour);
    }

    /** A rule in millimetres between two fingertips, with its words below. */
    public void paintRule(int fretA, int fretB, double y, String words, double size) {
        double from = fingertipX(fretA);
        double to = fingertipX(fretB);
        g.setStroke(view.colour("ink"));
        g.setLineWidth(1.4);
        g.strokeLine(from, y, to, y);
        g.strokeLine(from, y - 4, from, y + 4);
        g.strokeLine(to, y - 4, to, y + 4);
        double middle = place.getMinX() + place.getWidth() / 2;
        Pens.centred(g, words, middle, y + size + 4, Pens.sansBold(size), view.colour("ink"));
    }

    /** The stretch of the neck that shows given frets with a little room, at least so many frets long. */
    public static int[] window(Instrument instrument, int lowest, int highest, int fewest) {
        int first = highest <= fewest ? 0 : Math.max(0, lowest - 2);
        int last = Math.min(instrument.highestFret(), Math.max(first + fewest, highest + 1));
        return new int[] {Math.min(first, last - 1), last};
    }
}

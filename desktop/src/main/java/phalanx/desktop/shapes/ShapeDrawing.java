package phalanx.desktop.shapes;

import java.util.Optional;
import javafx.geometry.Rectangle2D;
import javafx.scene.canvas.GraphicsContext;
import phalanx.desktop.View;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.NeckPainter;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;

/** A shape on its stretch of the neck: a square for the bass, indigo for the top note. */
final class ShapeDrawing extends Drawing {
    static final double HEIGHT = 100;
    private static final double TOP = 10;
    private static final double NECK_HEIGHT = 68;
    private static final double BEFORE = 24;
    private static final double AFTER = 8;
    private static final double BEAD = 16;
    private static final int FEWEST_FRETS = 5;

    private final Instrument instrument;
    private final HeldShape held;

    ShapeDrawing(Instrument instrument, HeldShape held, View view) {
        super(HEIGHT);
        this.instrument = instrument;
        this.held = held;
        useView(view);
    }

    @Override
    protected void paint(GraphicsContext g) {
        int lowest =
                held.fingering().presses().stream().mapToInt(Press::fret).min().orElse(1);
        int highest =
                held.fingering().presses().stream().mapToInt(Press::fret).max().orElse(1);
        int[] window = NeckPainter.window(instrument, lowest, highest, FEWEST_FRETS);
        Rectangle2D place =
                new Rectangle2D(view().leftHanded() ? AFTER : BEFORE, TOP, getWidth() - BEFORE - AFTER, NECK_HEIGHT);
        NeckPainter neck = new NeckPainter(g, view(), instrument, window[0], window[1], place);
        neck.paintBoard(11);
        Shape shape = held.shape();
        for (int string = 1; string <= shape.strings(); string++) {
            if (!shape.sounds(string)) {
                neck.paintSilent(string, 8);
            } else if (shape.fret(string) == 0) {
                neck.paintOpen(string, 8);
            }
        }
        Optional<Press> bass = stopping(lowestString(shape));
        Optional<Press> top = stopping(highestString(shape));
        for (Press press : held.fingering().presses()) {
            if (bass.equals(Optional.of(press))) {
                neck.paintSquarePress(press, BEAD, view().colour("bass"));
            } else {
                boolean isTop = top.equals(Optional.of(press));
                neck.paintPress(press, BEAD, view().colour(isTop ? "melody" : "ink"));
            }
        }
    }

    private Optional<Press> stopping(int string) {
        return string == 0 ? Optional.empty() : held.fingering().stopping(string);
    }

    private static int lowestString(Shape shape) {
        for (int string = shape.strings(); string >= 1; string--) {
            if (shape.sounds(string)) {
                return string;
            }
        }
        return 0;
    }

    private static int highestString(Shape shape) {
        for (int string = 1; string <= shape.strings(); string++) {
            if (shape.sounds(string)) {
                return string;
            }
        }
        return 0;
    }
}

package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.guitar.Instrument;

/**
 * The hand on one string: finger 1 stays, fingers 3 and 4 are dragged to the highest fret that each reaches without
 * pain; 3 or 4 and the arrow keys do the same.
 */
final class HandPicture extends Drawing {
    /** Where finger 1 lies while the hand is measured. */
    static final int INDEX_FRET = 5;

    private static final double HEIGHT = 124;
    private static final int FIRST_FRET = 4;
    private static final int LAST_FRET = 12;
    private static final double SIDE = 12;
    private static final double STRING = 44;
    private static final double GAP = 20;
    private static final double BEAD = 11;
    private static final int USUAL_RING = 8;
    private static final int USUAL_LITTLE = 9;

    private final BiConsumer<Integer, Integer> onChange;
    private Optional<Instrument> shown = Optional.empty();
    private int ring = USUAL_RING;
    private int little = USUAL_LITTLE;
    private boolean ringHeld;

    /** @param onChange told the frets of fingers 3 and 4 whenever one moves */
    HandPicture(BiConsumer<Integer, Integer> onChange) {
        super(HEIGHT);
        this.onChange = onChange;
        setId("hand-picture");
        setFocusTraversable(true);
        setAccessibleText(wording("HandPicture.finger-1-on-fret-5"));
        setOnMousePressed(this::take);
        setOnMouseDragged(event -> move(fretAt(event.getX())));
        setOnKeyPressed(this::onKey);
        focusedProperty().addListener((property, before, now) -> repaint());
    }

    int ring() {
        return ring;
    }

    int little() {
        return little;
    }

    void show(Instrument instrument) {
        shown = Optional.of(instrument);
        repaint();
    }

    private void take(MouseEvent event) {
        requestFocus();
        // or the scroll pane around would take the focus
        event.consume();
        if (shown.isPresent()) {
            Neck neck = new Neck(shown.get());
            ringHeld = Math.abs(event.getX() - neck.x(ring)) < Math.abs(event.getX() - neck.x(little));
            repaint();
        }
    }

    private void onKey(KeyEvent event) {
        switch (event.getCode()) {
            case DIGIT3, NUMPAD3 -> ringHeld = true;
            case DIGIT4, NUMPAD4 -> ringHeld = false;
            case RIGHT -> move((ringHeld ? ring : little) + towardsBody());
            case LEFT -> move((ringHeld ? ring : little) - towardsBody());
            default -> {
                return;
            }
        }
        event.consume();
        repaint();
    }

    /** Frets to the right of one. */
    private int towardsBody() {
        return view().leftHanded() ? -1 : 1;
    }

    /** Finger 3 stays above finger 1 and not above finger 4, which it takes along. */
    private void move(int fret) {
        int highest = Math.min(LAST_FRET, shown.map(Instrument::highestFret).orElse(LAST_FRET));
        int to = Math.max(INDEX_FRET + 1, Math.min(highest, fret));
        if (ringHeld) {
            ring = to;
            little = Math.max(little, ring);
        } else {
            little = to;
            ring = Math.min(ring, little);
        }
        onChange.accept(ring, little);
        repaint();
    }

    private int fretAt(double x) {
        Neck neck = new Neck(shown.orElseThrow());
        int fret = FIRST_FRET;
        while (fret < LAST_FRET && towardsBody() * (x - neck.wire(fret)) > 0) {
            fret++;
        }
        return fret;
    }

    @Override
    protected void paint(GraphicsContext g) {
        shown.ifPresent(instrument -> paint(g, new Neck(instrument)));
    }

    private void paint(GraphicsContext g, Neck neck) {
        g.setFill(view().colour("inner"));
        g.setGlobalAlpha(0.16);
        double from = neck.wire(INDEX_FRET - 1);
        double to = neck.wire(little);
        g.fillRect(Math.min(from, to), STRING - GAP - 8, Math.abs(to - from), 2 * GAP + 16);
        g.setGlobalAlpha(1);
        for (int fret = FIRST_FRET - 1; fret <= LAST_FRET; fret++) {
            g.setStroke(view().colour("wood"));
            g.setLineWidth(1.2);
            g.strokeLine(neck.wire(fret), STRING - GAP - 4, neck.wire(fret), STRING + GAP + 4);
            if (fret >= FIRST_FRET) {
                double middle = (neck.wire(fret - 1) + neck.wire(fret)) / 2;
                boolean held = fret == INDEX_FRET || fret == ring || fret == little;
                Pens.centred(
                        g,
                        String.valueOf(fret),
                        middle,
                        8,
                        held ? Pens.monoBold(13) : Pens.mono(13),
                        view().colour(held ? "ink" : "quiet"));
            }
        }
        g.setStroke(view().colour("ink"));
        for (int string = -1; string <= 1; string++) {
            g.setLineWidth(string == 0 ? 2 : 1);
            double y = STRING + string * GAP;
            g.strokeLine(neck.wire(FIRST_FRET - 1), y, neck.wire(LAST_FRET), y);
        }
        bead(g, neck.x(INDEX_FRET), "1", view().colour("ink"), view().colour("raised"), false);
        bead(g, neck.x(ring), "3", view().colour("raised"), view().colour("melody"), ringHeld && isFocused());
        double beside = ring == little ? BEAD * towardsBody() : 0;
        bead(
                g,
                neck.x(little) + beside,
                "4",
                view().colour("raised"),
                view().colour("melody"),
                !ringHeld && isFocused());
        reach(g, neck, ring, "1-3", STRING + 38);
        reach(g, neck, little, "1-4", STRING + 62);
    }

    private void bead(GraphicsContext g, double x, String figure, Color fill, Color ink, boolean held) {
        g.setFill(fill);
        g.fillOval(x - BEAD, STRING - BEAD, 2 * BEAD, 2 * BEAD);
        g.setStroke(ink);
        g.setLineWidth(held ? 3.4 : 1.8);
        g.strokeOval(x - BEAD, STRING - BEAD, 2 * BEAD, 2 * BEAD);
        Pens.centred(g, figure, x, STRING, Pens.sansBold(14), ink);
    }

    private void reach(GraphicsContext g, Neck neck, int fret, String fingers, double y) {
        double from = neck.x(INDEX_FRET);
        double to = neck.x(fret);
        g.setStroke(view().colour("ink"));
        g.setLineWidth(1.2);
        g.strokeLine(from, y, to, y);
        g.strokeLine(from, y - 4, from, y + 4);
        g.strokeLine(to, y - 4, to, y + 4);
        String words = String.format(Locale.ROOT, "%s: %.0f mm", fingers, neck.mm(fret));
        double width = Pens.width(words, Pens.sansBold(13));
        double left = view().leftHanded() ? to - 6 - width : to + 6;
        Pens.left(
                g,
                words,
                Math.max(0, Math.min(left, getWidth() - width)),
                y + 4,
                Pens.sansBold(13),
                view().colour("ink"));
    }

    /** The stretch of neck that is drawn. */
    private final class Neck {
        private final Instrument instrument;
        private final double start;
        private final double scale;

        Neck(Instrument instrument) {
            this.instrument = instrument;
            this.start = wireMm(FIRST_FRET - 1);
            this.scale = (getWidth() - 2 * SIDE) / (wireMm(LAST_FRET) - start);
        }

        private double wireMm(int fret) {
            return instrument.guitar().wireMm(fret + (double) instrument.capo());
        }

        double wire(int fret) {
            return at((wireMm(fret) - start) * scale);
        }

        double x(int fret) {
            return at((instrument.alongMm(fret) - start) * scale);
        }

        private double at(double along) {
            return view().leftHanded() ? getWidth() - SIDE - along : SIDE + along;
        }

        /** From finger 1 to a fret, along the string. */
        double mm(int fret) {
            return instrument.alongMm(fret) - instrument.alongMm(INDEX_FRET);
        }
    }
}

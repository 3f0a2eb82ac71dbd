package phalanx.desktop.guitar;

import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** The whole neck, true to scale along and across, with a rule in millimetres from the nut. */
final class NeckMap extends Drawing {
    private static final double HEIGHT = 206;
    private static final double LEFT = 56;
    private static final double RIGHT = 20;
    private static final double MIDDLE = 94;
    private static final double RULE = 178;
    private static final int TICK_MM = 10;
    private static final int FIGURE_MM = 50;
    private static final int[] DOTS = {3, 5, 7, 9, 12, 15, 17};

    private Optional<Instrument> shown = Optional.empty();

    NeckMap() {
        super(HEIGHT);
        setAccessibleText("The neck from the nut to the last fret, drawn to scale");
    }

    void show(Instrument instrument) {
        shown = Optional.of(instrument);
        repaint();
    }

    @Override
    protected void paint(GraphicsContext g) {
        shown.ifPresent(instrument -> new Map(g, instrument).paint());
    }

    /** One drawing and its scale. */
    private final class Map {
        private final GraphicsContext g;
        private final Instrument instrument;
        private final Guitar guitar;
        private final double lengthMm;
        private final double scale;

        Map(GraphicsContext g, Instrument instrument) {
            this.g = g;
            this.instrument = instrument;
            this.guitar = instrument.guitar();
            this.lengthMm = guitar.wireMm(guitar.frets());
            this.scale = (getWidth() - LEFT - RIGHT) / lengthMm;
        }

        private double x(double mm) {
            return LEFT + mm * scale;
        }

        private double y(int string, double mm) {
            return MIDDLE - guitar.acrossMm(string, instrument.strings(), mm) * scale;
        }

        void paint() {
            paintWires();
            paintDots();
            paintStrings();
            instrument.partial().ifPresent(this::paintPartial);
            if (instrument.capo() > 0) {
                paintCapo(instrument.capo(), instrument.strings(), 1, "capo");
            }
            paintRule();
        }

        private void paintWires() {
            for (int fret = 0; fret <= guitar.frets(); fret++) {
                double mm = guitar.wireMm(fret);
                boolean joint = fret == guitar.bodyJoint();
                g.setStroke(theme().colour(fret == 0 ? "ink" : joint ? "bass" : "wood"));
                g.setLineWidth(fret == 0 ? 5 : joint ? 2.4 : 1.2);
                g.strokeLine(x(mm), y(1, mm) - 6, x(mm), y(instrument.strings(), mm) + 6);
                if (fret > 0) {
                    double middle = (x(mm) + x(guitar.wireMm(fret - 1))) / 2;
                    Pens.centred(g, String.valueOf(fret), middle, 14, Pens.mono(12), theme().colour("quiet"));
                }
            }
            double joint = x(guitar.wireMm(guitar.bodyJoint()));
            double below = y(instrument.strings(), guitar.wireMm(guitar.bodyJoint())) + 14;
            Pens.centred(g, "body joins", joint, below, Pens.sans(12), theme().colour("bass"));
        }

        private void paintDots() {
            g.setFill(theme().colour("rule"));
            for (int fret : DOTS) {
                if (fret <= guitar.frets()) {
                    double x = (x(guitar.wireMm(fret)) + x(guitar.wireMm(fret - 1))) / 2;
                    double apart = fret == 12 ? 16 : 0;
                    g.fillOval(x - 5, MIDDLE - 5 - apart, 10, 10);
                    g.fillOval(x - 5, MIDDLE - 5 + apart, 10, 10);
                }
            }
        }

        private void paintStrings() {
            Key key = Key.C_MAJOR;
            for (int string = 1; string <= instrument.strings(); string++) {
                g.setStroke(theme().colour("ink"));
                g.setLineWidth(0.7 + 0.3 * string);
                g.strokeLine(x(0), y(string, 0), x(lengthMm), y(string, lengthMm));
                String open = string + "  " + Pitch.of(instrument.tuning().midi(string), key);
                Pens.left(g, open, 2, y(string, 0) + 4, Pens.mono(12), theme().colour("ink"));
            }
        }

        private void paintPartial(PartialCapo capo) {
            paintCapo(capo.fret(), capo.bassString(), capo.trebleString(), "partial");
        }

        private void paintCapo(int fret, int bassString, int trebleString, String name) {
            double mm = guitar.fingertipMm(fret);
            double top = y(trebleString, mm) - 9;
            double bottom = y(bassString, mm) + 9;
            Color colour = theme().colour("melody");
            g.setFill(colour);
            g.fillRoundRect(x(mm) - 5, top, 10, bottom - top, 10, 10);
            Pens.centred(g, name, x(mm), bottom + 10, Pens.sansBold(12), colour);
        }

        private void paintRule() {
            g.setStroke(theme().colour("quiet"));
            g.setLineWidth(1);
            g.strokeLine(x(0), RULE, x(lengthMm), RULE);
            for (int mm = 0; mm <= lengthMm; mm += TICK_MM) {
                boolean figure = mm % FIGURE_MM == 0;
                g.strokeLine(x(mm), RULE, x(mm), RULE + (figure ? 8 : 4));
                if (figure) {
                    String text = mm + (mm == 0 ? " mm" : "");
                    Pens.centred(g, text, x(mm), RULE + 18, Pens.mono(12), theme().colour("quiet"));
                }
            }
        }
    }
}

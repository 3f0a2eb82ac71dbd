package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Reach;
import phalanx.guitar.TensionReport;
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.technique.HarmonicNode;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * The whole neck, true to scale along and across, with a rule in millimetres from the nut. Beside each string stand its
 * pitch, gauge and pull; the reach of the hand follows the pointer, with finger 1 on the fret under it.
 */
final class NeckMap extends Drawing {
    private static final double HEIGHT = 210;
    private static final double LEFT = 196;
    private static final double GAUGE = 76;
    private static final double PULL = 124;
    private static final double RIGHT = 20;
    private static final double MIDDLE = 96;
    private static final double RULE = 184;
    private static final double BAND = 66;
    private static final double NODE = 5;

    private static final int TICK_MM = 10;
    private static final int FIGURE_MM = 50;
    private static final int[] DOTS = {3, 5, 7, 9, 12, 15, 17};

    private Optional<Project> shown = Optional.empty();
    private boolean nodes;
    private OptionalInt index = OptionalInt.empty();

    NeckMap() {
        super(HEIGHT);
        setOnMouseMoved(event -> point(event.getX()));
        setOnMouseExited(event -> {
            index = OptionalInt.empty();
            repaint();
        });
        setAccessibleText(wording("NeckMap.the-neck-from-the-nut"));
    }

    void show(Project project) {
        shown = Optional.of(project);
        repaint();
    }

    /** Whether harmonic nodes are drawn. */
    void showNodes(boolean now) {
        nodes = now;
        repaint();
    }

    private void point(double x) {
        shown.ifPresent(project -> {
            Instrument instrument = project.instrument();
            double scale = scale(instrument.guitar());
            double along = view().leftHanded() ? getWidth() - RIGHT - x : x - LEFT;
            int fret = 1;
            while (fret < instrument.highestFret() && instrument.alongMm(fret) * scale < along - NODE) {
                fret++;
            }
            index = along < 0 || x < LEFT ? OptionalInt.empty() : OptionalInt.of(fret);
            repaint();
        });
    }

    private double scale(Guitar guitar) {
        return (getWidth() - LEFT - RIGHT) / guitar.wireMm(guitar.frets());
    }

    @Override
    protected void paint(GraphicsContext g) {
        shown.ifPresent(project -> new Map(g, project).paint());
    }

    /** One drawing and its scale. */
    private final class Map {
        private final GraphicsContext g;
        private final Project project;
        private final Instrument instrument;
        private final Guitar guitar;
        private final double lengthMm;
        private final double scale;

        Map(GraphicsContext g, Project project) {
            this.g = g;
            this.project = project;
            this.instrument = project.instrument();
            this.guitar = instrument.guitar();
            this.lengthMm = guitar.wireMm(guitar.frets());
            this.scale = scale(guitar);
        }

        private double x(double mm) {
            return view().leftHanded() ? getWidth() - RIGHT - mm * scale : LEFT + mm * scale;
        }

        /** A band from one place on the neck to another. */
        private void fill(double fromMm, double toMm, double top, double height) {
            g.fillRect(Math.min(x(fromMm), x(toMm)), top, Math.abs(x(toMm) - x(fromMm)), height);
        }

        private double y(int string, double mm) {
            return MIDDLE - guitar.acrossMm(string, instrument.strings(), mm) * scale;
        }

        void paint() {
            index.ifPresent(this::paintReach);
            paintWires();
            paintDots();
            paintStrings();
            instrument.partial().ifPresent(this::paintPartial);
            if (instrument.capo() > 0) {
                paintCapo(instrument.capo(), instrument.strings(), 1, wording("NeckMap.capo"));
            }
            if (nodes) {
                paintNodes();
            }
            index.ifPresent(this::paintFingers);
            paintRule();
        }

        /** From finger 1 on a fret: what the hand reaches with ease, and to its limit. */
        private void paintReach(int fret) {
            double from = instrument.alongMm(fret);
            double limit = Math.min(lengthMm, from + project.hand().spanMm());
            double easy = Math.min(limit, from + project.hand().reach().comfortableMm(new Reach.Pair(1, 4)));
            double top = MIDDLE - BAND;
            g.setGlobalAlpha(0.16);
            g.setFill(view().colour("inner"));
            fill(from, easy, top, 2 * BAND);
            g.setFill(view().colour("bass"));
            fill(easy, limit, top, 2 * BAND);
            g.setGlobalAlpha(1);
        }

        /** The fingers of the hand, each on the highest fret in its reach of the one before, one a fret at most. */
        private void paintFingers(int fret) {
            int string = Math.min(3, instrument.strings());
            double from = instrument.alongMm(fret);
            int reached = fret;
            for (int finger = 1; finger <= 4; finger++) {
                int at = fret + finger - 1;
                boolean held = finger == 1
                        || at <= instrument.highestFret()
                                && instrument.alongMm(at) - from
                                        <= project.hand().greatestMm(new Reach.Pair(1, finger));
                if (held) {
                    reached = at;
                    double mm = instrument.alongMm(at);
                    g.setFill(view().colour("raised"));
                    g.fillOval(x(mm) - 10, y(string, mm) - 10, 20, 20);
                    g.setStroke(view().colour("ink"));
                    g.setLineWidth(1.6);
                    g.strokeOval(x(mm) - 10, y(string, mm) - 10, 20, 20);
                    String figure = String.valueOf(finger);
                    Pens.centred(g, figure, x(mm), y(string, mm), Pens.sansBold(13), view().colour("ink"));
                }
            }
            double mm = instrument.alongMm(reached) - from;
            double span = project.hand().spanMm();
            String words = String.format(Words.figures(), wording("NeckMap.a-fret-each-of-mm"), mm, span);
            double left = Math.min(
                    Math.min(x(from), x(from + mm)), getWidth() - RIGHT - Pens.width(words, Pens.sansBold(12)));
            Pens.left(g, words, left, MIDDLE + BAND + 12, Pens.sansBold(12), view().colour("ink"));
        }

        private void paintNodes() {
            g.setFill(view().colour("raised"));
            g.setStroke(view().colour("melody"));
            g.setLineWidth(1.6);
            double open = guitar.wireMm(instrument.capo());
            for (HarmonicNode node : HarmonicNode.all()) {
                double mm = open + (guitar.scaleMm() - open) * node.k() / node.n();
                // the stronger the larger
                double size = NODE * (0.4 + node.strength());
                for (int string = 1; mm < lengthMm && string <= instrument.strings(); string++) {
                    double[] xs = {x(mm) - size, x(mm), x(mm) + size, x(mm)};
                    double[] ys = {y(string, mm), y(string, mm) - size, y(string, mm), y(string, mm) + size};
                    g.fillPolygon(xs, ys, xs.length);
                    g.strokePolygon(xs, ys, xs.length);
                }
            }
        }

        private void paintWires() {
            for (int fret = 0; fret <= guitar.frets(); fret++) {
                double mm = guitar.wireMm(fret);
                boolean joint = fret == guitar.bodyJoint();
                g.setStroke(view().colour(fret == 0 ? "ink" : joint ? "bass" : "wood"));
                g.setLineWidth(fret == 0 ? 5 : joint ? 2.4 : 1.2);
                g.strokeLine(x(mm), y(1, mm) - 6, x(mm), y(instrument.strings(), mm) + 6);
                if (fret > 0) {
                    double middle = (x(mm) + x(guitar.wireMm(fret - 1))) / 2;
                    Pens.centred(g, String.valueOf(fret), middle, 14, Pens.mono(12), view().colour("quiet"));
                }
            }
            double joint = x(guitar.wireMm(guitar.bodyJoint()));
            double below = y(instrument.strings(), guitar.wireMm(guitar.bodyJoint())) + 14;
            Pens.centred(g, wording("NeckMap.body-joins"), joint, below, Pens.sans(12), view().colour("bass"));
        }

        private void paintDots() {
            g.setFill(view().colour("rule"));
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
            Pens.left(g, wording("NeckMap.string"), 2, 14, Pens.sans(12), view().colour("quiet"));
            Pens.left(g, "mm", GAUGE + 14, 14, Pens.sans(12), view().colour("quiet"));
            Pens.left(g, wording("NeckMap.pull"), PULL + 14, 14, Pens.sans(12), view().colour("quiet"));
            boolean strung = project.strings().strings().size() == instrument.strings();
            Optional<TensionReport> pull = strung
                    ? Optional.of(TensionReport.of(guitar, project.strings(), instrument.tuning()))
                    : Optional.empty();
            for (int string = 1; string <= instrument.strings(); string++) {
                g.setStroke(view().colour("ink"));
                g.setLineWidth(0.7 + 0.3 * string);
                g.strokeLine(x(0), y(string, 0), x(lengthMm), y(string, lengthMm));
                String open = string + "  "
                        + Pitch.of(instrument.tuning().midi(string), key).spoken();
                double line = MIDDLE + (string - (instrument.strings() + 1) / 2.0) * 19;
                boolean usual = strung
                        && instrument.strings() == Tuning.STANDARD.strings()
                        && instrument.tuning().midi(string) == Tuning.STANDARD.midi(string);
                Color named = view().colour(usual || !strung ? "ink" : "bass");
                Pens.left(g, open, 2, line + 4, Pens.monoBold(13), named);
                int own = string;
                pull.ifPresent(report -> {
                    double newtons = report.newtons().get(instrument.strings() - own);
                    String gauge = String.format(
                            Words.figures(),
                            "%.2f",
                            project.strings().string(own).gaugeMm());
                    String force = String.format(Locale.ROOT, "%3.0f N", newtons);
                    Pens.left(g, gauge, GAUGE, line + 4, Pens.mono(13), view().colour("ink"));
                    Pens.left(g, force, PULL, line + 4, Pens.mono(13), view().colour("ink"));
                });
            }
        }

        private void paintPartial(PartialCapo capo) {
            paintCapo(capo.fret(), capo.bassString(), capo.trebleString(), wording("NeckMap.partial"));
        }

        private void paintCapo(int fret, int bassString, int trebleString, String name) {
            double mm = guitar.fingertipMm(fret);
            double top = y(trebleString, mm) - 9;
            double bottom = y(bassString, mm) + 9;
            Color colour = view().colour("melody");
            g.setFill(colour);
            g.fillRoundRect(x(mm) - 5, top, 10, bottom - top, 10, 10);
            Pens.centred(g, name, x(mm), bottom + 10, Pens.sansBold(12), colour);
        }

        private void paintRule() {
            g.setStroke(view().colour("quiet"));
            g.setLineWidth(1);
            g.strokeLine(x(0), RULE, x(lengthMm), RULE);
            for (int mm = 0; mm <= lengthMm; mm += TICK_MM) {
                boolean figure = mm % FIGURE_MM == 0;
                g.strokeLine(x(mm), RULE, x(mm), RULE + (figure ? 8 : 4));
                if (figure) {
                    String text = mm + (mm == 0 ? " mm" : "");
                    Pens.centred(g, text, x(mm), RULE + 18, Pens.mono(12), view().colour("quiet"));
                }
            }
        }
    }
}

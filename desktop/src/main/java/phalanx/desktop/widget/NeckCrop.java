package phalanx.desktop.widget;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.Press;

/** A stretch of the neck drawn to scale, with numbered fingers and a rule in millimetres under the widest pair. */
public final class NeckCrop extends Drawing {
    private static final double HEIGHT = 176;
    private static final double NECK_HEIGHT = 92;
    private static final double TOP = 14;
    private static final double SIDE = 22;
    private static final double BEAD = 20;
    private static final int FEWEST_FRETS = 5;

    private Optional<Instrument> instrument = Optional.empty();
    private Fingering fingering = Fingering.OPEN;
    private List<Integer> plucked = List.of();
    private Hand hand = Hand.AVERAGE;

    public NeckCrop() {
        super(HEIGHT);
    }

    /**
     * Shows a fingering.
     *
     * @param on the guitar
     * @param by the hand, for its limits
     * @param what who presses where
     * @param strings those plucked at this moment
     */
    public void show(Instrument on, Hand by, Fingering what, List<Integer> strings) {
        instrument = Optional.of(on);
        hand = by;
        fingering = what;
        plucked = List.copyOf(strings);
        repaint();
    }

    @Override
    protected void paint(GraphicsContext g) {
        instrument.ifPresent(shown -> new Neck(g, shown).paint());
    }

    /** One drawing: the frets it spans and its scale. */
    private final class Neck {
        private final GraphicsContext g;
        private final Instrument on;
        private final int first;
        private final int last;
        private final double start;
        private final double scale;

        Neck(GraphicsContext g, Instrument on) {
            this.g = g;
            this.on = on;
            int lowest =
                    fingering.presses().stream().mapToInt(Press::fret).min().orElse(1);
            int highest =
                    fingering.presses().stream().mapToInt(Press::fret).max().orElse(1);
            this.first = highest <= FEWEST_FRETS ? 0 : Math.max(0, lowest - 2);
            this.last = Math.min(on.highestFret(), Math.max(first + FEWEST_FRETS, highest + 1));
            Guitar guitar = on.guitar();
            this.start = guitar.wireMm(on.capo() + first);
            this.scale = (getWidth() - 2 * SIDE) / (guitar.wireMm(on.capo() + last) - start);
        }

        private double x(double alongMm) {
            return SIDE + (alongMm - start) * scale;
        }

        private double y(int string) {
            return TOP + (string - 1) * NECK_HEIGHT / (on.strings() - 1);
        }

        void paint() {
            for (int fret = first; fret <= last; fret++) {
                double x = x(on.guitar().wireMm(on.capo() + fret));
                g.setStroke(theme().colour(fret == 0 ? "ink" : "wood"));
                g.setLineWidth(fret == 0 ? 4 : 1.2);
                g.strokeLine(x, y(1), x, y(on.strings()));
                if (fret > first) {
                    double middle = (x + x(on.guitar().wireMm(on.capo() + fret - 1))) / 2;
                    Pens.centred(
                            g,
                            String.valueOf(fret),
                            middle,
                            y(on.strings()) + 20,
                            Pens.mono(12),
                            theme().colour("quiet"));
                }
            }
            for (int string = 1; string <= on.strings(); string++) {
                boolean sounds = plucked.contains(string);
                g.setStroke(theme().colour(sounds ? "ink" : "wood"));
                g.setLineWidth(sounds ? 1.8 : 0.8);
                g.strokeLine(SIDE, y(string), getWidth() - SIDE, y(string));
                if (sounds && fingering.stopping(string).isEmpty()) {
                    g.setStroke(theme().colour("inner"));
                    g.setLineWidth(1.6);
                    g.strokeOval(SIDE - 17, y(string) - 5, 10, 10);
                }
            }
            fingering.presses().forEach(this::paintFinger);
            paintRule();
        }

        private void paintFinger(Press press) {
            double x = x(on.alongMm(press.fret()));
            double top = y(press.trebleString()) - BEAD / 2;
            double height = y(press.bassString()) - y(press.trebleString()) + BEAD;
            g.setFill(theme().colour(press.finger() == Finger.THUMB ? "bass" : "ink"));
            g.fillRoundRect(x - BEAD / 2, top, BEAD, height, BEAD, BEAD);
            Pens.centred(g, press.finger().symbol(), x, top + height / 2, Pens.monoBold(13), theme().colour("ground"));
        }

        private void paintRule() {
            Map<Reach.Pair, Double> reaches = fingering.reaches(on);
            Optional<Reach.Pair> widest =
                    reaches.keySet().stream().max((a, b) -> Double.compare(share(a, reaches), share(b, reaches)));
            double y = TOP + NECK_HEIGHT + 50;
            if (widest.isEmpty()) {
                String text = fingering.presses().isEmpty() ? "open strings, no finger down" : "no stretch";
                Pens.centred(g, text, getWidth() / 2, y, Pens.sans(13), theme().colour("quiet"));
                return;
            }
            Reach.Pair pair = widest.get();
            double from = x(on.alongMm(fret(pair.low())));
            double to = x(on.alongMm(fret(pair.high())));
            g.setStroke(theme().colour("ink"));
            g.setLineWidth(1.4);
            g.strokeLine(from, y - 12, to, y - 12);
            g.strokeLine(from, y - 16, from, y - 8);
            g.strokeLine(to, y - 16, to, y - 8);
            String text = String.format(
                    Locale.ROOT,
                    "%d to %d: %.0f of %.0f mm",
                    pair.low(),
                    pair.high(),
                    reaches.get(pair),
                    hand.greatestMm(pair));
            Pens.centred(g, text, getWidth() / 2, y + 4, Pens.sansBold(13), theme().colour("ink"));
        }

        private double share(Reach.Pair pair, Map<Reach.Pair, Double> reaches) {
            return reaches.get(pair) / hand.greatestMm(pair);
        }

        private int fret(int finger) {
            return fingering.press(Finger.values()[finger - 1]).orElseThrow().fret();
        }
    }
}

package phalanx.desktop.widget;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.Rectangle2D;
import javafx.scene.canvas.GraphicsContext;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.words.Words;

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
        instrument.ifPresent(on -> paint(g, on));
    }

    private void paint(GraphicsContext g, Instrument on) {
        int lowest = fingering.presses().stream().mapToInt(Press::fret).min().orElse(1);
        int highest = fingering.presses().stream().mapToInt(Press::fret).max().orElse(1);
        int[] window = NeckPainter.window(on, lowest, highest, FEWEST_FRETS);
        Rectangle2D place = new Rectangle2D(SIDE, TOP, getWidth() - 2 * SIDE, NECK_HEIGHT);
        NeckPainter neck = new NeckPainter(g, view(), on, window[0], window[1], place);
        neck.paintBoard(12);
        for (int string : plucked) {
            neck.paintString(string, view().colour("ink"), 1.8);
            if (fingering.stopping(string).isEmpty()) {
                neck.paintOpen(string, 10);
            }
        }
        fingering
                .presses()
                .forEach(press ->
                        neck.paintPress(press, BEAD, view().colour(press.finger() == Finger.THUMB ? "bass" : "ink")));
        paintRule(g, neck, on);
    }

    private void paintRule(GraphicsContext g, NeckPainter neck, Instrument on) {
        Map<Reach.Pair, Double> reaches = fingering.reaches(on);
        Optional<Reach.Pair> widest =
                reaches.keySet().stream().max((a, b) -> Double.compare(share(a, reaches), share(b, reaches)));
        double y = TOP + NECK_HEIGHT + 38;
        if (widest.isEmpty()) {
            String text = fingering.presses().isEmpty()
                    ? wording("NeckCrop.open-strings-no-finger-down")
                    : wording("NeckCrop.no-stretch");
            Pens.centred(g, text, getWidth() / 2, y + 12, Pens.sans(13), view().colour("quiet"));
            return;
        }
        Reach.Pair pair = widest.get();
        String words = String.format(
                Words.figures(),
                wording("NeckCrop.to-of-mm"),
                pair.low(),
                pair.high(),
                reaches.get(pair),
                hand.greatestMm(pair));
        neck.paintRule(fret(pair.low()), fret(pair.high()), y, words, 13);
    }

    private double share(Reach.Pair pair, Map<Reach.Pair, Double> reaches) {
        return reaches.get(pair) / hand.greatestMm(pair);
    }

    private int fret(int finger) {
        return fingering.press(Finger.values()[finger - 1]).orElseThrow().fret();
    }
}

package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.desktop.View;
import phalanx.desktop.widget.Pens;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.song.Ticks;

/**
 * Draws the left hand along the neck: height is the place on the neck, true to scale, the nut below. Each finger is a
 * numbered bead with a bar as long as it is held; one that slides is a ribbon, one that jumps a dashed line. The band
 * behind is the hand, warmer the nearer it is to its limit.
 */
final class NeckLanePainter {
    private static final double BEAD = 15;
    private static final double PAD = 11;
    private static final int FEWEST_FRETS = 5;
    private static final int[] NAMED_FRETS = {1, 2, 3, 5, 7, 9, 12, 15};
    /** A finger that rests longer between two places does not come from the first one any more. */
    private static final int LONGEST_WAY = Ticks.WHOLE;

    private static final double NEAR_LIMIT = 0.75;
    private static final double AT_LIMIT = 0.9;

    private final Arrangement arrangement;
    private final ScoreLayout layout;
    private final View view;
    private final Instrument instrument;
    private final double topMm;
    private final Set<Integer> tooFast;

    NeckLanePainter(Arrangement arrangement, ScoreLayout layout, View view) {
        this.arrangement = arrangement;
        this.layout = layout;
        this.view = view;
        this.instrument = arrangement.request().instrument();
        int highest = arrangement.holds().stream()
                .mapToInt(hold -> hold.press().fret())
                .max()
                .orElse(0);
        this.topMm = along(Math.min(instrument.highestFret(), Math.max(FEWEST_FRETS, highest)));
        this.tooFast = arrangement.findings().stream()
                .filter(finding -> finding.kind().isOfSpeed() && finding.kind() != FindingKind.DIGIT_TOO_FAST)
                .map(Finding::tick)
                .collect(Collectors.toSet());
    }

    /** From the nut or capo to a fret's wire, in mm. */
    private double along(int fret) {
        return instrument.guitar().wireMm(instrument.capo() + fret)
                - instrument.guitar().wireMm(instrument.capo());
    }

    private double y(ScoreLayout.Line line, double mm) {
        double room = ScoreLayout.NECK - 2 * PAD;
        return layout.neckLaneY(line) + ScoreLayout.NECK - PAD - room * mm / topMm;
    }

    private double fretY(ScoreLayout.Line line, int fret) {
        double nut = instrument.guitar().wireMm(instrument.capo());
        return y(line, instrument.alongMm(fret) - nut);
    }

    void paint(GraphicsContext g, ScoreLayout.Line line) {
        paintFrets(g, line);
        arrangement.slots().stream()
                .filter(slot -> slot.endTick() > line.startTick() && slot.startTick() < line.endTick())
                .forEach(slot -> paintBand(g, line, slot));
        Map<Finger, Hold> before = new EnumMap<>(Finger.class);
        for (Hold hold : arrangement.holds()) {
            Hold earlier = before.put(hold.press().finger(), hold);
            if (hold.tick() >= line.startTick() && hold.tick() < line.endTick() && earlier != null) {
                paintWay(g, line, earlier, hold);
            }
        }
        List<Hold> holds = arrangement.holds().stream()
                .filter(hold -> hold.endTick() > line.startTick() && hold.tick() < line.endTick())
                .toList();
        holds.forEach(hold -> paintBar(g, line, hold));
        Set<Long> taken = new HashSet<>();
        holds.stream().filter(hold -> hold.tick() >= line.startTick()).forEach(hold -> paintBead(g, line, hold, taken));
    }

    private void paintFrets(GraphicsContext g, ScoreLayout.Line line) {
        double end = layout.lineEndX(line);
        double lastLabel = y(line, 0);
        for (int fret = 0; fret <= instrument.highestFret() && along(fret) <= topMm + 0.01; fret++) {
            double y = Math.round(y(line, along(fret))) + 0.5;
            g.setStroke(view.colour(fret == 0 ? "ink" : "rule"));
            g.setLineWidth(fret == 0 ? 2.4 : 0.8);
            g.strokeLine(layout.left(), y, end, y);
        }
        Pens.centred(
                g, wording("NeckLanePainter.nut"), layout.labelX(), y(line, 0), Pens.sans(12), view.colour("quiet"));
        for (int fret : NAMED_FRETS) {
            double y = fretY(line, fret);
            if (along(fret) <= topMm + 0.01 && lastLabel - y >= 13) {
                Pens.centred(g, String.valueOf(fret), layout.labelX(), y, Pens.mono(12), view.colour("quiet"));
                lastLabel = y;
            }
        }
    }

    private void paintBand(GraphicsContext g, ScoreLayout.Line line, ArrangedSlot slot) {
        Fingering fingering = slot.fingering();
        List<Press> presses = fingering.presses();
        if (presses.size() < 2) {
            return;
        }
        Hand hand = arrangement.request().hand();
        double share = fingering.reaches(instrument).entrySet().stream()
                .mapToDouble(reach -> reach.getValue() / hand.greatestMm(reach.getKey()))
                .max()
                .orElse(0);
        int lowest = presses.stream().mapToInt(Press::fret).min().orElse(1);
        int highest = presses.stream().mapToInt(Press::fret).max().orElse(1);
        String token = share > AT_LIMIT ? "alarm" : share > NEAR_LIMIT ? "bass" : "inner";
        g.setFill(view.colour(token).deriveColor(0, 1, 1, 0.10 + 0.16 * share));
        double from = layout.x(line, Math.max(slot.startTick(), line.startTick()));
        double to = layout.x(line, Math.min(slot.endTick(), line.endTick()));
        double top = fretY(line, highest) - BEAD / 2;
        g.fillRect(from, top, to - from, fretY(line, lowest) + BEAD / 2 - top);
    }

    private void paintBar(GraphicsContext g, ScoreLayout.Line line, Hold hold) {
        double from = hold.tick() < line.startTick() ? layout.left() : layout.x(line, hold.tick());
        double to = layout.x(line, Math.min(hold.endTick(), line.endTick())) - 3;
        double height = hold.press().isBarre() ? 7 : 4;
        g.setFill(view.colour("ink").deriveColor(0, 1, 1, 0.42));
        g.fillRoundRect(from, fretY(line, hold.press().fret()) - height / 2, Math.max(2, to - from), height, 4, 4);
    }

    /** How a finger gets from one place to the next. */
    private void paintWay(GraphicsContext g, ScoreLayout.Line line, Hold earlier, Hold next) {
        boolean sameFret = earlier.press().fret() == next.press().fret();
        if (next.tick() - earlier.endTick() > LONGEST_WAY || earlier.endTick() < line.startTick()) {
            return;
        }
        boolean overlap = earlier.press().bassString() >= next.press().trebleString()
                && next.press().bassString() >= earlier.press().trebleString();
        if (sameFret && overlap) {
            return;
        }
        double x0 = layout.x(line, earlier.endTick()) - 3;
        double y0 = fretY(line, earlier.press().fret());
        double x1 = layout.x(line, next.tick());
        double y1 = fretY(line, next.press().fret());
        boolean late = tooFast.contains(next.tick());
        Color colour = view.colour(late ? "alarm" : overlap ? "good" : "quiet");
        g.setStroke(colour);
        g.setLineWidth(overlap ? 3.5 : 1.5);
        if (!overlap) {
            g.setLineDashes(4, 4);
        }
        double start = Math.min(x0, x1 - 6);
        g.beginPath();
        g.moveTo(start, y0);
        g.bezierCurveTo((start + x1) / 2, y0, (start + x1) / 2, y1, x1, y1);
        g.stroke();
        g.setLineDashes();
    }

    /** Fingers that come down together on one fret stand side by side. */
    private void paintBead(GraphicsContext g, ScoreLayout.Line line, Hold hold, Set<Long> taken) {
        double x = layout.x(line, hold.tick());
        while (!taken.add(Math.round(x / BEAD) * 100 + hold.press().fret())) {
            x += BEAD;
        }
        double y = fretY(line, hold.press().fret());
        boolean thumb = hold.press().finger() == Finger.THUMB;
        g.setFill(view.colour("raised"));
        g.fillOval(x - BEAD / 2, y - BEAD / 2, BEAD, BEAD);
        g.setStroke(view.colour(thumb ? "bass" : "ink"));
        g.setLineWidth(1.5);
        g.strokeOval(x - BEAD / 2, y - BEAD / 2, BEAD, BEAD);
        Pens.centred(g, hold.press().finger().symbol(), x, y, Pens.monoBold(11), view.colour(thumb ? "bass" : "ink"));
    }
}

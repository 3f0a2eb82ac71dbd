package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.scene.canvas.GraphicsContext;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.song.Bar;
import phalanx.song.Section;

/** The whole song as a strip of bars, as high and as warm as their effort; a click jumps there. */
final class SongStrip extends Drawing {
    private static final double HEIGHT = 78;
    private static final double TOP = 8;
    private static final double HIGHEST = 40;
    private static final double LEAST = 5;
    private static final double HARD = 1.6;

    private Optional<Arrangement> arrangement = Optional.empty();
    private List<Integer> visible = List.of(0, 0);

    SongStrip(IntConsumer onPick) {
        super(HEIGHT);
        setAccessibleText(wording("SongStrip.bars-of-the-song-by"));
        setOnMousePressed(event -> arrangement.ifPresent(shown -> {
            List<Bar> bars = shown.song().bars();
            int index = (int) ((event.getX() - ScoreLayout.LEFT) / barWidth(bars.size()));
            onPick.accept(
                    bars.get(Math.max(0, Math.min(bars.size() - 1, index))).startTick());
        }));
    }

    void show(Arrangement shown) {
        arrangement = Optional.of(shown);
        repaint();
    }

    /** Marks the stretch that the score shows. */
    void mark(List<Integer> ticks) {
        if (!visible.equals(ticks)) {
            visible = ticks;
            repaint();
        }
    }

    private double barWidth(int bars) {
        return Math.max(1, (getWidth() - ScoreLayout.LEFT - 28) / bars);
    }

    @Override
    protected void paint(GraphicsContext g) {
        arrangement.ifPresent(shown -> paint(g, shown));
    }

    private void paint(GraphicsContext g, Arrangement shown) {
        List<Bar> bars = shown.song().bars();
        List<Double> efforts = shown.barEfforts();
        double most = efforts.stream().mapToDouble(Double::doubleValue).max().orElse(1);
        double mean =
                efforts.stream().mapToDouble(Double::doubleValue).average().orElse(1);
        double width = barWidth(bars.size());
        Pens.left(g, wording("SongStrip.effort"), 0, TOP + HIGHEST, Pens.sans(12), view().colour("quiet"));
        for (int i = 0; i < bars.size(); i++) {
            double height = Math.max(LEAST, HIGHEST * efforts.get(i) / Math.max(most, 1e-9));
            String token = efforts.get(i) > HARD * mean ? "alarm" : efforts.get(i) > mean ? "bass" : "inner";
            g.setFill(view().colour(token).deriveColor(0, 1, 1, 0.75));
            double gap = width > 6 ? 2 : 0;
            g.fillRoundRect(ScoreLayout.LEFT + i * width, TOP + HIGHEST - height, width - gap, height, 4, 4);
        }
        for (Section section : shown.song().sections()) {
            int index = shown.song().barIndexAt(section.startTick());
            double x = ScoreLayout.LEFT + index * width;
            Pens.left(g, section.name(), x, TOP + HIGHEST + 18, Pens.sansBold(13), view().colour("ink"));
        }
        paintWindow(g, shown, width);
    }

    private void paintWindow(GraphicsContext g, Arrangement shown, double width) {
        int first = shown.song().barIndexAt(visible.get(0));
        int last = shown.song().barIndexAt(visible.get(1));
        g.setStroke(view().colour("melody"));
        g.setLineWidth(1.6);
        double x = ScoreLayout.LEFT + first * width - 2;
        g.strokeRoundRect(x, TOP - 4, (last - first + 1) * width + 2, HIGHEST + 8, 6, 6);
    }
}

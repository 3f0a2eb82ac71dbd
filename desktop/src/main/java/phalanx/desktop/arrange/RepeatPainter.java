package phalanx.desktop.arrange;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import phalanx.arrange.score.Comeback;
import phalanx.arrange.score.Folding;
import phalanx.desktop.View;
import phalanx.desktop.widget.Pens;
import phalanx.song.Bar;
import phalanx.song.Song;

/** Draws what stands for bars that are not shown again: repeat signs, brackets over endings, lines of words. */
final class RepeatPainter {
    private static final double THICK = 4;
    private static final double DOT = 5;
    private static final double APART = 7;
    private static final double CORNER = 6;
    private static final double HOOK = 11;

    private final Song song;
    private final ScoreLayout layout;
    private final Folding folding;
    private final Color ink;

    RepeatPainter(Song song, ScoreLayout layout, View view) {
        this.song = song;
        this.layout = layout;
        this.folding = layout.folding();
        this.ink = view.colour("ink");
    }

    /** Draws them over a line and below it. */
    void paint(GraphicsContext g, ScoreLayout.Line line) {
        for (Bar bar : line.bars()) {
            int index = song.barIndexAt(bar.startTick());
            double from = layout.barX(line, bar);
            double to = layout.barEndX(line, bar);
            if (folding.beginsRepeat(index)) {
                sign(g, line, from, 1);
            }
            int times = folding.timesToEnd(index);
            if (times > 0) {
                sign(g, line, to, -1);
            }
            if (times > 2) {
                Pens.centred(g, times + "×", to - 2 * APART, layout.stringLaneY(line) + 6, Pens.sansBold(13), ink);
            }
            folding.ending(index).ifPresent(ending -> bracket(g, line, ending, index, from, to));
        }
        double y = line.top() + layout.lineHeight() + 2;
        for (Comeback again : line.again()) {
            double x = layout.left();
            if (again.name().isPresent()) {
                x += name(g, again.name().get(), x, y, ink) + 10;
            }
            Pens.left(g, again.words(song), x, y + 14, Pens.sans(14), ink);
            y += ScoreLayout.FOLD;
        }
    }

    /** A thick line with two dots beside it; {@code side} is 1 for dots to the right. */
    private void sign(GraphicsContext g, ScoreLayout.Line line, double x, int side) {
        double top = layout.stringY(line, 1);
        double bottom = layout.stringY(line, layout.strings());
        double middle = (top + bottom) / 2;
        g.setFill(ink);
        g.fillRect(side > 0 ? x : x - THICK, top, THICK, bottom - top);
        // between strings, clear of the tiles on them
        for (int up : new int[] {-1, 1}) {
            double y = middle + up * ScoreLayout.STRING_GAP;
            g.fillOval(x + side * (THICK + APART / 2) - DOT / 2, y - DOT / 2, DOT, DOT);
        }
    }

    private void bracket(
            GraphicsContext g, ScoreLayout.Line line, Folding.Ending ending, int bar, double from, double to) {
        double y = line.top() + ScoreLayout.HEADING + 2;
        g.setStroke(ink);
        g.setLineWidth(1.4);
        g.strokeLine(from + 2, y, to - 4, y);
        if (bar == ending.from()) {
            g.strokeLine(from + 2, y, from + 2, y + HOOK);
            Pens.left(g, ending.round() + ".", from + 7, y + HOOK, Pens.sansBold(12), ink);
        }
        if (bar == ending.to() - 1 && ending.round() == 1) {
            g.strokeLine(to - 4, y, to - 4, y + HOOK);
        }
    }

    /** Draws the name of a section in its frame; says how wide that is. */
    static double name(GraphicsContext g, String name, double x, double y, Color ink) {
        double width = 14 + 8 * name.length();
        g.setStroke(ink);
        g.setLineWidth(1.4);
        g.strokeRoundRect(x, y, width, 18, CORNER, CORNER);
        Pens.centred(g, name, x + width / 2, y + 9, Pens.sansBold(13), ink);
        return width;
    }
}

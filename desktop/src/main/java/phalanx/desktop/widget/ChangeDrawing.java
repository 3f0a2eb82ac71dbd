package phalanx.desktop.widget;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.geometry.Rectangle2D;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;

/**
 * A change on one stretch of the neck: outlines where fingers come from, beads where they go, anchors in green, a line
 * along the string for a guide and a dashed one for a jump.
 */
public final class ChangeDrawing extends Drawing {
    private static final double HEIGHT = 106;
    private static final double TOP = 11;
    private static final double NECK_HEIGHT = 70;
    private static final double SIDE = 20;
    private static final double BEAD = 17;
    private static final int FEWEST_FRETS = 5;

    private Optional<Instrument> instrument = Optional.empty();
    private Optional<Change> change = Optional.empty();

    public ChangeDrawing() {
        super(HEIGHT);
    }

    public void show(Instrument on, Change shown) {
        instrument = Optional.of(on);
        change = Optional.of(shown);
        repaint();
    }

    public void clear() {
        change = Optional.empty();
        repaint();
    }

    @Override
    protected void paint(GraphicsContext g) {
        change.ifPresent(shown -> instrument.ifPresent(on -> paint(g, on, shown)));
    }

    private void paint(GraphicsContext g, Instrument on, Change shown) {
        int[] frets = shown.moves().stream()
                .flatMap(move -> Stream.concat(move.from().stream(), move.to().stream()))
                .mapToInt(Press::fret)
                .toArray();
        int lowest = Arrays.stream(frets).min().orElse(1);
        int highest = Arrays.stream(frets).max().orElse(1);
        int[] window = NeckPainter.window(on, lowest, highest, FEWEST_FRETS);
        Rectangle2D place = new Rectangle2D(SIDE, TOP, getWidth() - 2 * SIDE, NECK_HEIGHT);
        NeckPainter neck = new NeckPainter(g, view(), on, window[0], window[1], place);
        neck.paintBoard(11);
        shown.moves().forEach(move -> paintWay(g, neck, move));
        for (FingerMove move : shown.moves()) {
            boolean stays = move.kind() == FingerMove.Kind.ANCHOR;
            if (!stays) {
                move.from().ifPresent(from -> neck.paintOutline(from, BEAD, view().colour("quiet")));
            }
            Color fill = view().colour(stays || move.kind() == FingerMove.Kind.ROLL ? "good" : "ink");
            move.to().ifPresent(to -> neck.paintPress(to, BEAD, fill));
        }
    }

    private void paintWay(GraphicsContext g, NeckPainter neck, FingerMove move) {
        boolean guide = move.kind() == FingerMove.Kind.GUIDE;
        if (!guide && move.kind() != FingerMove.Kind.JUMP) {
            return;
        }
        Press from = move.from().orElseThrow();
        Press to = move.to().orElseThrow();
        g.setStroke(view().colour(guide ? "good" : "alarm"));
        g.setLineWidth(guide ? 3 : 1.8);
        if (!guide) {
            g.setLineDashes(6, 4);
        }
        g.strokeLine(
                neck.fingertipX(from.fret()),
                neck.y(from.trebleString()),
                neck.fingertipX(to.fret()),
                neck.y(to.trebleString()));
        g.setLineDashes();
    }
}

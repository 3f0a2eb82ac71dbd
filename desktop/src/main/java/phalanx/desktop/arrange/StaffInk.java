package phalanx.desktop.arrange;

import java.util.OptionalDouble;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;
import phalanx.desktop.View;
import phalanx.desktop.widget.Ink;
import phalanx.desktop.widget.Pens;
import phalanx.formats.page.Face;
import phalanx.formats.page.Shade;
import phalanx.formats.page.Staff;
import phalanx.formats.page.StaffPainter;
import phalanx.song.Bar;
import phalanx.song.Song;

/** Draws the staff above the lanes by the marks of the pages, with letters that are quick to draw. */
final class StaffInk extends Ink {
    private static final double SPACE = ScoreLayout.STAFF_SPACE;

    private final GraphicsContext g;
    private final View view;
    private final Font music = Pens.music(StaffPainter.EM * SPACE);

    StaffInk(GraphicsContext g, View view) {
        super(g, shade -> view.colour(token(shade)));
        this.g = g;
        this.view = view;
    }

    private static String token(Shade shade) {
        return switch (shade) {
            case INK -> "ink";
            case BASS -> "bass";
            case TUNE -> "melody";
            case INNER -> "inner";
            case HIT -> "alarm";
            case HARMONIC -> "good";
            case PAPER -> "raised";
            case QUIET -> "quiet";
            case RULE -> "rule";
        };
    }

    void paint(Staff staff, ScoreLayout layout, ScoreLayout.Line line, Song song) {
        int first = song.barIndexAt(line.startTick());
        // lines of the staff on whole pixels
        double lowest = Math.round(layout.lanesY(line) + staff.above() * SPACE) + 0.5;
        Ruler ruler = new Ruler(staff, layout, line, song);
        StaffPainter.marks(staff, line.bars(), first, ruler, SPACE, lowest).forEach(this::paint);
    }

    /** The staff stands over the time scale of its line; the meter of a line's first bar before it. */
    private record Ruler(Staff staff, ScoreLayout layout, ScoreLayout.Line line, Song song)
            implements StaffPainter.Ruler {
        @Override
        public double begin() {
            return ScoreLayout.LEFT;
        }

        @Override
        public double barX(Bar bar) {
            return layout.barX(line, bar);
        }

        @Override
        public double barEnd(Bar bar) {
            return bar.endTick() >= line.endTick()
                    ? layout.lineEndX(line)
                    : layout.x(line, bar.endTick()) - ScoreLayout.BAR_PAD;
        }

        @Override
        public double x(int tick) {
            return layout.x(line, tick);
        }

        @Override
        public OptionalDouble meter(Bar bar) {
            int index = song.barIndexAt(bar.startTick());
            if (index > 0 && song.bars().get(index - 1).meter().equals(bar.meter())) {
                return OptionalDouble.empty();
            }
            double before =
                    bar == line.bars().get(0) ? ScoreLayout.LEFT + staff.before() * SPACE : layout.barX(line, bar);
            return OptionalDouble.of(before + Staff.METER / 2 * SPACE);
        }
    }

    @Override
    public void text(Face.Run run, double x, double baseline, Shade shade) {
        // signs are all of one size; figures over tuplets are few
        Font font = run.face() == Face.MUSIC ? music : Pens.sansBold(run.size());
        Pens.left(g, run.text(), x, baseline, font, view.colour(token(shade)));
    }
}

package phalanx.formats.page;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.IntToDoubleFunction;
import phalanx.arrange.notation.Grouping;
import phalanx.arrange.notation.Rhythm;

/** Draws the rhythm of a bar as a row of small notes without pitch. Measures are in spaces of a small staff. */
final class RhythmPainter {
    /** From the top of the stems to the middle of the heads. */
    static final double HEIGHT = 3.0;

    private static final double EM = 4;
    private static final double STEM = 0.13;
    private static final double TIE_AT = 0.75;
    private static final double TUPLET = 1.5;

    private final Rhythm rhythm;
    private final IntToDoubleFunction x;
    private final double begin;
    private final double end;
    private final double y;
    private final double space;
    private final List<Mark> marks = new ArrayList<>();

    private RhythmPainter(Rhythm rhythm, IntToDoubleFunction x, double begin, double end, double y, double space) {
        this.rhythm = rhythm;
        this.x = x;
        this.begin = begin;
        this.end = end;
        this.y = y;
        this.space = space;
    }

    /**
     * The marks of a bar.
     *
     * @param x where a tick stands
     * @param begin where the bar begins
     * @param end where it ends
     * @param y the middle of the heads
     * @param space of the staff that the signs are made for
     */
    static List<Mark> marks(Rhythm rhythm, IntToDoubleFunction x, double begin, double end, double y, double space) {
        RhythmPainter painter = new RhythmPainter(rhythm, x, begin, end, y, space);
        painter.paint();
        return painter.marks;
    }

    private void paint() {
        Set<Integer> beamed = new HashSet<>();
        for (Grouping.Run run : rhythm.beams()) {
            List<Rhythm.Stroke> group = rhythm.strokes().subList(run.first(), run.last() + 1);
            double[] stems = group.stream().mapToDouble(this::stemX).toArray();
            int[] beams =
                    group.stream().mapToInt(stroke -> stroke.value().beams()).toArray();
            marks.addAll(Beams.of(stems, beams, y - HEIGHT * space, true, space, Shade.INK));
            for (int i = run.first(); i <= run.last(); i++) {
                beamed.add(i);
            }
        }
        for (int i = 0; i < rhythm.strokes().size(); i++) {
            Rhythm.Stroke stroke = rhythm.strokes().get(i);
            String type = stroke.value().value().type();
            if (stroke.value().rest()) {
                paintRest(stroke, type);
            } else if (!type.isEmpty()) {
                paintNote(stroke, type, beamed.contains(i));
                if (stroke.tied()) {
                    paintTie(stroke, i);
                }
            }
        }
        rhythm.tuplets().forEach(this::paintTuplet);
    }

    private double headX(Rhythm.Stroke stroke) {
        return x.applyAsDouble(stroke.value().onset()) - Glyph.BLACK.width() / 2 * space;
    }

    private double stemX(Rhythm.Stroke stroke) {
        return headX(stroke) + (Glyph.BLACK.width() - STEM / 2) * space;
    }

    private void glyph(Glyph glyph, double atX, double atY) {
        marks.add(new Mark.Text(atX, atY, glyph.text(), Face.MUSIC, EM * space, Shade.INK));
    }

    private void paintRest(Rhythm.Stroke stroke, String type) {
        boolean wholeBar = rhythm.strokes().size() == 1;
        double left = wholeBar ? (begin + end - Glyph.rest(type).width() * space) / 2 : headX(stroke);
        glyph(Glyph.rest(type), left, y - space);
        paintDots(stroke, left + Glyph.rest(type).width() * space, y - space);
    }

    private void paintNote(Rhythm.Stroke stroke, String type, boolean beamed) {
        Glyph head = Glyph.head(type);
        glyph(head, headX(stroke), y);
        paintDots(stroke, headX(stroke) + head.width() * space, y);
        if (!type.equals("whole")) {
            double stem = stemX(stroke);
            double top = y - HEIGHT * space;
            marks.add(new Mark.Line(stem, y, stem, top, STEM * space, Shade.INK));
            if (!beamed) {
                Glyph.flag(stroke.value().beams(), true).ifPresent(flag -> glyph(flag, stem - STEM / 2 * space, top));
            }
        }
    }

    private void paintDots(Rhythm.Stroke stroke, double after, double atY) {
        for (int dot = 0; dot < stroke.value().value().dots(); dot++) {
            glyph(Glyph.DOT, after + (0.3 + 0.6 * dot) * space, atY - 0.5 * space);
        }
    }

    /** From the value before, or from the bar line. */
    private void paintTie(Rhythm.Stroke stroke, int index) {
        double to = headX(stroke) + Glyph.BLACK.width() / 2 * space;
        double from = index == 0
                ? Math.max(begin, to - 2 * space)
                : headX(rhythm.strokes().get(index - 1)) + Glyph.BLACK.width() / 2 * space;
        marks.add(new Mark.Arc(from, to, y + TIE_AT * space, -0.5 * space, STEM * space, Shade.INK));
    }

    private void paintTuplet(Grouping.Run run) {
        Rhythm.Stroke first = rhythm.strokes().get(run.first());
        String number = String.valueOf(first.value().value().actual());
        double size = TUPLET * space;
        double middle = (stemX(first) + stemX(rhythm.strokes().get(run.last()))) / 2;
        double left = middle - Face.BOLD.width(number, size) / 2;
        marks.add(new Mark.Text(left, y - (HEIGHT + 0.35) * space, number, Face.BOLD, size, Shade.INK));
    }
}

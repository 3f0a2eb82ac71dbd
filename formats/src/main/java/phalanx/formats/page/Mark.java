package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.awt.geom.Rectangle2D;
import java.util.Objects;
import java.util.Optional;

/** Something drawn on a page. Places are points (1/72 inch) from its upper left corner, y downwards. */
public sealed interface Mark {
    /** The box of its ink. */
    Rectangle2D box();

    /** A straight line with flat ends. */
    record Line(double x1, double y1, double x2, double y2, double width, Shade shade) implements Mark {
        @Override
        public Rectangle2D box() {
            double across = y1 == y2 ? 0 : width / 2;
            double along = x1 == x2 ? 0 : width / 2;
            return new Rectangle2D.Double(
                    Math.min(x1, x2) - across,
                    Math.min(y1, y2) - along,
                    Math.abs(x2 - x1) + 2 * across,
                    Math.abs(y2 - y1) + 2 * along);
        }
    }

    /**
     * A rectangle, or, with a corner as large as half its side, a circle.
     *
     * @param corner radius of its corners
     * @param fill its inside, if it is filled
     * @param edge its outline, if it has one
     * @param edgeWidth of the outline
     */
    record Box(
            double x,
            double y,
            double width,
            double height,
            double corner,
            Optional<Shade> fill,
            Optional<Shade> edge,
            double edgeWidth)
            implements Mark {
        public Box {
            Objects.requireNonNull(fill, "fill");
            Objects.requireNonNull(edge, "edge");
        }

        @Override
        public Rectangle2D box() {
            return frame(x, y, width, height, edge.isPresent() ? edgeWidth / 2 : 0);
        }
    }

    /** A square on its corner, white inside. */
    record Diamond(double x, double y, double half, double edgeWidth, Shade edge) implements Mark {
        @Override
        public Rectangle2D box() {
            return frame(x - half, y - half, 2 * half, 2 * half, edgeWidth / 2);
        }
    }

    /** A bow over two places at one height; with a height below zero it hangs under them. */
    record Arc(double x1, double x2, double y, double height, double width, Shade shade) implements Mark {
        @Override
        public Rectangle2D box() {
            return frame(x1, y - Math.max(0, height), x2 - x1, Math.abs(height), width / 2);
        }
    }

    /**
     * A line of text.
     *
     * @param x its left end
     * @param baseline on which it stands
     * @param size of the type, in points
     */
    record Text(double x, double baseline, String text, Face face, double size, Shade shade) implements Mark {
        public Text {
            Objects.requireNonNull(text, "text");
            if (!(size > 0)) {
                throw new IllegalArgumentException(wording("Mark.type-of-points", size));
            }
        }

        public double width() {
            return face.width(text, size);
        }

        @Override
        public Rectangle2D box() {
            Rectangle2D all = new Rectangle2D.Double(x, baseline, 0, 0);
            double at = x;
            for (Face.Run run : face.runs(text, size)) {
                Rectangle2D ink = run.outline().getBounds2D();
                if (!ink.isEmpty()) {
                    ink.setRect(at + ink.getX(), baseline + ink.getY(), ink.getWidth(), ink.getHeight());
                    all = all.isEmpty() ? ink : all.createUnion(ink);
                }
                at += run.width();
            }
            return all;
        }
    }

    private static Rectangle2D frame(double x, double y, double width, double height, double more) {
        return new Rectangle2D.Double(x - more, y - more, width + 2 * more, height + 2 * more);
    }
}

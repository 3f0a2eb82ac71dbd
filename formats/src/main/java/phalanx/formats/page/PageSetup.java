package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.words.Words;

/**
 * How pages are laid out.
 *
 * @param paper their size
 * @param marginMm left free at every edge, {@value #LEAST_MARGIN} to {@value #MOST_MARGIN}
 * @param spaceMm between two strings of the tablature, which the size of all else follows, {@value #SMALLEST} to
 *     {@value #LARGEST}
 * @param barsPerLine at most so many bars a line, to {@value #MOST_BARS}; 0 for as many as go well
 * @param leftHanded whether necks have the nut at the right
 * @param staff whether standard notation stands over the tablature
 * @param once whether bars of a section that comes again with the very same notes are only named
 */
public record PageSetup(
        Paper paper,
        double marginMm,
        double spaceMm,
        int barsPerLine,
        boolean leftHanded,
        boolean staff,
        boolean once) {
    public static final double LEAST_MARGIN = 5;
    public static final double MOST_MARGIN = 40;
    public static final double SMALLEST = 1.5;
    public static final double LARGEST = 5;
    public static final int MOST_BARS = 12;
    private static final double NARROWEST = 60;
    /** On a sheet of A4. */
    public static final PageSetup USUAL = new PageSetup(Paper.A4, 18, 2.6, 0, false, false, false);

    static final double POINTS_PER_MM = 72 / 25.4;

    /** Sizes of paper: ISO 216, ANSI/ASME Y14.1, and a strip as wide as a telephone, cut off where nothing more stands. */
    public enum Paper {
        A4("A4", 210, 297),
        LETTER("Letter", 215.9, 279.4),
        PHONE("phone", 90, 2000);

        private final String word;
        private final double widthMm;
        private final double heightMm;

        Paper(String word, double widthMm, double heightMm) {
            this.word = word;
            this.widthMm = widthMm;
            this.heightMm = heightMm;
        }

        /** What files and commands call it, in every language. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }

        /** Whether it ends where what is on it does. */
        boolean strip() {
            return this == PHONE;
        }

        double width() {
            return widthMm * POINTS_PER_MM;
        }

        double height() {
            return heightMm * POINTS_PER_MM;
        }
    }

    public PageSetup {
        Objects.requireNonNull(paper, "paper");
        if (!(marginMm >= LEAST_MARGIN && marginMm <= MOST_MARGIN)) {
            throw new IllegalArgumentException(
                    wording("PageSetup.a-margin-is-to-mm", LEAST_MARGIN, MOST_MARGIN, marginMm));
        }
        if (paper.widthMm - 2 * marginMm < NARROWEST) {
            throw new IllegalArgumentException(wording("PageSetup.a-margin-of-mm-leaves", marginMm, paper.widthMm));
        }
        if (!(spaceMm >= SMALLEST && spaceMm <= LARGEST)) {
            throw new IllegalArgumentException(
                    wording("PageSetup.strings-stand-to-mm-apart", SMALLEST, LARGEST, spaceMm));
        }
        if (barsPerLine < 0 || barsPerLine > MOST_BARS) {
            throw new IllegalArgumentException(wording("PageSetup.0-to-bars-a-line", MOST_BARS, barsPerLine));
        }
    }

    /** On other paper; a phone has narrow margins. */
    public PageSetup on(Paper other) {
        return new PageSetup(
                other, other == Paper.PHONE ? LEAST_MARGIN : marginMm, spaceMm, barsPerLine, leftHanded, staff, once);
    }

    public PageSetup withMargin(double mm) {
        return new PageSetup(paper, mm, spaceMm, barsPerLine, leftHanded, staff, once);
    }

    public PageSetup withSpace(double mm) {
        return new PageSetup(paper, marginMm, mm, barsPerLine, leftHanded, staff, once);
    }

    public PageSetup withBars(int most) {
        return new PageSetup(paper, marginMm, spaceMm, most, leftHanded, staff, once);
    }

    public PageSetup forLeftHanded(boolean now) {
        return new PageSetup(paper, marginMm, spaceMm, barsPerLine, now, staff, once);
    }

    public PageSetup withStaff(boolean now) {
        return new PageSetup(paper, marginMm, spaceMm, barsPerLine, leftHanded, now, once);
    }

    public PageSetup withOnce(boolean now) {
        return new PageSetup(paper, marginMm, spaceMm, barsPerLine, leftHanded, staff, now);
    }

    double left() {
        return marginMm * POINTS_PER_MM;
    }

    double right() {
        return paper.width() - left();
    }

    double top() {
        return left();
    }

    double bottom() {
        return paper.height() - left();
    }

    double space() {
        return spaceMm * POINTS_PER_MM;
    }
}

package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.List;

/**
 * A page that is laid out.
 *
 * @param width in points
 * @param height in points
 * @param marks in the order in which they are drawn
 */
public record Page(double width, double height, List<Mark> marks) {
    public Page {
        marks = List.copyOf(marks);
        if (!(width > 0) || !(height > 0)) {
            throw new IllegalArgumentException(wording("Page.a-page-of-by", width, height));
        }
    }

    /** Whether a staff stands on it: each begins with a clef. */
    public boolean hasStaff() {
        return marks.stream()
                .anyMatch(mark -> mark instanceof Mark.Text text && text.text().equals(Glyph.CLEF.text()));
    }
}

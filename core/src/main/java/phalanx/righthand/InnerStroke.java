package phalanx.righthand;

import java.util.Objects;
import java.util.Optional;

/**
 * An inner note, or a brush, that the fingers are asked for.
 *
 * @param tick when
 * @param row the pattern's row; none where any inner string will do
 * @param digit the digit that the pattern wants, if it names one
 * @param weight how loud
 * @param up whether a brush goes upwards
 * @param covers how many strokes of the pattern it stands for: more than one where a brush takes a block's place
 */
public record InnerStroke(
        int tick, Optional<PatternRow> row, Optional<Digit> digit, Weight weight, boolean up, int covers) {
    public InnerStroke {
        Objects.requireNonNull(row, "row");
        Objects.requireNonNull(digit, "digit");
        Objects.requireNonNull(weight, "weight");
    }

    /** One on any string. */
    public static InnerStroke anywhere(int tick) {
        return new InnerStroke(tick, Optional.empty(), Optional.empty(), Weight.PLAIN, false, 1);
    }

    public boolean isBrush() {
        return row.filter(own -> own == PatternRow.BRUSH).isPresent();
    }
}

package phalanx.righthand;

import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import phalanx.technique.HitKind;

/**
 * A stroke of a pattern.
 *
 * @param step when, in steps of the grid from 0
 * @param row what for
 * @param digit the digit that the pattern wants; the school's choice where it names none
 * @param weight how loud
 * @param up whether a brush goes from the top string down to the lowest
 * @param hit the sound of a hit
 */
public record PatternStroke(
        int step, PatternRow row, Optional<Digit> digit, Weight weight, boolean up, Optional<HitKind> hit) {
    public PatternStroke {
        Objects.requireNonNull(row, "row");
        Objects.requireNonNull(digit, "digit");
        Objects.requireNonNull(weight, "weight");
        if (step < 0 || hit.isPresent() != (row == PatternRow.HIT)) {
            throw new IllegalArgumentException("a stroke of row " + row.label() + " at step " + step);
        }
    }

    /** A plain stroke by the school's choice of digit. */
    public static PatternStroke plain(int step, PatternRow row) {
        return new PatternStroke(step, row, Optional.empty(), Weight.PLAIN, false, Optional.empty());
    }

    /** The sign it has in the text form and on the grid. */
    public String sign() {
        boolean loud = weight == Weight.ACCENT;
        String sign;
        if (hit.isPresent()) {
            sign = String.valueOf(hit.get().letter());
        } else if (row == PatternRow.BRUSH) {
            sign = up ? "u" : "d";
        } else if (weight == Weight.GHOST) {
            return "o";
        } else {
            sign = digit.map(Digit::symbol).orElse("x");
        }
        return loud ? sign.toUpperCase(Locale.ROOT) : sign;
    }
}

package phalanx.righthand;

import static phalanx.words.Words.wording;

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
 * @param manner how it is made
 * @param hit the sound of a hit
 */
public record PatternStroke(
        int step, PatternRow row, Optional<Digit> digit, Weight weight, Manner manner, Optional<HitKind> hit) {
    public PatternStroke {
        Objects.requireNonNull(row, "row");
        Objects.requireNonNull(digit, "digit");
        Objects.requireNonNull(weight, "weight");
        Objects.requireNonNull(manner, "manner");
        boolean finger = manner == Manner.HAMMERED || manner == Manner.SNAPPED;
        if (finger && !row.isInner() || manner == Manner.NAILS && row != PatternRow.BRUSH) {
            throw new IllegalArgumentException(wording("PatternStroke.a-stroke-of-row-is-made", row.word()));
        }
        if (step < 0 || hit.isPresent() != (row == PatternRow.HIT)) {
            throw new IllegalArgumentException(wording("PatternStroke.a-stroke-of-row-at", row.word(), step));
        }
    }

    /** A plain stroke by the school's choice of digit. */
    public static PatternStroke plain(int step, PatternRow row) {
        return new PatternStroke(step, row, Optional.empty(), Weight.PLAIN, Manner.DOWN, Optional.empty());
    }

    /** Whether a brush goes from the top string down to the lowest. */
    public boolean up() {
        return manner == Manner.UP;
    }

    /** The same made otherwise. */
    PatternStroke with(Manner other) {
        return new PatternStroke(step, row, digit, weight, other, hit);
    }

    /** The same as loud. */
    PatternStroke with(Weight other) {
        return new PatternStroke(step, row, digit, other, manner, hit);
    }

    /** The same by a digit. */
    PatternStroke by(Digit own) {
        return new PatternStroke(step, row, Optional.of(own), weight, manner, hit);
    }

    /** The sign it has in the text form and on the grid. */
    public String sign() {
        boolean loud = weight == Weight.ACCENT;
        String sign;
        if (hit.isPresent()) {
            sign = String.valueOf(hit.get().letter());
        } else if (row == PatternRow.BRUSH) {
            sign = up() ? "u" : manner == Manner.NAILS ? "n" : "d";
        } else if (manner == Manner.HAMMERED) {
            sign = "h";
        } else if (manner == Manner.SNAPPED) {
            sign = "s";
        } else if (weight == Weight.GHOST) {
            return "o";
        } else {
            sign = digit.map(Digit::symbol).orElse("x");
        }
        return loud ? sign.toUpperCase(Locale.ROOT) : sign;
    }
}

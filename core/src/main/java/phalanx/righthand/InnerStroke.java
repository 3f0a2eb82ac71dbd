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
 * @param manner how it is made
 * @param covers how many strokes of the pattern it stands for: more than one where a brush takes a block's place
 * @param kind what it is for
 * @param midi what it must sound, 0 where any tone of the chord will do
 * @param decided whether the player wants it by name
 */
public record InnerStroke(
        int tick,
        Optional<PatternRow> row,
        Optional<Digit> digit,
        Weight weight,
        Manner manner,
        int covers,
        Kind kind,
        int midi,
        boolean decided) {
    /** What a stroke is for. */
    public enum Kind {
        /** Part of a pattern. */
        PATTERN,
        /** What the level asks for where there is no pattern. */
        FILL,
        /** The fuller sound at the end of a phrase: at once. */
        END_BLOCK,
        /** The same, the lowest first. */
        END_ROLL,
        /** The tune's second note. */
        TUNE_BELOW
    }

    public InnerStroke {
        Objects.requireNonNull(row, "row");
        Objects.requireNonNull(digit, "digit");
        Objects.requireNonNull(weight, "weight");
        Objects.requireNonNull(manner, "manner");
        Objects.requireNonNull(kind, "kind");
    }

    /** One of a pattern. */
    public InnerStroke(
            int tick, Optional<PatternRow> row, Optional<Digit> digit, Weight weight, Manner manner, int covers) {
        this(tick, row, digit, weight, manner, covers, Kind.PATTERN, 0, false);
    }

    /** One on any string. */
    public static InnerStroke anywhere(int tick) {
        return plain(tick, Optional.empty(), Kind.FILL);
    }

    /** One that the level asks for, on the string of a row. */
    public static InnerStroke fill(int tick, PatternRow row) {
        return plain(tick, Optional.of(row), Kind.FILL);
    }

    /** One on any string at the end of a phrase. */
    public static InnerStroke end(int tick, boolean roll) {
        return plain(tick, Optional.empty(), roll ? Kind.END_ROLL : Kind.END_BLOCK);
    }

    /** The tune's second note. */
    public static InnerStroke below(int tick, int midi) {
        return new InnerStroke(
                tick, Optional.empty(), Optional.empty(), Weight.PLAIN, Manner.DOWN, 1, Kind.TUNE_BELOW, midi, false);
    }

    private static InnerStroke plain(int tick, Optional<PatternRow> row, Kind kind) {
        return new InnerStroke(tick, row, Optional.empty(), Weight.PLAIN, Manner.DOWN, 1, kind, 0, false);
    }

    /** The same, wanted by name. */
    InnerStroke wanted() {
        return new InnerStroke(tick, row, digit, weight, manner, covers, kind, midi, true);
    }

    /** Whether it is part of the fuller sound at the end of a phrase. */
    public boolean endsPhrase() {
        return kind == Kind.END_BLOCK || kind == Kind.END_ROLL;
    }

    /** Whether a brush goes upwards. */
    public boolean up() {
        return manner == Manner.UP;
    }

    public boolean isBrush() {
        return row.filter(own -> own == PatternRow.BRUSH).isPresent();
    }
}

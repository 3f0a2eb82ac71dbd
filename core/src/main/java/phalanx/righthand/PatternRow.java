package phalanx.righthand;

import java.util.Arrays;
import java.util.Optional;

/** What a stroke of a pattern is for; inner rows are counted down from the top string. */
public enum PatternRow {
    TOP("top", 1),
    HIGH("high", 2),
    MIDDLE("middle", 3),
    LOW("low", 4),
    BASS("bass", 0),
    BRUSH("brush", 0),
    HIT("hit", 0);

    private final String label;
    private final int string;

    PatternRow(String label, int string) {
        this.label = label;
        this.string = string;
    }

    public String label() {
        return label;
    }

    /** The string of an inner row where nothing is in its way. */
    public int string() {
        return string;
    }

    /** Whether a finger plucks one string for it. */
    public boolean isInner() {
        return string > 0;
    }

    static Optional<PatternRow> byLabel(String text) {
        return Arrays.stream(values()).filter(row -> row.label.equals(text)).findFirst();
    }
}

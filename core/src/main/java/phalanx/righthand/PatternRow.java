package phalanx.righthand;

import java.util.Arrays;
import java.util.Optional;
import phalanx.words.Words;

/** What a stroke of a pattern is for; inner rows are counted down from the top string. */
public enum PatternRow {
    TOP("top", 1),
    HIGH("high", 2),
    MIDDLE("middle", 3),
    LOW("low", 4),
    BASS("bass", 0),
    BRUSH("brush", 0),
    HIT("hit", 0);

    private final String word;
    private final int rank;

    PatternRow(String word, int rank) {
        this.word = word;
        this.rank = rank;
    }

    /** What patterns call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** Of an inner row: 1 is the highest string of the shape that the tune leaves free, 2 the next below it. */
    public int rank() {
        return rank;
    }

    /** Whether a finger plucks one string for it. */
    public boolean isInner() {
        return rank > 0;
    }

    static Optional<PatternRow> byWord(String text) {
        return Arrays.stream(values()).filter(row -> row.word.equals(text)).findFirst();
    }
}

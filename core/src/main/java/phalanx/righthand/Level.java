package phalanx.righthand;

import static phalanx.words.Words.wording;

import phalanx.words.Words;

/** How much is played. */
public enum Level {
    /** Thumb and tune; of a pattern only the strokes that stay clear of the tune. */
    PLAIN("plain", 3),
    /**
     * A pinch where a chord or a bar begins, and something on the off-beats under longer tune notes; a pattern as it is
     * written, the tune taking the strokes that fall with it.
     */
    EVEN("even", 4),
    /** A pinch on every beat of the tune and a stroke wherever it leaves room; a pattern with more where the tune rests. */
    FULL("full", 5);

    private final String word;

    private final int strings;

    Level(String word, int strings) {
        this.word = word;
        this.strings = strings;
    }

    /** How many strings should be to hand. */
    public int strings() {
        return strings;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** @throws IllegalArgumentException naming the three */
    public static Level parse(String name) {
        for (Level level : values()) {
            if (Words.means(level, level.word, name)) {
                return level;
            }
        }
        throw new IllegalArgumentException(wording("Level.level-is-not-known-there", name.trim()));
    }
}

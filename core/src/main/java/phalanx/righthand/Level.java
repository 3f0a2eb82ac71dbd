package phalanx.righthand;

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

    private final String label;

    private final int strings;

    Level(String label, int strings) {
        this.label = label;
        this.strings = strings;
    }

    /** How many strings should be to hand. */
    public int strings() {
        return strings;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the three */
    public static Level parse(String name) {
        for (Level level : values()) {
            if (level.label.equalsIgnoreCase(name.trim())) {
                return level;
            }
        }
        throw new IllegalArgumentException(
                "level \"" + name.trim() + "\" is not known; there are plain, even and full");
    }
}

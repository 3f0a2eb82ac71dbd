package phalanx.arrange.score;

/** How a note is struck. */
public enum Technique {
    PLUCK("pluck"),
    /** In one stroke with other strings. */
    BRUSH("brush"),
    /** At once with others, by a finger each. */
    BLOCK("block"),
    /** One after another with others, the lowest first. */
    ROLL("roll"),
    /** By the thumb on its way back. */
    UPSTROKE("upstroke");

    private final String label;

    Technique(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}

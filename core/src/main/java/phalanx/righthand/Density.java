package phalanx.righthand;

/** How much of a pattern is played, without rewriting it. */
public enum Density {
    /** Only strokes that stay clear of the tune. */
    THIN("thin"),
    /** As the pattern is written; the tune takes the strokes that fall with it. */
    AS_WRITTEN("as written"),
    /** With more strokes where the tune rests or holds. */
    FULL("full");

    private final String label;

    Density(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the three */
    public static Density parse(String name) {
        for (Density density : values()) {
            if (density.label.equalsIgnoreCase(name.trim())) {
                return density;
            }
        }
        throw new IllegalArgumentException(
                "density \"" + name.trim() + "\" is not known; there are thin, as written and full");
    }
}

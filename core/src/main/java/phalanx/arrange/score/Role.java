package phalanx.arrange.score;

/** What a note is for. */
public enum Role {
    BASS("bass"),
    INNER("inner"),
    MELODY("melody");

    private final String label;

    Role(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}

package phalanx.arrange.demand;

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

    /**
     * The role of a word.
     *
     * @throws IllegalArgumentException naming the words there are
     */
    public static Role parse(String text) {
        for (Role role : values()) {
            if (role.label.equals(text)) {
                return role;
            }
        }
        throw new IllegalArgumentException("role \"" + text + "\" is not known; there are bass, inner, melody");
    }
}

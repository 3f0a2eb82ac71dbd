package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import phalanx.words.Words;

/** What a note is for. */
public enum Role {
    BASS("bass"),
    INNER("inner"),
    MELODY("melody");

    private final String word;

    Role(String word) {
        this.word = word;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /**
     * The role of a word.
     *
     * @throws IllegalArgumentException naming the words there are
     */
    public static Role parse(String text) {
        for (Role role : values()) {
            if (role.word.equals(text)) {
                return role;
            }
        }
        throw new IllegalArgumentException(wording("Role.role-is-not-known-there", text));
    }
}

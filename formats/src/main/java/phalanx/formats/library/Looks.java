package phalanx.formats.library;

/**
 * How the player wants to see everything.
 *
 * @param theme by its name
 * @param percent how large everything is, {@value #SMALLEST} to {@value #LARGEST} hundredths of the usual size
 * @param leftHanded whether necks have the nut at the right
 * @param still whether nothing moves but what the player moves
 * @param language what is spoken, by its two letters; empty for that of the system
 * @param notes what notes are called, by the word of {@link phalanx.theory.NoteNames}
 */
public record Looks(String theme, int percent, boolean leftHanded, boolean still, String language, String notes) {
    public static final int SMALLEST = 80;
    public static final int LARGEST = 200;

    /** What a first start has. */
    public static final Looks FIRST = new Looks("Spruce", 100, false, false, "", "english");

    /** Settings are a comfort: what cannot be is as at a first start. */
    public Looks {
        theme = theme == null ? "Spruce" : theme;
        notes = notes == null ? "english" : notes;
        language = language == null ? "" : language;
        percent = percent < SMALLEST || percent > LARGEST ? 100 : percent;
    }
}

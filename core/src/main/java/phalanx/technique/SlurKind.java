package phalanx.technique;

/**
 * Ways in which the left hand alone makes a note from the one before on its string. The limits are our assumptions.
 *
 * @see Attack.Slur
 */
public enum SlurKind {
    /** A finger comes down on a higher fret: 50 ms after the pluck at least, or the first note is not heard. */
    HAMMER("hammer", "h", 50, 1, 4, "a finger comes down on a higher fret of the ringing string"),
    /** A finger leaves its fret sideways; what is below it, held or open, sounds. */
    PULL("pull", "p", 50, 1, 4, "a finger leaves sideways and lets a lower fret or the open string sound"),
    /** One finger travels along the ringing string. */
    SLIDE("slide", "/", 70, 1, 5, "the same finger stays on the string and travels to another fret"),
    /** One finger pushes the ringing string aside on its fret. */
    BEND("bend", "b", 80, 1, 2, "the same finger stays on its fret and pushes the string aside until it sounds higher");

    private final String label;
    private final String sign;
    private final double leastMs;
    private final int leastFrets;
    private final int mostFrets;
    private final String words;

    SlurKind(String label, String sign, double leastMs, int leastFrets, int mostFrets, String words) {
        this.label = label;
        this.sign = sign;
        this.leastMs = leastMs;
        this.leastFrets = leastFrets;
        this.mostFrets = mostFrets;
        this.words = words;
    }

    public String label() {
        return label;
    }

    /** The sign between two frets in tablature and score. */
    public String sign() {
        return sign;
    }

    /** How long the note before must have sounded, in milliseconds. */
    public double leastMs() {
        return leastMs;
    }

    /** By how many frets at least. */
    public int leastFrets() {
        return leastFrets;
    }

    /** By how many frets at most: beyond it the second note is too weak, or the finger too far. */
    public int mostFrets() {
        return mostFrets;
    }

    /** What the left hand does. */
    public String words() {
        return words;
    }

    /** Whether a step of so many frets in pitch, upwards positive, is one of this kind. */
    public boolean spans(int frets) {
        boolean direction = this == SLIDE || (this == PULL ? frets < 0 : frets > 0);
        return direction && Math.abs(frets) >= leastFrets && Math.abs(frets) <= mostFrets;
    }
}

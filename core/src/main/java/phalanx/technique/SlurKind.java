package phalanx.technique;

import static phalanx.words.Words.wording;

import phalanx.words.Words;

/**
 * Ways in which the left hand alone makes a note from the one before on its string. The limits are our assumptions.
 *
 * @see Attack.Slur
 */
public enum SlurKind {
    /** A finger comes down on a higher fret: 50 ms after the pluck at least, or the first note is not heard. */
    HAMMER("hammer", "h", 50, 1, 4, wording("SlurKind.a-finger-comes-down-on")),
    /** A finger leaves its fret sideways; what is below it, held or open, sounds. */
    PULL("pull", "p", 50, 1, 4, wording("SlurKind.a-finger-leaves-sideways-and")),
    /** One finger travels along the ringing string. */
    SLIDE("slide", "/", 70, 1, 5, wording("SlurKind.the-same-finger-stays-on")),
    /** One finger pushes the ringing string aside on its fret. */
    BEND("bend", "b", 80, 1, 2, wording("SlurKind.the-same-finger-stays-on-2")),
    /** The finger that has bent the string lets it go back. */
    RELEASE("release", "r", 80, 1, 2, wording("SlurKind.the-finger-that-has-bent"));

    private final String word;
    private final String sign;
    private final double leastMs;
    private final int leastFrets;
    private final int mostFrets;
    private final String words;

    SlurKind(String word, String sign, double leastMs, int leastFrets, int mostFrets, String words) {
        this.word = word;
        this.sign = sign;
        this.leastMs = leastMs;
        this.leastFrets = leastFrets;
        this.mostFrets = mostFrets;
        this.words = words;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
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
        boolean direction = this == SLIDE || (this == PULL || this == RELEASE ? frets < 0 : frets > 0);
        return direction && Math.abs(frets) >= leastFrets && Math.abs(frets) <= mostFrets;
    }
}

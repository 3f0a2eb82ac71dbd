package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.stream.Collectors;
import phalanx.words.Words;

/** What the thumb plays. */
public enum BassLine {
    ALTERNATING("alternating", wording("BassLine.root-then-another-chord-tone")),
    ROUND("round of three", wording("BassLine.root-middle-string-low-string")),
    STEADY("steady root", wording("BassLine.the-root-on-every-thumb")),
    HALVES("half notes", wording("BassLine.every-second-beat-root-and")),
    ON_CHANGE("on the change", wording("BassLine.the-root-where-the-chord")),
    PEDAL("pedal", wording("BassLine.the-keynote-under-all-chords")),
    OCTAVES("octaves", wording("BassLine.the-root-low-and-an")),
    WALKING("walking", wording("BassLine.a-note-a-beat-the")),
    PUSH("push", wording("BassLine.on-the-beat-and-an")),
    NONE("none", wording("BassLine.nothing-a-bassist-plays-and"));

    private final String word;
    private final String words;

    BassLine(String word, String words) {
        this.word = word;
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

    /** What it does, in a few words. */
    public String words() {
        return words;
    }

    /** Whether it has a rhythm of its own, in place of the pattern's thumb strokes. */
    boolean hasOwnRhythm() {
        return this == HALVES || this == ON_CHANGE || this == WALKING || this == PUSH;
    }

    /** @throws IllegalArgumentException naming the lines there are */
    public static BassLine parse(String name) {
        return Arrays.stream(values())
                .filter(line -> Words.means(line, line.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "BassLine.bass-line-is-not-known",
                        name.trim(),
                        Arrays.stream(values()).map(BassLine::label).collect(Collectors.joining(", ")))));
    }
}

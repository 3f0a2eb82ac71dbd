package phalanx.righthand;

import java.util.Arrays;
import java.util.stream.Collectors;

/** What the thumb plays. */
public enum BassLine {
    ALTERNATING("alternating", "root, then another chord tone on a neighbouring string, in turn"),
    ROUND("round of three", "root, middle string, low string, middle string"),
    STEADY("steady root", "the root on every thumb stroke"),
    HALVES("half notes", "every second beat, root and fifth in turn"),
    ON_CHANGE("on the change", "the root where the chord changes, ringing on"),
    PEDAL("pedal", "the keynote under all chords"),
    OCTAVES("octaves", "the root, low and an octave higher in turn"),
    WALKING("walking", "a note a beat: the root, tones of chord and key, the last a step from the next root"),
    PUSH("push", "on the beat and an eighth before the half bar, pushed into the next chord"),
    NONE("none", "nothing: a bassist plays, and roots may go");

    private final String label;
    private final String words;

    BassLine(String label, String words) {
        this.label = label;
        this.words = words;
    }

    public String label() {
        return label;
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
                .filter(line -> line.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("bass line \"" + name.trim()
                        + "\" is not known; there are "
                        + Arrays.stream(values()).map(BassLine::label).collect(Collectors.joining(", "))));
    }
}

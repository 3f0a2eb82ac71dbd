package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.stream.Collectors;
import phalanx.words.Words;

/** What the left hand keeps down while a chord lasts. */
public enum Holding {
    /** Whole shapes of the chords where the tune is sung or there is none; by cost where it is played. */
    BY_TUNE("by tune"),
    /** Whole shapes of the chords, as players print them, with a finger moved, lifted or added for the tune. */
    CHORD("chord"),
    /** What tune, bass and inner notes need, and no more. */
    FREE("free");

    private final String word;

    Holding(String word) {
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

    /** @throws IllegalArgumentException naming the choices there are */
    public static Holding parse(String name) {
        return Arrays.stream(values())
                .filter(holding -> Words.means(holding, holding.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "Holding.hold-is-not-known-there",
                        name.trim(),
                        Arrays.stream(values()).map(Holding::label).collect(Collectors.joining(", ")))));
    }
}

package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.stream.Collectors;
import phalanx.words.Words;

/** Who has the tune. */
public enum TuneUse {
    /** The hand plays it, above an accompaniment that makes room for it. */
    PLAYED("played"),
    /** A voice sings it: shown and kept, not played; the hand has the whole pattern. */
    SUNG("sung"),
    /** There is none: chords alone. */
    NONE("none");

    private final String word;

    TuneUse(String word) {
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
    public static TuneUse parse(String name) {
        return Arrays.stream(values())
                .filter(use -> Words.means(use, use.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "TuneUse.tune-is-not-known-there",
                        name.trim(),
                        Arrays.stream(values()).map(TuneUse::label).collect(Collectors.joining(", ")))));
    }
}

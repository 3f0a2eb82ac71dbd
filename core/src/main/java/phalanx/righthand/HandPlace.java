package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import phalanx.words.Words;

/** Where the right hand rests while it plays. */
public enum HandPlace {
    FREE("free hand"),
    /** The heel lies on the bridge: the bass can be damped. */
    HEEL("heel on the bridge"),
    /** A digit rests on the top, or digits wait on their strings. */
    PLANTED("planted digits");

    private final String word;

    HandPlace(String word) {
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

    /** @throws IllegalArgumentException if there is no such place */
    public static HandPlace parse(String name) {
        return Arrays.stream(values())
                .filter(place -> Words.means(place, place.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording("HandPlace.is-no-place-of-the", name)));
    }
}

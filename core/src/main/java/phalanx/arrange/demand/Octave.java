package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import phalanx.words.Words;

/** In which octave the tune is played. */
public enum Octave {
    /** Where the whole arrangement costs least; as written when that costs little more. */
    BEST("best", OptionalInt.empty()),
    AS_WRITTEN("as-written", OptionalInt.of(0)),
    DOWN("-1", OptionalInt.of(-1)),
    UP("+1", OptionalInt.of(1));

    private final String word;
    private final OptionalInt moved;

    Octave(String word, OptionalInt moved) {
        this.word = word;
        this.moved = moved;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** By how many octaves the tune moves; nothing where that is to be found out. */
    public OptionalInt moved() {
        return moved;
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static Octave parse(String name) {
        return Arrays.stream(values())
                .filter(octave -> Words.means(octave, octave.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "Octave.octave-is-not-known-there",
                        name.trim(),
                        Arrays.stream(values()).map(Octave::label).collect(Collectors.joining(", ")))));
    }
}

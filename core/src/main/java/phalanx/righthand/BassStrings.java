package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.stream.Collectors;
import phalanx.words.Words;

/** Which string the thumb should go to between the roots, where the hand leaves it a choice. */
public enum BassStrings {
    /** Whichever is nearest and easiest. */
    AS_IT_LIES("as it lies"),
    ABOVE("neighbour above"),
    BELOW("neighbour below"),
    LOWEST("lowest string"),
    ANOTHER("another string");

    private final String word;

    BassStrings(String word) {
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
     * Whether a step of the thumb is as it should be.
     *
     * @param before the string it comes from
     * @param after the one it goes to
     * @param strings how many the guitar has
     */
    public boolean agrees(int before, int after, int strings) {
        return switch (this) {
            case AS_IT_LIES -> true;
            case ABOVE -> after < before;
            case BELOW -> after > before || before == strings && after < before;
            case LOWEST -> after == strings || before == strings;
            case ANOTHER -> after != before;
        };
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static BassStrings parse(String name) {
        return Arrays.stream(values())
                .filter(choice -> Words.means(choice, choice.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "BassStrings.is-no-choice-of-bass",
                        name.trim(),
                        Arrays.stream(values()).map(BassStrings::label).collect(Collectors.joining(", ")))));
    }
}

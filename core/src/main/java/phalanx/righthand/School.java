package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * Which digits a player plucks with, and the strings where they are at home. Common practice, no source; for the pick
 * with m and a the home strings are our assumption.
 */
public enum School {
    THUMB_AND_TWO("thumb and two", Map.of(Digit.I, 3, Digit.M, 2)),
    THUMB_AND_THREE("thumb and three", Map.of(Digit.I, 3, Digit.M, 2, Digit.A, 1)),
    THUMB_AND_FOUR("thumb and four", Map.of(Digit.I, 4, Digit.M, 3, Digit.A, 2, Digit.C, 1)),
    THUMB_AND_INDEX("thumb and index", Map.of(Digit.I, 2)),
    PICK_AND_FINGERS("pick and fingers", Map.of(Digit.M, 2, Digit.A, 1));

    private final String word;
    private final Map<Digit, Integer> home;
    private final List<Digit> digits;

    School(String word, Map<Digit, Integer> home) {
        this.word = word;
        this.home = home;
        this.digits = Arrays.stream(Digit.values())
                .filter(digit -> digit == Digit.P || home.containsKey(digit))
                .toList();
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** In string order, p first; with a pick, p is the pick. */
    public List<Digit> digits() {
        return digits;
    }

    /** The string a finger waits on; for p the lowest of its three. */
    public int home(Digit digit) {
        return digit == Digit.P ? 5 : home.get(digit);
    }

    /** What the digit is called in this school. */
    public String word(Digit digit) {
        return this == PICK_AND_FINGERS && digit == Digit.P ? wording("School.pick") : digit.word();
    }

    /**
     * The school of a name.
     *
     * @throws IllegalArgumentException naming the schools there are
     */
    public static School parse(String name) {
        return Arrays.stream(values())
                .filter(school -> Words.means(school, school.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "School.school-is-not-known-there",
                        name.trim(),
                        Arrays.stream(values()).map(School::label).collect(Collectors.joining(", ")))));
    }
}

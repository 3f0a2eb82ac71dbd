package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import phalanx.guitar.Instrument;
import phalanx.words.Words;

/** Which shapes of a chord are looked for by the strings that they sound. */
public enum Voicing {
    ANY("any"),
    /** Four strings or more side by side, the bass on the lower half. */
    WHOLE("whole shapes"),
    /** A triad on strings 4 3 2 over one bass note below them. */
    TRIAD_432("triad on 4 3 2 over the bass"),
    TRIAD_321("triad on 3 2 1 over the bass");

    private static final int TRIAD = 3;
    /** Major, minor, diminished and augmented triads on each root, as sets of pitch classes. */
    private static final Set<Integer> TRIADS = Stream.of(
                    new int[] {0, 4, 7}, new int[] {0, 3, 7}, new int[] {0, 3, 6}, new int[] {0, 4, 8})
            .flatMap(triad -> IntStream.range(0, 12).mapToObj(root -> IntStream.of(triad)
                    .map(tone -> 1 << (root + tone) % 12)
                    .sum()))
            .collect(Collectors.toSet());

    private final String word;

    Voicing(String word) {
        this.word = word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    public boolean admits(Shape shape, Instrument instrument) {
        return switch (this) {
            case ANY -> true;
            case WHOLE -> ShapeOrder.isFull(shape);
            case TRIAD_432 -> isTriad(shape, instrument, 2);
            case TRIAD_321 -> isTriad(shape, instrument, 1);
        };
    }

    /** Whether three strings from one on sound a triad, none above them, and one below them the bass. */
    private static boolean isTriad(Shape shape, Instrument instrument, int highest) {
        int lowest = highest + TRIAD - 1;
        long above = IntStream.range(1, highest).filter(shape::sounds).count();
        long below = IntStream.rangeClosed(lowest + 1, shape.strings())
                .filter(shape::sounds)
                .count();
        int tones = IntStream.rangeClosed(highest, lowest)
                .filter(shape::sounds)
                .map(string -> 1 << instrument.midi(string, shape.fret(string)) % 12)
                .reduce(0, (a, b) -> a | b);
        return above == 0 && below == 1 && TRIADS.contains(tones);
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static Voicing parse(String name) {
        return Arrays.stream(values())
                .filter(choice -> Words.means(choice, choice.word, name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "Voicing.is-no-kind-of-shape",
                        name.trim(),
                        Arrays.stream(values()).map(Voicing::label).collect(Collectors.joining(", ")))));
    }
}

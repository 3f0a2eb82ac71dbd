package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/**
 * The open pitches of a guitar as MIDI numbers, from the lowest string (6 on six strings) to string 1.
 *
 * @param open 4 to 10 pitches
 */
public record Tuning(List<Integer> open) {
    public static final int FEWEST_STRINGS = 4;
    public static final int MOST_STRINGS = 10;
    private static final int LOWEST_MIDI = 12;
    private static final int HIGHEST_MIDI = 96;
    private static final int USUAL_TOP_MIDI = 64;

    public static final Tuning STANDARD = new Tuning(List.of(40, 45, 50, 55, 59, 64));

    public Tuning {
        open = List.copyOf(open);
        if (open.size() < FEWEST_STRINGS || open.size() > MOST_STRINGS) {
            throw new IllegalArgumentException(wording("Tuning.a-tuning-has-4-to", open.size()));
        }
        for (int midi : open) {
            if (midi < LOWEST_MIDI || midi > HIGHEST_MIDI) {
                throw new IllegalArgumentException(wording("Tuning.an-open-string-at-midi", midi));
            }
        }
        checkOrder(open);
    }

    /** A string or two may lie higher than its neighbour, as in octave stringing; a list upside down is a mistake. */
    private static void checkOrder(List<Integer> open) {
        long falling = IntStream.range(1, open.size())
                .filter(i -> open.get(i) < open.get(i - 1))
                .count();
        if (2 * falling > open.size() - 1) {
            throw new IllegalArgumentException(wording("Tuning.the-tuning-goes-from-high", open, open.size()));
        }
    }

    /**
     * Reads {@code D A D G B E}, {@code DADGBE}, {@code D2 A2 D3 G3 B3 E4} or the name of a {@link NamedTuning}.
     * Without octaves six strings take the pitches nearest to standard; other counts are stacked down from the one
     * nearest to E4.
     *
     * @throws IllegalArgumentException saying which entry is not understood
     */
    public static Tuning parse(String text) {
        Optional<NamedTuning> named = NamedTuning.byName(text);
        if (named.isPresent()) {
            return named.get().tuning();
        }
        String[] words = text.trim().replace(',', ' ').split("\\s+");
        if (words.length == 1) {
            words = text.trim().split("(?=[A-G])");
        }
        String[] strings = words;
        if (Arrays.stream(strings).anyMatch(word -> word.matches(".*\\d"))) {
            return new Tuning(
                    Arrays.stream(strings).map(word -> Pitch.parse(word).midi()).toList());
        }
        List<Integer> classes = Arrays.stream(strings)
                .map(word -> Note.parse(word).pitchClass())
                .toList();
        return new Tuning(classes.size() == 6 ? nearestToStandard(classes) : stackedFromTop(classes));
    }

    private static List<Integer> nearestToStandard(List<Integer> classes) {
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < classes.size(); i++) {
            open.add(nearest(classes.get(i), STANDARD.open.get(i)));
        }
        return open;
    }

    private static List<Integer> stackedFromTop(List<Integer> classes) {
        List<Integer> open = new ArrayList<>();
        int above = nearest(classes.get(classes.size() - 1), USUAL_TOP_MIDI);
        open.add(above);
        for (int i = classes.size() - 2; i >= 0; i--) {
            int down = Math.floorMod(above - classes.get(i), 12);
            above -= down == 0 ? 12 : down;
            open.add(0, above);
        }
        return open;
    }

    /** The pitch of a class nearest to a target; a tritone goes down, since strings are safer slackened. */
    private static int nearest(int pitchClass, int target) {
        int up = Math.floorMod(pitchClass - target, 12);
        return up < 6 ? target + up : target + up - 12;
    }

    public int strings() {
        return open.size();
    }

    /**
     * Open pitch of a string.
     *
     * @param string 1 for the highest-numbered position at the treble side, up to {@link #strings()}
     */
    public int midi(int string) {
        return open.get(open.size() - string);
    }

    /** Its known name, else its notes. */
    public String label() {
        return NamedTuning.of(this).map(NamedTuning::label).orElseGet(() -> Note.said(notes()));
    }

    /** The notes from the lowest string, such as {@code D A D G B E}. */
    public String notes() {
        return open.stream()
                .map(midi -> Pitch.of(midi, Key.C_MAJOR).note().toString())
                .collect(Collectors.joining(" "));
    }
}

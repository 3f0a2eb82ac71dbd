package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.guitar.Instrument;
import phalanx.theory.Key;
import phalanx.words.Words;

/**
 * Touched harmonics woven with plain notes over a held shape. Usually plain string s and touched string s + 2 by turns,
 * from the bass: over six strings 4 6* 3 5* 2 4* 1 3*. A plain note may be stopped some frets above the shape and pulled
 * off to it: 6* 4+2 makes three notes.
 *
 * @param steps in the order of playing
 */
public record Cascade(List<Step> steps) {
    private static final Pattern STEP = Pattern.compile("(\\d{1,2})(\\*|\\+([1-4]))?");
    private static final int APART = 2;

    /**
     * A note of it.
     *
     * @param string which
     * @param fret that is stopped there, relative to the capo
     * @param above by how many frets that is above the shape: a finger more comes down for it
     * @param pulled whether that finger leaves, and what the shape has there sounds
     * @param touched whether it is a harmonic
     * @param midi what it sounds
     * @param touchFret over which fret the index touches, 0 for a plain note
     * @param saddleMm how far from the saddle that is, 0 for a plain note
     */
    public record Step(
            int string,
            int fret,
            int above,
            boolean pulled,
            boolean touched,
            int midi,
            double touchFret,
            double saddleMm) {}

    public Cascade {
        steps = List.copyOf(steps);
    }

    /**
     * The usual one over a shape; strings that are silent are passed over.
     *
     * @param frets from the lowest string, relative to the capo, -1 silent
     * @throws IllegalArgumentException if fewer than three strings sound, or a node has no fret to aim at
     */
    public static Cascade usual(Instrument instrument, List<Integer> frets, HarmonicNode node) {
        List<String> order = new ArrayList<>();
        for (int string = instrument.strings() - APART; string >= 1; string--) {
            if (fret(frets, string) >= 0) {
                order.add(String.valueOf(string));
            }
            if (fret(frets, string + APART) >= 0) {
                order.add(string + APART + "*");
            }
        }
        return of(instrument, frets, node, String.join(" ", order));
    }

    /**
     * The same in threes: a touched string, the plain one two above with a finger more, pulled off to the shape. The finger
     * comes down two frets above, else one or three, wherever the note belongs to a key.
     *
     * @throws IllegalArgumentException as for the usual one
     */
    public static Cascade triplets(Instrument instrument, List<Integer> frets, HarmonicNode node, Key key) {
        List<String> order = new ArrayList<>();
        for (int string = instrument.strings() - APART; string >= 1; string--) {
            if (fret(frets, string) >= 0 && fret(frets, string + APART) >= 0) {
                int plain = string;
                int above = IntStream.of(2, 1, 3)
                        .filter(more -> instrument.has(plain, fret(frets, plain) + more))
                        .filter(more ->
                                (key.pitchClasses() >> instrument.midi(plain, fret(frets, plain) + more) % 12 & 1) == 1)
                        .findFirst()
                        .orElse(2);
                order.add(string + APART + "*");
                order.add(string + "+" + above);
            }
        }
        return of(instrument, frets, node, String.join(" ", order));
    }

    private static int fret(List<Integer> frets, int string) {
        return frets.get(frets.size() - string);
    }

    /**
     * One in any order.
     *
     * @param order strings in the order of playing, those that are touched with a star: {@code 4 6* 3 5*}
     * @throws IllegalArgumentException saying what cannot be
     */
    public static Cascade of(Instrument instrument, List<Integer> frets, HarmonicNode node, String order) {
        Objects.requireNonNull(node, "node");
        if (frets.size() != instrument.strings()) {
            throw new IllegalArgumentException(
                    wording("Cascade.the-shape-is-for-strings", frets.size(), instrument.strings()));
        }
        List<Step> steps = new ArrayList<>();
        for (String word : order.trim().split("[\\s,]+")) {
            Matcher match = STEP.matcher(word);
            if (!match.matches()) {
                throw new IllegalArgumentException(wording("Cascade.is-no-string-of-a", word));
            }
            int string = Integer.parseInt(match.group(1));
            boolean touched = "*".equals(match.group(2));
            int above = match.group(3) == null ? 0 : Integer.parseInt(match.group(3));
            Step step = step(instrument, frets, node, string, touched);
            if (above > 0) {
                steps.add(raised(instrument, step, above));
            }
            steps.add(above > 0 ? new Step(string, step.fret, 0, true, false, step.midi, 0, 0) : step);
        }
        long touched = steps.stream().filter(Step::touched).count();
        if (touched == 0 || touched == steps.size()) {
            throw new IllegalArgumentException(wording("Cascade.a-cascade-needs-plain-and"));
        }
        return new Cascade(steps);
    }

    private static Step step(
            Instrument instrument, List<Integer> frets, HarmonicNode node, int string, boolean touched) {
        if (string < 1 || string > instrument.strings() || fret(frets, string) < 0) {
            throw new IllegalArgumentException(wording("Cascade.string-does-not-sound-in", string));
        }
        int fret = fret(frets, string);
        if (!touched) {
            return new Step(string, fret, 0, false, false, instrument.midi(string, fret), 0, 0);
        }
        Harmonic harmonic = Harmonic.of(instrument, string, fret, node);
        if (!harmonic.isOverFingerboard(instrument)) {
            throw new IllegalArgumentException(String.format(
                    Words.figures(),
                    wording("Cascade.string-held-at-fret-is"),
                    string,
                    fret,
                    harmonic.touchFret(),
                    instrument.highestFret()));
        }
        return new Step(string, fret, 0, false, true, harmonic.midi(), harmonic.touchFret(), harmonic.saddleMm());
    }

    private static Step raised(Instrument instrument, Step step, int above) {
        int fret = step.fret + above;
        if (!instrument.has(step.string, fret)) {
            throw new IllegalArgumentException(wording("Cascade.there-is-no-fret-on-string", fret, step.string));
        }
        return new Step(step.string, fret, above, false, false, instrument.midi(step.string, fret), 0, 0);
    }

    /** What belongs together in the row: a note that is pulled off goes with the one it comes from. */
    public List<List<Step>> units() {
        List<List<Step>> units = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            boolean pull = i + 1 < steps.size() && steps.get(i + 1).pulled;
            units.add(steps.subList(i, pull ? i + 2 : i + 1));
            i += pull ? 1 : 0;
        }
        return units;
    }

    /** Whether notes are pulled off: three notes a beat, where the plain form has what the meter has. */
    public boolean isTriplet() {
        return steps.stream().anyMatch(Step::pulled);
    }

    /** The strings in order, touched ones with a star. */
    public String order() {
        return steps.stream()
                .filter(step -> !step.pulled)
                .map(step -> step.string + (step.touched ? "*" : step.above > 0 ? "+" + step.above : ""))
                .collect(Collectors.joining(" "));
    }

    /** The pitches from low to high, each once: the line that one hears. */
    public List<Integer> line() {
        return Arrays.stream(
                        steps.stream().mapToInt(Step::midi).sorted().distinct().toArray())
                .boxed()
                .toList();
    }

    /** Whether the line goes by steps of at most a minor third and none is left out between. */
    public boolean isStepwise() {
        List<Integer> line = line();
        for (int i = 1; i < line.size(); i++) {
            if (line.get(i) - line.get(i - 1) > 3) {
                return false;
            }
        }
        return true;
    }
}

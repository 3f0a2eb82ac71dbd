package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import phalanx.guitar.Instrument;

/**
 * Touched harmonics woven with plain notes over a held shape. Usually plain string s and touched string s + 2 by turns,
 * from the bass: over six strings 4 6* 3 5* 2 4* 1 3*.
 *
 * @param steps in the order of playing
 */
public record Cascade(List<Step> steps) {
    private static final Pattern STEP = Pattern.compile("(\\d{1,2})(\\*?)");
    private static final int APART = 2;

    /**
     * A note of it.
     *
     * @param string which
     * @param fret that is held there, relative to the capo
     * @param touched whether it is a harmonic
     * @param midi what it sounds
     * @param touchFret over which fret the index touches, 0 for a plain note
     * @param saddleMm how far from the saddle that is, 0 for a plain note
     */
    public record Step(int string, int fret, boolean touched, int midi, double touchFret, double saddleMm) {}

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
            steps.add(step(
                    instrument,
                    frets,
                    node,
                    Integer.parseInt(match.group(1)),
                    !match.group(2).isEmpty()));
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
            return new Step(string, fret, false, instrument.midi(string, fret), 0, 0);
        }
        Harmonic harmonic = Harmonic.of(instrument, string, fret, node);
        if (!harmonic.isOverFingerboard(instrument)) {
            throw new IllegalArgumentException(String.format(
                    Locale.ROOT,
                    wording("Cascade.string-held-at-fret-is"),
                    string,
                    fret,
                    harmonic.touchFret(),
                    instrument.highestFret()));
        }
        return new Step(string, fret, true, harmonic.midi(), harmonic.touchFret(), harmonic.saddleMm());
    }

    /** The strings in order, touched ones with a star. */
    public String order() {
        return steps.stream()
                .map(step -> step.string + (step.touched ? "*" : ""))
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

package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * How hard the strings of a guitar pull in a tuning.
 *
 * @param newtons of each string, from the lowest
 * @param warnings plain sentences, the gravest first
 */
public record TensionReport(List<Double> newtons, List<String> warnings) {
    /** Tuning a string up by more risks breaking it. Common practice, no source. */
    private static final int MOST_UP = 2;
    /** Slackened by more it hardly sounds. Common practice, no source. */
    private static final int MOST_DOWN = 5;

    public TensionReport {
        Objects.requireNonNull(newtons, "newtons");
        newtons = List.copyOf(newtons);
        warnings = List.copyOf(warnings);
    }

    /** The sum over all strings, in newtons. */
    public double totalNewtons() {
        return newtons.stream().mapToDouble(Double::doubleValue).sum();
    }

    /**
     * Measures a set on a guitar. The strings are made for standard tuning; sets of other than six strings are
     * measured, but have no usual pitch to be compared with.
     *
     * @throws IllegalArgumentException if the set and the tuning differ in their number of strings
     */
    public static TensionReport of(Guitar guitar, StringSet set, Tuning tuning) {
        if (set.strings().size() != tuning.strings()) {
            throw new IllegalArgumentException(wording(
                    "TensionReport.the-set-has-strings-the",
                    set.label(),
                    set.strings().size(),
                    tuning.strings()));
        }
        List<Double> newtons = new ArrayList<>();
        List<String> warnings = new ArrayList<>();
        for (int string = tuning.strings(); string >= 1; string--) {
            newtons.add(newtons(guitar, set, string, tuning.midi(string)));
        }
        if (guitar.kind() == Guitar.Kind.NYLON && set.hasSteel()) {
            warnings.add(String.format(
                    Words.figures(),
                    wording("TensionReport.steel-strings-pull-n-on"),
                    newtons.stream().mapToDouble(Double::doubleValue).sum(),
                    usualNylonNewtons(guitar)));
        }
        if (tuning.strings() == Tuning.STANDARD.strings()) {
            for (int string = tuning.strings(); string >= 1; string--) {
                addPitchWarning(guitar, set, string, tuning.midi(string), warnings);
            }
        }
        return new TensionReport(newtons, warnings);
    }

    private static double newtons(Guitar guitar, StringSet set, int string, int midi) {
        return set.string(string).tensionNewtons(guitar.scaleMm(), Pitch.hertz(midi));
    }

    private static double usualNylonNewtons(Guitar guitar) {
        StringSet nylon = StringSet.Named.NYLON_NORMAL.set();
        double sum = 0;
        for (int string = 1; string <= Tuning.STANDARD.strings(); string++) {
            sum += newtons(guitar, nylon, string, Tuning.STANDARD.midi(string));
        }
        return sum;
    }

    private static void addPitchWarning(Guitar guitar, StringSet set, int string, int midi, List<String> warnings) {
        int usual = Tuning.STANDARD.midi(string);
        if (midi - usual > MOST_UP) {
            warnings.add(String.format(
                    Words.figures(),
                    wording("TensionReport.string-stands-semitones-above-its"),
                    string,
                    midi - usual,
                    Pitch.of(usual, Key.C_MAJOR).spoken(),
                    newtons(guitar, set, string, midi),
                    newtons(guitar, set, string, usual)));
        } else if (usual - midi > MOST_DOWN) {
            warnings.add(String.format(
                    Words.figures(),
                    wording("TensionReport.string-stands-semitones-below-its"),
                    string,
                    usual - midi,
                    Pitch.of(usual, Key.C_MAJOR).spoken(),
                    newtons(guitar, set, string, midi),
                    newtons(guitar, set, string, usual)));
        }
    }
}

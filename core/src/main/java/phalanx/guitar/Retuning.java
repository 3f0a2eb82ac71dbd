package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Works out how to retune by ear. Strings that go down come first, for that is safe and takes pull off the neck; among
 * them, and then among those that go up, the next is the one that is most easily checked against a string that is
 * right already: by an octave, else by a neighbour pressed at the fret where both sound alike.
 */
public final class Retuning {
    private static final int HIGHEST_CHECK_FRET = 12;
    private static final int NO_CHECK = 1000;
    private static final int FRETTED = 100;
    private static final int OCTAVES_APART = 10;

    private final Tuning from;
    private final Tuning to;

    /** @throws IllegalArgumentException if the tunings differ in their number of strings */
    public Retuning(Tuning from, Tuning to) {
        if (from.strings() != to.strings()) {
            throw new IllegalArgumentException(
                    wording("Retuning.a-guitar-of-strings-cannot", from.strings(), to.strings()));
        }
        this.from = from;
        this.to = to;
    }

    /** The strings to turn, in order; none when the tunings are the same. */
    public List<RetuningStep> steps() {
        Set<Integer> settled = new TreeSet<>();
        List<Integer> down = new ArrayList<>();
        List<Integer> up = new ArrayList<>();
        for (int string = from.strings(); string >= 1; string--) {
            int move = to.midi(string) - from.midi(string);
            if (move == 0) {
                settled.add(string);
            } else {
                (move < 0 ? down : up).add(string);
            }
        }
        List<RetuningStep> steps = new ArrayList<>();
        addInOrder(down, settled, steps);
        addInOrder(up, settled, steps);
        return steps;
    }

    /**
     * How to hear that the wanted tuning is right, string by string: the lowest by its pitch, each other against one
     * that was heard before.
     *
     * @return by string; the lowest has no check
     */
    public Map<Integer, Optional<RetuningStep.Check>> checks() {
        Map<Integer, Optional<RetuningStep.Check>> checks = new LinkedHashMap<>();
        Set<Integer> heard = new TreeSet<>();
        for (int string = to.strings(); string >= 1; string--) {
            checks.put(string, check(string, heard));
            heard.add(string);
        }
        return checks;
    }

    private void addInOrder(List<Integer> strings, Set<Integer> settled, List<RetuningStep> steps) {
        while (!strings.isEmpty()) {
            Integer next = strings.stream()
                    .min(Comparator.comparingInt(string -> hardness(string, settled)))
                    .orElseThrow();
            strings.remove(next);
            steps.add(new RetuningStep(next, from.midi(next), to.midi(next), check(next, settled)));
            settled.add(next);
        }
    }

    private int hardness(int string, Set<Integer> settled) {
        return settled.stream().mapToInt(other -> hardness(string, other)).min().orElse(NO_CHECK);
    }

    /** Octaves by the strings between them; else the frets to press, which ask for a finger on the lower string. */
    private int hardness(int string, int other) {
        int size = Math.abs(to.midi(string) - to.midi(other));
        int between = Math.abs(string - other);
        if (size % 12 == 0) {
            return between + OCTAVES_APART * Math.max(0, size / 12 - 1);
        }
        return size <= HIGHEST_CHECK_FRET ? FRETTED + OCTAVES_APART * between + size : NO_CHECK + size;
    }

    private Optional<RetuningStep.Check> check(int string, Set<Integer> settled) {
        return settled.stream()
                .min(Comparator.comparingInt(other -> hardness(string, other)))
                .map(other -> check(string, other));
    }

    private RetuningStep.Check check(int string, int other) {
        int semitones = to.midi(string) - to.midi(other);
        boolean alike = semitones % 12 == 0 || Math.abs(semitones) > HIGHEST_CHECK_FRET;
        return new RetuningStep.Check(
                other, alike ? 0 : Math.abs(semitones), semitones < 0 ? string : other, semitones);
    }
}

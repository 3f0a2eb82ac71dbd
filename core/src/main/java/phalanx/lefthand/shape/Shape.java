package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;

/**
 * What each string does: silent (-1), open (0) or the fret it sounds.
 *
 * @param frets from the lowest string to string 1, relative to the capo
 */
public record Shape(List<Integer> frets) {
    public static final int SILENT = -1;
    private static final int HIGHEST = 30;

    public Shape {
        frets = List.copyOf(frets);
        if (frets.size() < Tuning.FEWEST_STRINGS || frets.size() > Tuning.MOST_STRINGS) {
            throw new IllegalArgumentException(wording("Shape.a-shape-has-an-entry", frets.size()));
        }
        for (int fret : frets) {
            if (fret < SILENT || fret > HIGHEST) {
                throw new IllegalArgumentException(wording("Shape.fret-is-outside-x-0", fret, HIGHEST));
            }
        }
    }

    /**
     * Reads {@code x 3 2 0 1 0} or, when all frets are below 10, {@code x32010}.
     *
     * @throws IllegalArgumentException naming the entry that is not a fret
     */
    public static Shape parse(String text) {
        String[] entries = text.trim().split("\\s+");
        if (entries.length == 1) {
            entries = entries[0].split("");
        }
        List<Integer> frets = new ArrayList<>();
        for (String entry : entries) {
            if (!entry.matches("[xX]|\\d{1,2}")) {
                throw new IllegalArgumentException(wording("Shape.in-is-not-a-fret", entry, text.trim()));
            }
            frets.add(entry.equalsIgnoreCase("x") ? SILENT : Integer.parseInt(entry));
        }
        return new Shape(frets);
    }

    /** Of frets from the lowest string. */
    static Shape of(int[] frets) {
        return new Shape(Arrays.stream(frets).boxed().toList());
    }

    int[] toArray() {
        return frets.stream().mapToInt(Integer::intValue).toArray();
    }

    public int strings() {
        return frets.size();
    }

    /** The fret of a string numbered from 1 at the treble side. */
    public int fret(int string) {
        return frets.get(frets.size() - string);
    }

    public boolean sounds(int string) {
        return fret(string) >= 0;
    }

    /** The sounding pitches as MIDI numbers, from the lowest string. */
    public List<Integer> midi(Instrument instrument) {
        List<Integer> midi = new ArrayList<>();
        for (int string = strings(); string >= 1; string--) {
            if (sounds(string)) {
                midi.add(instrument.midi(string, fret(string)));
            }
        }
        return midi;
    }

    /** As players write it: {@code x 3 2 0 1 0}. */
    @Override
    public String toString() {
        return frets.stream().map(fret -> fret < 0 ? "x" : fret.toString()).collect(Collectors.joining(" "));
    }
}

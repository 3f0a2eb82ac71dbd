package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;

/**
 * A guitar as it is set up: tuned, with a capo or none. Frets are relative to the capo, which is fret 0.
 *
 * @param guitar its measures
 * @param tuning its open strings without the capo
 * @param capo the fret the capo sits at, 0 for none, at most 12
 * @param partial a second capo over some strings, above the first; their fret 0 is where it sits
 */
public record Instrument(Guitar guitar, Tuning tuning, int capo, Optional<PartialCapo> partial) {
    public static final int HIGHEST_CAPO = 12;

    /** A steel-string guitar in standard tuning without capo. */
    public static final Instrument STANDARD = new Instrument(Guitar.STEEL, Tuning.STANDARD, 0);

    public Instrument {
        Objects.requireNonNull(guitar, "guitar");
        Objects.requireNonNull(tuning, "tuning");
        if (capo < 0 || capo > HIGHEST_CAPO) {
            throw new IllegalArgumentException(wording("Instrument.capo-is-outside-fret-0", capo, HIGHEST_CAPO));
        }
        int full = capo;
        partial.ifPresent(second -> checkPartial(second, full, tuning.strings()));
    }

    private static void checkPartial(PartialCapo second, int full, int strings) {
        if (second.fret() <= full) {
            throw new IllegalArgumentException(wording("Instrument.the-partial-capo-at-fret", second.fret(), full));
        }
        if (second.bassString() > strings || second.bassString() - second.trebleString() + 1 >= strings) {
            throw new IllegalArgumentException(wording(
                    "Instrument.a-partial-capo-over-strings", second.bassString(), second.trebleString(), strings));
        }
    }

    /** With one capo or none. */
    public Instrument(Guitar guitar, Tuning tuning, int capo) {
        this(guitar, tuning, capo, Optional.empty());
    }

    public int strings() {
        return tuning.strings();
    }

    /** The highest fret, counted from the capo. */
    public int highestFret() {
        return guitar.frets() - capo;
    }

    /** The pitch of the lowest open string. */
    public int lowestMidi() {
        int lowest = Integer.MAX_VALUE;
        for (int string = 1; string <= strings(); string++) {
            lowest = Math.min(lowest, midi(string, 0));
        }
        return lowest;
    }

    /** The fret, relative to the capo, at which a string's open sound is cut off: 0, or where the partial capo sits. */
    public int openFret(int string) {
        return partial.isPresent() && partial.get().covers(string)
                ? partial.get().fret() - capo
                : 0;
    }

    /** The pitch of a string pressed at a fret relative to the capo, 0 for open; below a partial capo as if open. */
    public int midi(int string, int fret) {
        return tuning.midi(string) + capo + Math.max(fret, openFret(string));
    }

    /** The fret that gives a pitch on a string; where there is none, one that the string has not. */
    public int fretOf(int string, int midi) {
        int fret = midi - tuning.midi(string) - capo;
        int open = openFret(string);
        return fret == open ? 0 : fret < open ? -1 : fret;
    }

    /** Whether a string can sound at a fret: open, or pressed above whatever capo lies on it. */
    public boolean has(int string, int fret) {
        return fret == 0 || fret > openFret(string) && fret <= highestFret();
    }

    /** Distance from nut of a fingertip at a relative fret, in mm. */
    public double alongMm(int fret) {
        return guitar.fingertipMm(capo + fret);
    }

    /** Distance across the neck of a fingertip, in mm, positive towards string 1. */
    public double acrossMm(int string, int fret) {
        return guitar.acrossMm(string, strings(), alongMm(fret));
    }

    /** Whether a relative fret lies past the body joint. */
    public boolean pastJoint(int fret) {
        return capo + fret > guitar.bodyJoint();
    }

    public Instrument withTuning(Tuning newTuning) {
        return newTuning.equals(tuning) ? this : new Instrument(guitar, newTuning, capo, partial);
    }

    public Instrument withCapo(int newCapo) {
        return newCapo == capo ? this : new Instrument(guitar, tuning, newCapo, partial);
    }

    public Instrument withGuitar(Guitar newGuitar) {
        return newGuitar.equals(guitar) ? this : new Instrument(newGuitar, tuning, capo, partial);
    }

    public Instrument withPartial(Optional<PartialCapo> newPartial) {
        return newPartial.equals(partial) ? this : new Instrument(guitar, tuning, capo, newPartial);
    }
}

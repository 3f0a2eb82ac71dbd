package phalanx.guitar;

import java.util.Objects;

/**
 * A guitar as it is set up: tuned, with a capo or none. Frets are relative to the capo, which is fret 0.
 *
 * @param guitar its measures
 * @param tuning its open strings without the capo
 * @param capo the fret the capo sits at, 0 for none, at most 12
 */
public record Instrument(Guitar guitar, Tuning tuning, int capo) {
    public static final int HIGHEST_CAPO = 12;

    /** A steel-string guitar in standard tuning without capo. */
    public static final Instrument STANDARD = new Instrument(Guitar.STEEL, Tuning.STANDARD, 0);

    public Instrument {
        Objects.requireNonNull(guitar, "guitar");
        Objects.requireNonNull(tuning, "tuning");
        if (capo < 0 || capo > HIGHEST_CAPO) {
            throw new IllegalArgumentException("capo " + capo + " is outside fret 0 (none) to " + HIGHEST_CAPO);
        }
    }

    public int strings() {
        return tuning.strings();
    }

    /** The highest fret, counted from the capo. */
    public int highestFret() {
        return guitar.frets() - capo;
    }

    /** The pitch of a string pressed at a fret relative to the capo, 0 for open. */
    public int midi(int string, int fret) {
        return tuning.midi(string) + capo + fret;
    }

    /** The fret that gives a pitch on a string; negative or above {@link #highestFret()} when there is none. */
    public int fretOf(int string, int midi) {
        return midi - tuning.midi(string) - capo;
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
        return newTuning.equals(tuning) ? this : new Instrument(guitar, newTuning, capo);
    }

    public Instrument withCapo(int newCapo) {
        return newCapo == capo ? this : new Instrument(guitar, tuning, newCapo);
    }
}

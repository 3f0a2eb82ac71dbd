package phalanx.sound.guitar;

import static phalanx.words.Words.wording;

/**
 * How a string is plucked.
 *
 * @param hertz the string sounds as it is stopped; a harmonic sounds so many times that
 * @param harmonic 1 for the plain string, else which harmonic is touched
 * @param level beside a plain note of the tune, 1
 * @param nail whether a nail plucks, or the flesh
 * @param damped whether the heel of the hand lies on the bridge
 * @param wavers with vibrato
 */
public record Pluck(double hertz, int harmonic, double level, boolean nail, boolean damped, boolean wavers) {
    /** Without vibrato. */
    public Pluck(double hertz, int harmonic, double level, boolean nail, boolean damped) {
        this(hertz, harmonic, level, nail, damped, false);
    }

    public Pluck {
        if (!(hertz > 0) || harmonic < 1 || !(level > 0)) {
            throw new IllegalArgumentException(wording("Pluck.hz-harmonic-level", hertz, harmonic, level));
        }
    }

    /** The same, so much louder; with nails only where it had any and the player has them. */
    public Pluck by(double factor, boolean nails) {
        return new Pluck(hertz, harmonic, factor * level, nail && nails, damped, wavers);
    }

    /** The same with vibrato. */
    public Pluck wavering() {
        return new Pluck(hertz, harmonic, level, nail, damped, true);
    }
}

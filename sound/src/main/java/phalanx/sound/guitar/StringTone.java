package phalanx.sound.guitar;

import static phalanx.words.Words.wording;

import phalanx.guitar.GuitarString;
import phalanx.guitar.StringSet;

/**
 * How long a string rings: seconds in which it falls by 60 dB. From memory of real guitars; no source.
 *
 * @param seconds at its pitch
 * @param highSeconds at 3 kHz, or at three times its pitch where that is higher
 */
public record StringTone(double seconds, double highSeconds) {
    /** A finger that comes back to a ringing string. */
    static final StringTone TOUCHED = new StringTone(0.05, 0.02);
    /** A finger that is lifted and stays on the string. */
    static final StringTone LIFTED = new StringTone(0.08, 0.03);
    /** The heel of the hand on the bridge. */
    static final StringTone HEEL = new StringTone(0.35, 0.1);
    /** A hand or thumb that falls on the string. */
    static final StringTone SLAPPED = new StringTone(0.03, 0.015);

    private static final double[] STEEL = {5, 5.5, 6, 7, 8, 8};
    private static final double[] STEEL_HIGH = {1.6, 1.6, 1.1, 1.1, 1.1, 1.0};
    private static final double[] NYLON = {2.2, 2.5, 2.8, 4, 4.5, 5};
    private static final double[] NYLON_HIGH = {0.45, 0.4, 0.35, 0.5, 0.5, 0.45};
    /** So many frets up, the string rings half as long. */
    private static final double HALVES = 14;

    private static final double HIGH_HALVES = 30;
    /** A heavier string holds more and gives it away more slowly; how much so is our assumption. */
    private static final double BY_WEIGHT = 0.25;

    public StringTone {
        if (!(seconds > 0) || !(highSeconds > 0)) {
            throw new IllegalArgumentException(wording("StringTone.a-string-cannot-ring-and", seconds, highSeconds));
        }
    }

    /**
     * Of an open string as it is usual.
     *
     * @param string 1 at the treble side; further ones are as the sixth
     */
    static StringTone open(boolean steel, int string) {
        int at = Math.min(string, STEEL.length) - 1;
        return steel ? new StringTone(STEEL[at], STEEL_HIGH[at]) : new StringTone(NYLON[at], NYLON_HIGH[at]);
    }

    /** Of an open string of a set. */
    static StringTone open(StringSet set, int string) {
        GuitarString own = set.string(string);
        boolean steel = own.material().isSteel();
        StringTone usual = open(steel, string);
        StringSet light = (steel ? StringSet.Named.STEEL_LIGHT : StringSet.Named.NYLON_NORMAL).set();
        double weight = own.kgPerMetre()
                / light.string(Math.min(string, light.strings().size())).kgPerMetre();
        return new StringTone(usual.seconds * Math.pow(weight, BY_WEIGHT), usual.highSeconds);
    }

    /** Stopped at a fret, counted from the nut. */
    StringTone at(double fret) {
        return new StringTone(seconds * Math.pow(2, -fret / HALVES), highSeconds * Math.pow(2, -fret / HIGH_HALVES));
    }

    /** A share of the way to another, each figure by its logarithm. */
    StringTone towards(StringTone other, double share) {
        return new StringTone(
                seconds * Math.pow(other.seconds / seconds, share),
                highSeconds * Math.pow(other.highSeconds / highSeconds, share));
    }
}

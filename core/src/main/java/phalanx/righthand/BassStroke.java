package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.Objects;

/**
 * A thumb stroke that a bass line asks for.
 *
 * @param tick where
 * @param endTick up to where it should ring
 * @param chord index of its chord change in the chart; -1 before the first
 * @param allowed pitch classes it may sound, a 12-bit set
 * @param preferred pitch classes it should sound if the hand allows, a subset of allowed
 * @param strings where the thumb should go for it
 * @param midi the very pitch that it should sound, 0 where any octave will do
 */
public record BassStroke(int tick, int endTick, int chord, int allowed, int preferred, BassStrings strings, int midi) {
    public BassStroke {
        Objects.requireNonNull(strings, "strings");
        if (endTick <= tick || preferred == 0 || (preferred & ~allowed) != 0) {
            throw new IllegalArgumentException(
                    wording("BassStroke.bass-stroke-at-to-of", tick, endTick, allowed, preferred));
        }
    }

    /** One in any octave. */
    public BassStroke(int tick, int endTick, int chord, int allowed, int preferred, BassStrings strings) {
        this(tick, endTick, chord, allowed, preferred, strings, 0);
    }

    /** The same at one pitch. */
    BassStroke at(int newMidi) {
        int only = 1 << newMidi % 12;
        return new BassStroke(tick, endTick, chord, allowed | only, only, strings, newMidi);
    }

    /** The same, ending sooner. */
    BassStroke until(int newEnd) {
        return new BassStroke(tick, newEnd, chord, allowed, preferred, strings, midi);
    }

    /** The same at its pitch in the octave that lies between two pitches, as low as it can. */
    public BassStroke within(int lowest, int highest) {
        int near = midi;
        while (near > highest) {
            near -= 12;
        }
        while (near < lowest) {
            near += 12;
        }
        return midi == 0 || near == midi ? this : at(near);
    }

    /** One on whatever string. */
    public BassStroke(int tick, int endTick, int chord, int allowed, int preferred) {
        this(tick, endTick, chord, allowed, preferred, BassStrings.AS_IT_LIES);
    }
}

package phalanx.arrange.demand;

import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassStroke;
import phalanx.righthand.InnerStroke;

/** What the places and steps of the bass cost the ear, and how low a tune may be the bass itself. */
public final class BassEar {
    /** The highest bass above the lowest open string: F sharp 3 in standard tuning. */
    private static final int HIGHEST_BASS = 14;
    /** The highest tune note that can be the bass itself, above the lowest open string: B3 in standard tuning. */
    private static final int HIGHEST_TUNE_AS_BASS = 19;

    private BassEar() {}

    /** The highest pitch that the thumb plays: what lies higher is the fingers'. */
    public static int highestBass(Instrument instrument) {
        return instrument.lowestMidi() + HIGHEST_BASS;
    }

    /** Whether the tune's note of a slot lies so low that it can be the bass itself. */
    public static boolean tuneMayBeBass(Instrument instrument, Slot.Demand demand) {
        return demand.melody().filter(midi -> isBassPitch(instrument, midi)).isPresent();
    }

    /** Whether a tune's pitch is low enough to be the bass itself. */
    static boolean isBassPitch(Instrument instrument, int midi) {
        return midi <= instrument.lowestMidi() + HIGHEST_TUNE_AS_BASS;
    }

    /** What it costs the ear that the tune is the bass, in thousandths. */
    public static int tuneAsBass(Instrument instrument, Slot.Demand demand) {
        int midi = demand.melody().orElseThrow();
        boolean preferred = (demand.bassPreferred() >> midi % 12 & 1) == 1;
        int high = Math.max(0, midi - highestBass(instrument));
        double other = demand.wanted().bassMidi() > 0 ? Weights.BASS_OFF_LINE : Weights.TUNE_IS_OTHER_BASS;
        return Effort.thousandths(Weights.TUNE_IS_BASS + Weights.TUNE_IS_HIGH_BASS * high + (preferred ? 0 : other));
    }

    /**
     * What a bass note costs the ear by its place, in thousandths.
     *
     * @param wanted the pitch classes it should have
     * @param pitch the very pitch it should have, 0 where any octave will do
     */
    public static int bassPlace(int wanted, int pitch, int string, int fret, int midi, int strings) {
        int bassStrings = (strings + 1) / 2;
        int inwards = Math.max(0, strings - bassStrings + 1 - string);
        boolean preferred = pitch == 0 ? (wanted >> midi % 12 & 1) == 1 : midi == pitch;
        return Effort.thousandths(Weights.BASS_ON_INNER_STRING * inwards
                + Weights.BASS_FRET * fret
                + (preferred ? 0 : pitch > 0 ? Weights.BASS_OFF_LINE : Weights.BASS_NOT_PREFERRED));
    }

    /** Whether inner strokes of a slot must not sound what the thumb plays as the next begins: not in chords at ends. */
    public static boolean takesNext(Slot before, Slot slot) {
        return slot.bassBegins()
                && !before.inner().isEmpty()
                && before.inner().stream().noneMatch(InnerStroke::endsPhrase);
    }

    /**
     * What the thumb's step from one string to another costs the ear, in thousandths.
     *
     * @param strings how many the guitar has
     */
    public static int bassStep(int before, int after, BassStroke stroke, int strings) {
        if (stroke.midi() > 0) {
            return 0;
        }
        if (stroke.strings() != BassStrings.AS_IT_LIES) {
            boolean agrees = stroke.strings().agrees(before, after, strings);
            double again = before == after ? Weights.BASS_STRING_AGAIN : 0;
            return agrees ? 0 : Effort.thousandths(Weights.BASS_NOT_WHERE_WANTED + again);
        }
        return Effort.thousandths(
                before == after
                        ? Weights.BASS_STRING_AGAIN
                        : Weights.BASS_STRING_SKIPPED * (Math.abs(before - after) - 1));
    }
}

package phalanx.arrange.demand;

import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;

/** What the places of tune notes and of the fingers cost the ear: high up the neck, low among the rest. */
public final class TuneEar {
    /** Up to here a tune note sings. */
    private static final int SINGING_FRET = 5;
    /** From here on a tune note sings, above the lowest open string: G3 in standard tuning. */
    private static final int LOWEST_SINGING = 15;

    private TuneEar() {}

    /** What a tune note costs the ear by its fret, in thousandths. */
    public static int tuneHigh(int fret) {
        return Effort.thousandths(Weights.TUNE_HIGH_FRET * Math.max(0, fret - SINGING_FRET));
    }

    /** What a tune note costs the ear by its pitch, in thousandths. */
    public static int tuneLow(Instrument instrument, int midi) {
        int above = midi - instrument.lowestMidi();
        return Effort.thousandths(Weights.TUNE_LOW_SEMITONE * Math.max(0, LOWEST_SINGING - above));
    }

    /** Both for a tune note on a string and fret, in thousandths. */
    public static int tunePlace(Instrument instrument, int string, int fret) {
        return tuneHigh(fret) + tuneLow(instrument, instrument.midi(string, fret));
    }

    /** What fingers above the highest fret that is wanted cost, in thousandths. */
    public static int aboveWish(int[] presses, Slot.Demand demand) {
        int highest = 0;
        for (int press : presses) {
            highest = Math.max(highest, press == 0 ? 0 : Press.fret(press));
        }
        return Effort.thousandths(Weights.ABOVE_WISHED_FRET
                * Math.max(0, highest - demand.wanted().highestFret()));
    }
}

package phalanx.arrange.search;

import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Stops;

/** Inner notes on the pitch that the thumb plays as the next slot begins. Pitches are told by bits above the lowest. */
final class NextBass {
    private static final int TAKES_BASS = Effort.thousandths(Weights.TAKES_BASS) * Effort.STEPS;
    private static final long[] NONE = {};

    /** Of each candidate before the pitches that were struck; nothing where no bass begins. */
    private final long[] struck;
    /** Of each candidate after the pitch of its bass. */
    private final long[] basses;

    NextBass(Layer before, Layer after, Slot slotBefore, Slot slot, Instrument instrument) {
        boolean looks = BassEar.takesNext(slotBefore, slot);
        this.struck = looks ? new long[before.count] : NONE;
        this.basses = looks ? new long[after.count] : NONE;
        int lowest = instrument.lowestMidi();
        for (int from = 0; from < struck.length; from++) {
            for (int left = before.struck[from]; left != 0; left &= left - 1) {
                struck[from] |= pitch(instrument, lowest, before.frets[from], Integer.numberOfTrailingZeros(left));
            }
        }
        for (int to = 0; to < basses.length; to++) {
            int string = after.basses[to];
            basses[to] = string == Layer.NONE ? 0 : pitch(instrument, lowest, after.frets[to], string);
        }
    }

    /** The bit of a pitch; none for one so high that no bass has it. */
    private static long pitch(Instrument instrument, int lowest, long frets, int string) {
        int above = instrument.midi(string, Stops.at(frets, string)) - lowest;
        return above < Long.SIZE ? 1L << above : 0;
    }

    /** What those of a change cost, in grains. */
    long cost(int from, int to) {
        return struck.length == 0 || (struck[from] & basses[to]) == 0 ? 0 : TAKES_BASS;
    }
}

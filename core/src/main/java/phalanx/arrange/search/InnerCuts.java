package phalanx.arrange.search;

import phalanx.arrange.demand.Slot;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Stops;

/**
 * Inner notes that end with a change though their chord goes on and their string is not wanted. Strings are told by bits
 * as {@link Stops#bit} has them, so that a change looks at all of them at once.
 */
final class InnerCuts {
    private static final long[] NONE = {};

    private final Layer after;
    /** Of each candidate before the strings that were struck; nothing where inner notes need not ring on. */
    private final long[] struck;
    /** Of each candidate before those whose notes a tune that begins hides; nothing where none begins. */
    private final long[] hidden;
    /** Of each candidate after those that are struck as it begins. */
    private final long[] taken;

    InnerCuts(Layer before, Layer after, Slot slotBefore, Slot slot, Instrument instrument) {
        this.after = after;
        boolean rings = slot.innerRingsOnFrom(slotBefore);
        this.struck = rings ? new long[before.count] : NONE;
        this.hidden = rings && slot.melodyBegins() ? new long[before.count] : NONE;
        this.taken = rings ? new long[after.count] : NONE;
        boolean atOnce = slot.inner().isEmpty() || slot.inner().get(0).tick() == slot.startTick();
        for (int to = 0; to < taken.length; to++) {
            taken[to] = (slot.melodyBegins() ? bit(after.tunes[to]) : 0)
                    | (slot.bassBegins() ? bit(after.basses[to]) : 0)
                    | (atOnce && after.struck[to] != 0 ? bits(after.placings[to].moments()[0]) : 0);
        }
        for (int from = 0; from < struck.length; from++) {
            struck[from] = bits(before.struck[from]);
            for (long left = hidden.length == 0 ? 0 : struck[from]; left != 0; left &= left - 1) {
                int string = Stops.string(left);
                int midi = instrument.midi(string, Stops.at(before.frets[from], string));
                hidden[from] |= slot.melody().get().midi() <= midi ? Stops.bit(string) : 0;
            }
        }
    }

    private static long bit(int string) {
        return string == Layer.NONE ? 0 : Stops.bit(string);
    }

    /** Of strings with bit s for string s. */
    private static long bits(int strings) {
        long bits = 0;
        for (int left = strings; left != 0; left &= left - 1) {
            bits |= bit(Integer.numberOfTrailingZeros(left));
        }
        return bits;
    }

    /**
     * What those of a change cost, in grains.
     *
     * @param differ fields of strings, not nought where fret or finger differ
     */
    long cost(int from, int to, long differ) {
        if (struck.length == 0 || struck[from] == 0) {
            return 0;
        }
        long cut = struck[from] & ~taken[to] & Stops.inUse(differ);
        boolean hides = hidden.length > 0 && after.tunes[to] != Layer.NONE;
        return (long) SongGraph.INNER_CUT * Long.bitCount(hides ? cut & ~hidden[from] : cut);
    }
}

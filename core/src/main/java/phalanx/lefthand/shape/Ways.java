package phalanx.lefthand.shape;

import java.util.Arrays;

/** All ways to hold some frets, easiest first, packed for searches that go through thousands of them. */
public final class Ways {
    static final Ways NONE = new Ways(new int[0], new int[0]);

    private final int[] presses;
    private final int[] efforts;

    /** Takes the arrays as its own: the packed presses of one way after another, and the effort of each. */
    Ways(int[] presses, int[] efforts) {
        this.presses = presses;
        this.efforts = efforts;
    }

    public int count() {
        return efforts.length;
    }

    /** Effort of holding for a beat, in thousandths. */
    public int effort(int way) {
        return efforts[way];
    }

    /** The packed press of a finger, 0 where it is up. */
    public int press(int way, int finger) {
        return presses[way * Fingering.FINGERS + finger];
    }

    /** The packed presses of all fingers. */
    public int[] presses(int way) {
        int from = way * Fingering.FINGERS;
        return Arrays.copyOfRange(presses, from, from + Fingering.FINGERS);
    }

    public Fingering fingering(int way) {
        return Fingering.ofPacked(presses(way));
    }
}

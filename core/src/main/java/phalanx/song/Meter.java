package phalanx.song;

/**
 * A meter such as 4/4 or 6/8.
 *
 * @param beats the upper number, 1 to 32
 * @param unit the lower number: 1, 2, 4, 8, 16 or 32
 */
public record Meter(int beats, int unit) {
    public static final Meter COMMON = new Meter(4, 4);

    public Meter {
        if (beats < 1 || beats > 32 || unit < 1 || unit > 32 || Integer.bitCount(unit) != 1) {
            throw new IllegalArgumentException(beats + "/" + unit + " is not a meter");
        }
    }

    public int barTicks() {
        return beats * Ticks.WHOLE / unit;
    }

    /** Whether a felt beat has three parts: 3/8, 6/8, 9/8, 12/8 and the same in sixteenths. */
    public boolean compound() {
        return unit >= 8 && beats % 3 == 0;
    }

    /** Length of a felt beat: the unit, or three of it in a compound meter; two of it in 5/8 and its like. */
    public int beatTicks() {
        int unitTicks = Ticks.WHOLE / unit;
        if (compound()) {
            return 3 * unitTicks;
        }
        return unit >= 8 ? 2 * unitTicks : unitTicks;
    }

    /** Length of the steps a beat is filled with: its half, or its third in a compound meter. */
    public int stepTicks() {
        return compound() ? beatTicks() / 3 : beatTicks() / 2;
    }

    @Override
    public String toString() {
        return beats + "/" + unit;
    }
}

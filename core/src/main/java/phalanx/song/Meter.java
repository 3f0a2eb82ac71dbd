package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A meter such as 4/4 or 6/8.
 *
 * @param beats the upper number, 1 to 32
 * @param unit the lower number: 1, 2, 4, 8, 16 or 32
 */
public record Meter(int beats, int unit) {
    public static final Meter COMMON = new Meter(4, 4);

    private static final Pattern WRITTEN = Pattern.compile("(\\d{1,2})/(\\d{1,2})");
    private static final int MOST_BEATS = 32;
    private static final int SMALLEST = 32;

    public Meter {
        if (beats < 1 || beats > MOST_BEATS || unit < 1 || unit > SMALLEST || Integer.bitCount(unit) != 1) {
            throw new IllegalArgumentException(wording("Meter.is-not-a-meter", beats, unit));
        }
    }

    /**
     * Reads a meter such as 6/8.
     *
     * @throws IllegalArgumentException saying what it is not
     */
    public static Meter parse(String text) {
        Matcher written = WRITTEN.matcher(text);
        if (!written.matches()) {
            throw new IllegalArgumentException(wording("Meter.is-not-a-meter-such", text));
        }
        return new Meter(Integer.parseInt(written.group(1)), Integer.parseInt(written.group(2)));
    }

    /** The meter of a bar of a length, in a unit or the nearest smaller one that it is whole in, if there is one. */
    public static Optional<Meter> ofTicks(int ticks, int unit) {
        int fine = unit;
        while (ticks % (Ticks.WHOLE / fine) != 0 && fine < SMALLEST) {
            fine *= 2;
        }
        int beats = ticks / (Ticks.WHOLE / fine);
        boolean whole = ticks % (Ticks.WHOLE / fine) == 0;
        return whole && beats >= 1 && beats <= MOST_BEATS ? Optional.of(new Meter(beats, fine)) : Optional.empty();
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

package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.Objects;

/**
 * A bar on the time line.
 *
 * @param number as counted by players: a pickup bar is 0
 * @param startTick where it begins
 * @param lengthTicks how long it is; a pickup is shorter than its meter
 * @param meter its meter
 */
public record Bar(int number, int startTick, int lengthTicks, Meter meter) {
    public Bar {
        Objects.requireNonNull(meter, "meter");
        if (number < 0 || startTick < 0 || lengthTicks <= 0) {
            throw new IllegalArgumentException(wording("Bar.bar-at-tick-ticks-long", number, startTick, lengthTicks));
        }
    }

    public int endTick() {
        return startTick + lengthTicks;
    }

    public boolean contains(int tick) {
        return tick >= startTick && tick < endTick();
    }

    /** The meter that its own length makes, where that is one; its meter is that of a whole bar. */
    public Meter ownMeter() {
        return lengthTicks == meter.barTicks()
                ? meter
                : Meter.ofTicks(lengthTicks, meter.unit()).orElse(meter);
    }

    /** Whether a first bar is short enough before the next one to be a pickup, where a format does not say. */
    public static boolean isPickup(Meter first, Meter next) {
        return 2 * first.barTicks() <= next.barTicks();
    }

    /** Ticks since the bar would have begun: a pickup bar lacks its beginning, other short bars their end. */
    public int offsetOf(int tick) {
        int missing = number == 0 ? Math.max(0, meter.barTicks() - lengthTicks) : 0;
        return tick - startTick + missing;
    }

    /** The beat of a tick counted from 1 in units of the meter's lower number, with a fraction. */
    public double beatOf(int tick) {
        return 1 + offsetOf(tick) * (double) meter.unit() / Ticks.WHOLE;
    }
}

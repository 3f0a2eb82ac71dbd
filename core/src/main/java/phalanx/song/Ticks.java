package phalanx.song;

/** Musical time is whole ticks, so that triplets, quintuplets and septuplets are exact. */
public final class Ticks {
    public static final int QUARTER = 1680;
    public static final int WHOLE = 4 * QUARTER;

    private Ticks() {}

    /** Duration in milliseconds at a tempo in quarter notes a minute. */
    public static double milliseconds(long ticks, double tempo) {
        return ticks * 60_000.0 / (QUARTER * tempo);
    }

    /** The tempo at which so many ticks last so many milliseconds. */
    public static double tempo(long ticks, double milliseconds) {
        return ticks * 60_000.0 / (QUARTER * milliseconds);
    }
}

package phalanx.formats.library;

/**
 * How the player wants to hear songs from start to start. What is muted or looped is not kept: a next sitting begins with
 * all of the song.
 *
 * @param percent of the written tempo; what the player cannot have is as written
 * @param countIn whether a bar of clicks comes first
 * @param fasterBy percent added after each round of a loop
 * @param nails whether the fingers pluck with nails
 */
public record Hearing(int percent, boolean countIn, int fasterBy, boolean nails) {
    /** What a first start has. */
    public static final Hearing FIRST = new Hearing(100, false, 0, true);

    /** Settings are a comfort: what cannot be is as at a first start. */
    public Hearing {
        percent = percent < 1 ? 100 : percent;
        fasterBy = fasterBy < 0 || fasterBy > 100 ? 0 : fasterBy;
    }
}

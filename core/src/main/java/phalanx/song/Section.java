package phalanx.song;

/**
 * A named part of the song.
 *
 * @param name such as A or verse
 * @param startTick where it begins; it lasts to the next one
 * @param varied whether it may be played otherwise than an earlier one that is written the same
 */
public record Section(String name, int startTick, boolean varied) {
    public Section {
        if (name.isBlank() || startTick < 0) {
            throw new IllegalArgumentException(
                    "a section needs a name and a place, not \"" + name + "\" at " + startTick);
        }
    }

    /** One that is played as before where it comes again. */
    public Section(String name, int startTick) {
        this(name, startTick, false);
    }
}

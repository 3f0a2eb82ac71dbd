package phalanx.song;

/**
 * A named part of the song.
 *
 * @param name such as A or verse
 * @param startTick where it begins; it lasts to the next one
 */
public record Section(String name, int startTick) {
    public Section {
        if (name.isBlank() || startTick < 0) {
            throw new IllegalArgumentException(
                    "a section needs a name and a place, not \"" + name + "\" at " + startTick);
        }
    }
}

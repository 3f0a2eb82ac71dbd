package phalanx.song;

import static phalanx.words.Words.wording;

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
            throw new IllegalArgumentException(wording("Section.a-section-needs-a-name", name, startTick));
        }
    }

    /** One that is played as before where it comes again. */
    public Section(String name, int startTick) {
        this(name, startTick, false);
    }
}

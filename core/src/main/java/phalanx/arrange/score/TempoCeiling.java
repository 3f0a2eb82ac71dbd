package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.song.Song;

/**
 * The fastest tempo at which every change and digit fits.
 *
 * @param tempo quarter notes a minute, at most that of the fastest song
 * @param tick where it is set
 * @param reason what sets it, one plain sentence
 */
public record TempoCeiling(double tempo, int tick, String reason) {
    public TempoCeiling {
        Objects.requireNonNull(reason, "reason");
    }

    /** That of a song in which nothing sets one. */
    public static final TempoCeiling NONE =
            new TempoCeiling(Song.FASTEST, 0, wording("TempoCeiling.nothing-in-the-song-sets"));
}

package phalanx.desktop;

import java.util.Objects;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.song.Song;

/**
 * Everything the player has decided; the arrangement follows from it.
 *
 * @param song as entered, with its tempo
 * @param instrument the guitar, tuned
 * @param hand the player's hand
 */
public record Project(Song song, Instrument instrument, Hand hand) {
    public Project {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(hand, "hand");
    }

    Project withSong(Song newSong) {
        return new Project(newSong, instrument, hand);
    }

    Project withInstrument(Instrument newInstrument) {
        return new Project(song, newInstrument, hand);
    }
}

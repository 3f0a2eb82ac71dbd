package phalanx.arrange;

import java.util.Objects;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.song.Song;

/**
 * What to arrange, for which guitar and which hand. The song carries the tempo.
 *
 * @param song the song as entered
 * @param instrument the guitar, tuned
 * @param hand the player's left hand
 */
public record Request(Song song, Instrument instrument, Hand hand) {
    public Request {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(hand, "hand");
    }
}

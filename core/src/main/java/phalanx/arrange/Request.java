package phalanx.arrange;

import java.util.List;
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
 * @param locks shapes the player wants held
 */
public record Request(Song song, Instrument instrument, Hand hand, List<Lock> locks) {
    public Request {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(hand, "hand");
        locks = List.copyOf(locks);
    }
}

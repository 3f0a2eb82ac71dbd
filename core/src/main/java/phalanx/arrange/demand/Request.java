package phalanx.arrange.demand;

import java.util.List;
import java.util.Objects;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * What to arrange, for which guitar and which hand. The song carries the tempo.
 *
 * @param song the song as entered
 * @param instrument the guitar, tuned
 * @param hand the player's left hand
 * @param locks shapes the player wants held
 * @param picking how the right hand plays
 */
public record Request(Song song, Instrument instrument, Hand hand, List<Lock> locks, Picking picking) {
    public Request {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(hand, "hand");
        Objects.requireNonNull(picking, "picking");
        locks = List.copyOf(locks);
    }
}

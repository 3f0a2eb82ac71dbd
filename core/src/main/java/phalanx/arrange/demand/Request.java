package phalanx.arrange.demand;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
 * @param locks what the player has decided
 * @param picking how the right hand plays
 * @param wishes what else the player wants
 */
public record Request(Song song, Instrument instrument, Hand hand, List<Lock> locks, Picking picking, Wishes wishes) {
    public Request {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(hand, "hand");
        Objects.requireNonNull(picking, "picking");
        Objects.requireNonNull(wishes, "wishes");
        locks = List.copyOf(locks);
    }

    /** One with the usual wishes. */
    public Request(Song song, Instrument instrument, Hand hand, List<Lock> locks, Picking picking) {
        this(song, instrument, hand, locks, picking, Wishes.USUAL);
    }

    /** The shapes to hold, those under cascades among them. */
    public List<ShapeLock> shapes() {
        return Stream.concat(all(ShapeLock.class), all(CascadeLock.class).map(CascadeLock::shape))
                .sorted(Comparator.comparingInt(ShapeLock::startTick))
                .toList();
    }

    /** The cascades to play. */
    public List<CascadeLock> cascades() {
        return all(CascadeLock.class).toList();
    }

    private <T> Stream<T> all(Class<T> kind) {
        return locks.stream().filter(kind::isInstance).map(kind::cast);
    }

    /** The decisions where notes are played. */
    public List<PlaceLock> places() {
        return all(PlaceLock.class).toList();
    }

    /** How many inner notes are wanted, by the tick at which they begin. */
    public Map<Integer, Integer> inners() {
        return all(InnerLock.class)
                .collect(Collectors.toMap(InnerLock::tick, InnerLock::notes, (first, later) -> later));
    }

    /** The limits for the left hand. */
    public List<LimitLock> limits() {
        return all(LimitLock.class).toList();
    }

    /** The decisions how notes begin. */
    public List<AttackLock> attacks() {
        return all(AttackLock.class).toList();
    }

    /** The decisions which digits pluck. */
    public List<DigitLock> digits() {
        return all(DigitLock.class).toList();
    }

    /** Who has the tune. */
    public TuneUse tune() {
        return wishes.tuneOf(song);
    }

    /** The song with the tune that the hand plays: without one where it is sung. */
    public Song played() {
        return tune() == TuneUse.PLAYED ? song : song.withMelody(List.of());
    }
}

package phalanx.desktop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.Lock;
import phalanx.formats.library.Library;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.song.Song;

/**
 * Everything the player has decided; the arrangement follows from it.
 *
 * @param song as entered, with its tempo
 * @param instrument the guitar, tuned
 * @param strings on the guitar
 * @param hand the player's hand
 * @param locks shapes to hold, in order, none overlapping another
 */
public record Project(Song song, Instrument instrument, StringSet strings, Hand hand, List<Lock> locks) {
    public Project {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(strings, "strings");
        Objects.requireNonNull(hand, "hand");
        locks = List.copyOf(locks);
    }

    /** A song on the player's guitar in standard tuning. */
    static Project of(Song song, Library.Setup setup) {
        return new Project(
                song, new Instrument(setup.guitar(), Tuning.STANDARD, 0), setup.strings(), setup.hand(), List.of());
    }

    Project withSong(Song newSong) {
        return new Project(newSong, instrument, strings, hand, locks);
    }

    Project withInstrument(Instrument newInstrument) {
        return new Project(song, newInstrument, strings, hand, locks);
    }

    Project withGuitar(Guitar guitar, StringSet newStrings) {
        return new Project(song, instrument.withGuitar(guitar), newStrings, hand, locks);
    }

    Project withHand(Hand newHand) {
        return new Project(song, instrument, strings, newHand, locks);
    }

    /** With a lock more; those it overlaps go. */
    Project withLock(Lock lock) {
        List<Lock> more = new ArrayList<>(locks);
        more.removeIf(lock::overlaps);
        more.add(lock);
        more.sort(Comparator.comparingInt(Lock::startTick));
        return new Project(song, instrument, strings, hand, more);
    }

    Project withoutLock(Lock lock) {
        List<Lock> fewer = new ArrayList<>(locks);
        fewer.remove(lock);
        return new Project(song, instrument, strings, hand, fewer);
    }

    /** The lock that holds at a tick, if any. */
    public Optional<Lock> lockAt(int tick) {
        return locks.stream().filter(lock -> lock.covers(tick)).findFirst();
    }

    /** The guitar, strings and hand, to be kept for the next song. */
    Library.Setup setup() {
        return new Library.Setup(instrument.guitar(), strings, hand);
    }
}

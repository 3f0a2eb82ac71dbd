package phalanx.project;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.Written;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Wishes;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.Song;

/**
 * Everything the player has decided; the arrangement follows from it.
 *
 * @param song as entered, with its tempo
 * @param instrument the guitar, tuned
 * @param strings on the guitar
 * @param hand the player's hand
 * @param locks what is to be kept, in order, none contradicting another
 * @param written where every note is played, while the song is kept as a file wrote it
 * @param picking how the right hand plays
 * @param wishes who has the tune, its octave, what is held, how phrases end
 */
public record Project(
        Song song,
        Instrument instrument,
        StringSet strings,
        Hand hand,
        List<Lock> locks,
        Optional<Written> written,
        Picking picking,
        Wishes wishes) {
    public Project {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(strings, "strings");
        Objects.requireNonNull(hand, "hand");
        Objects.requireNonNull(written, "written");
        Objects.requireNonNull(picking, "picking");
        Objects.requireNonNull(wishes, "wishes");
        locks = locks.stream().sorted(Lock.ORDER).toList();
    }

    /** A song on the player's guitar in standard tuning. */
    public static Project of(Song song, Setup setup) {
        return new Project(
                song,
                new Instrument(setup.guitar(), Tuning.STANDARD, 0),
                setup.strings(),
                setup.hand(),
                List.of(),
                Optional.empty(),
                Picking.PLAIN,
                Wishes.USUAL);
    }

    /**
     * Notes that were written are kept while bars, chords, tune and own bass stay as they are; locks beyond the end go.
     */
    public Project withSong(Song newSong) {
        boolean same = newSong.bars().equals(song.bars())
                && newSong.chart().equals(song.chart())
                && newSong.melody().equals(song.melody())
                && newSong.bass().equals(song.bass());
        List<Lock> left = locks.stream()
                .filter(lock -> lock.startTick() < newSong.endTick())
                .toList();
        return new Project(
                newSong, instrument, strings, hand, left, same ? written : Optional.empty(), picking, wishes);
    }

    /**
     * With other bars: locks and stretches of picking move along, and go with the bars that they stood in. Notes that
     * were written are arranged anew.
     */
    public Project withBars(BarEdit.Edited edited) {
        List<Lock> left = locks.stream()
                .flatMap(lock -> lock.moved(edited.moved()).stream())
                .toList();
        return new Project(
                edited.song(),
                instrument,
                strings,
                hand,
                left,
                Optional.empty(),
                picking.moved(edited.moved()),
                wishes);
    }

    /** Notes that were written are kept on another guitar, but not in another tuning or under another capo. */
    public Project withInstrument(Instrument newInstrument) {
        boolean same = newInstrument.withGuitar(instrument.guitar()).equals(instrument);
        return new Project(
                song, newInstrument, strings, hand, locks, same ? written : Optional.empty(), picking, wishes);
    }

    public Project withGuitar(Guitar guitar, StringSet newStrings) {
        return new Project(song, instrument.withGuitar(guitar), newStrings, hand, locks, written, picking, wishes);
    }

    public Project withHand(Hand newHand) {
        return new Project(song, instrument, strings, newHand, locks, written, picking, wishes);
    }

    /** With the notes of a file, on a guitar that is tuned for them. */
    public Project withWritten(Written notes) {
        return new Project(
                song, notes.on(instrument.guitar()), strings, hand, List.of(), Optional.of(notes), picking, wishes);
    }

    /** With another right hand; notes that were written keep their strings, and get its digits. */
    public Project withPicking(Picking newPicking) {
        return new Project(song, instrument, strings, hand, locks, written, newPicking, wishes);
    }

    /** With other wishes; notes that were written are arranged anew, unless only slurs are wished otherwise. */
    public Project withWishes(Wishes newWishes) {
        boolean same = newWishes.withSlurs(wishes.slurs()).equals(wishes);
        return new Project(
                song, instrument, strings, hand, locks, same ? written : Optional.empty(), picking, newWishes);
    }

    /** To be arranged anew in place of kept as written. */
    public Project anew() {
        return written.isEmpty() ? this : withLocks(locks);
    }

    /** With a lock more; those it contradicts go. Notes that were written are arranged anew where a shape is to be held. */
    public Project withLock(Lock lock) {
        List<Lock> more = new ArrayList<>(locks);
        more.removeIf(lock::contradicts);
        more.add(lock);
        return lock instanceof AttackLock ? withColours(more) : withLocks(more);
    }

    /** With these locks alone; notes that were written are arranged anew. */
    public Project lockedTo(List<? extends Lock> all) {
        return withLocks(List.copyOf(all));
    }

    public Project withoutLock(Lock lock) {
        List<Lock> fewer = new ArrayList<>(locks);
        fewer.remove(lock);
        return lock instanceof AttackLock ? withColours(fewer) : withLocks(fewer);
    }

    private Project withColours(List<Lock> newLocks) {
        return new Project(song, instrument, strings, hand, newLocks, written, picking, wishes);
    }

    private Project withLocks(List<Lock> newLocks) {
        return new Project(song, instrument, strings, hand, newLocks, Optional.empty(), picking, wishes);
    }

    /** The guitar, strings and hand, to be kept for the next song. */
    public Setup setup() {
        return new Setup(instrument.guitar(), strings, hand);
    }
}

package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.Written;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Finding;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Moved;
import phalanx.song.Song;

/**
 * One way to arrange a project's song: what the player has decided about it. The song, the strings and the hand are the
 * same in all versions.
 *
 * @param name by which the player knows it; at most {@value #LONGEST} characters
 * @param instrument the guitar, tuned
 * @param locks what is to be kept, in order, none contradicting another
 * @param written where every note is played, while the song is kept as a file wrote it
 * @param picking how the right hand plays
 * @param wishes who has the tune, its octave, what is held, how phrases end
 * @param ignored findings that may stand
 */
public record Version(
        String name,
        Instrument instrument,
        List<Lock> locks,
        Optional<Written> written,
        Picking picking,
        Wishes wishes,
        List<IgnoredFinding> ignored) {
    public static final int LONGEST = 40;

    public Version {
        name = name.strip();
        if (name.isEmpty() || name.length() > LONGEST) {
            throw new IllegalArgumentException(wording("Version.a-version-has-a-name", LONGEST));
        }
        Objects.requireNonNull(instrument, "instrument");
        Objects.requireNonNull(written, "written");
        Objects.requireNonNull(picking, "picking");
        Objects.requireNonNull(wishes, "wishes");
        locks = locks.stream().sorted(Lock.ORDER).toList();
        ignored = List.copyOf(ignored);
    }

    /** Why a finding may stand; nothing where the player has not said so. */
    public Optional<String> ignores(Finding finding) {
        return ignored.stream().filter(one -> one.is(finding)).findFirst().map(IgnoredFinding::reason);
    }

    public Version named(String newName) {
        return new Version(newName, instrument, locks, written, picking, wishes, ignored);
    }

    /** With a finding let stand, for this reason in place of one before; an empty reason has it count again. */
    Version ignoring(Finding finding, String reason) {
        List<IgnoredFinding> all = new ArrayList<>(ignored);
        all.removeIf(one -> one.is(finding));
        if (!reason.isBlank()) {
            all.add(new IgnoredFinding(finding.tick(), finding.kind(), reason));
        }
        return new Version(name, instrument, locks, written, picking, wishes, all);
    }

    /**
     * Notes that were written are kept while bars, chords, tune and own bass stay as they are; what lies beyond the end
     * goes.
     */
    Version after(Song before, Song now) {
        boolean same = now.bars().equals(before.bars())
                && now.chart().equals(before.chart())
                && now.melody().equals(before.melody())
                && now.bass().equals(before.bass());
        List<Lock> left = locks.stream()
                .filter(lock -> lock.startTick() < now.endTick())
                .filter(lock -> !(lock instanceof AddedLock added)
                        || added.what().isIn(now, added.startTick(), added.endTick()))
                .toList();
        List<IgnoredFinding> seen =
                ignored.stream().filter(one -> one.tick() < now.endTick()).toList();
        return new Version(name, instrument, left, same ? written : Optional.empty(), picking, wishes, seen);
    }

    /** Locks, picking and ignored findings move along with bars. Notes that were written are arranged anew. */
    Version moved(Moved moved) {
        return new Version(
                name,
                instrument,
                locks.stream().flatMap(lock -> lock.moved(moved).stream()).toList(),
                Optional.empty(),
                picking.moved(moved),
                wishes,
                ignored.stream().flatMap(one -> one.moved(moved).stream()).toList());
    }

    /** Notes that were written are kept on another guitar, but not in another tuning or under another capo. */
    Version on(Instrument other) {
        boolean same = other.withGuitar(instrument.guitar()).equals(instrument);
        return new Version(name, other, locks, same ? written : Optional.empty(), picking, wishes, ignored);
    }

    Version on(Guitar guitar) {
        return on(instrument.withGuitar(guitar));
    }

    Version writtenAs(Written notes) {
        return new Version(
                name, notes.on(instrument.guitar()), List.of(), Optional.of(notes), picking, wishes, List.of());
    }

    Version with(Picking newPicking) {
        List<Lock> left = locks.stream()
                .filter(lock -> !(lock instanceof AddedLock added)
                        || added.what().isIn(newPicking, added.startTick(), added.endTick()))
                .toList();
        return new Version(name, instrument, left, written, newPicking, wishes, ignored);
    }

    /** Without what was put in, as far as it is this version's own. */
    Version without(AddedLock added) {
        if (!locks.contains(added)) {
            return this;
        }
        List<Lock> left = new ArrayList<>(locks);
        left.remove(added);
        return with(left, true).with(added.what().before(picking, added.startTick(), added.endTick()));
    }

    Version withoutLicks() {
        List<Lock> left = locks.stream()
                .filter(lock -> !(lock instanceof AddedLock added && added.what() instanceof Added.Tune))
                .toList();
        return with(left, true);
    }

    /** With other wishes; notes that were written are arranged anew, unless only slurs are wished otherwise. */
    Version with(Wishes newWishes) {
        boolean same = newWishes.withSlurs(wishes.slurs()).equals(wishes);
        return new Version(name, instrument, locks, same ? written : Optional.empty(), picking, newWishes, ignored);
    }

    /** With other locks; notes that were written are arranged anew unless they can stay. */
    Version with(List<Lock> newLocks, boolean keepsWritten) {
        return new Version(
                name, instrument, newLocks, keepsWritten ? written : Optional.empty(), picking, wishes, ignored);
    }
}

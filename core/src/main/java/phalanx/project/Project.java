package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import phalanx.arrange.Written;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Finding;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.theory.Key;

/**
 * Everything the player has decided; the arrangement follows from it.
 *
 * @param song as entered, with its tempo
 * @param strings on the guitar
 * @param hand the player's hand
 * @param versions ways to arrange the song, each with a name of its own; at least one
 * @param shown which of them is arranged, from 0
 */
public record Project(Song song, StringSet strings, Hand hand, List<Version> versions, int shown) {
    /** The name of a project's first version. */
    public static final String FIRST = "First";

    /** So many versions a project may have. */
    public static final int MOST_VERSIONS = 50;

    public Project {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(strings, "strings");
        Objects.requireNonNull(hand, "hand");
        versions = List.copyOf(versions);
        if (versions.isEmpty() || versions.size() > MOST_VERSIONS) {
            throw new IllegalArgumentException(
                    wording("Project.versions-a-project-has-between", versions.size(), MOST_VERSIONS));
        }
        if (versions.stream().map(Version::name).distinct().count() < versions.size()) {
            throw new IllegalArgumentException(wording("Project.two-versions-have-one-name"));
        }
        if (versions.stream()
                        .map(version -> version.instrument().guitar())
                        .distinct()
                        .count()
                > 1) {
            throw new IllegalArgumentException(wording("Project.the-versions-are-for-several"));
        }
        Objects.checkIndex(shown, versions.size());
    }

    /** A song on the player's guitar in standard tuning. */
    public static Project of(Song song, Setup setup) {
        Version first = new Version(
                FIRST,
                new Instrument(setup.guitar(), Tuning.STANDARD, 0),
                List.of(),
                Optional.empty(),
                Picking.PLAIN,
                Wishes.USUAL,
                List.of());
        return new Project(song, setup.strings(), setup.hand(), List.of(first), 0);
    }

    /** The version that is arranged. */
    public Version version() {
        return versions.get(shown);
    }

    /** The guitar, tuned. */
    public Instrument instrument() {
        return version().instrument();
    }

    /** What is to be kept, in order, none contradicting another. */
    public List<Lock> locks() {
        return version().locks();
    }

    /** Where every note is played, while the song is kept as a file wrote it. */
    public Optional<Written> written() {
        return version().written();
    }

    /** How the right hand plays. */
    public Picking picking() {
        return version().picking();
    }

    /** Who has the tune, its octave, what is held, how phrases end. */
    public Wishes wishes() {
        return version().wishes();
    }

    private Project edited(UnaryOperator<Version> edit) {
        List<Version> all = new ArrayList<>(versions);
        all.set(shown, edit.apply(version()));
        return new Project(song, strings, hand, all, shown);
    }

    private Project with(Song newSong, UnaryOperator<Version> edit) {
        return new Project(newSong, strings, hand, versions.stream().map(edit).toList(), shown);
    }

    /**
     * Notes that were written are kept while bars, chords, tune and own bass stay as they are; locks beyond the end go.
     */
    public Project withSong(Song newSong) {
        return with(newSong, version -> version.after(song, newSong));
    }

    /**
     * With the song in another key. Locks of the other versions are released: their shapes belong to the key before. What
     * was put in stays, but a lick is the tune now: the notes before it belong to the key before.
     *
     * @param instrument on which this version is played there
     * @param keepLocks whether its own hold there, too
     */
    public Project inKey(Song moved, Instrument instrument, boolean keepLocks) {
        Project there = with(moved, version -> version.after(song, moved)
                .with(version.equals(version()) && keepLocks ? version.locks() : added(version), true)
                .withoutLicks());
        return there.withInstrument(instrument);
    }

    /**
     * In another key by the nearest way. Locks are released unless the shapes stay.
     *
     * @param text a tonic such as G; with the word capo after it the shapes stay and a capo brings them there
     * @throws IllegalArgumentException if it is no key, or the capo would be beyond the last fret it can be at
     */
    public Project inKey(String text) {
        boolean byCapo = text.trim().toLowerCase(Locale.ROOT).endsWith("capo");
        // a minor song stays minor, whether the player types A or Am
        String tonic = text.trim().replaceFirst("(?i)\\s*capo$", "").replaceFirst("(?<=[A-Ga-g#b])m$", "");
        Key key = song.key();
        String mode =
                key.mode() == Key.Mode.MAJOR ? "" : " " + key.mode().name().toLowerCase(Locale.ROOT);
        Key wanted = Key.parse(tonic + mode);
        int up = Math.floorMod(wanted.tonic().pitchClass() - key.tonic().pitchClass(), 12);
        if (byCapo) {
            int capo = instrument().capo();
            int steps = capo + up > Instrument.HIGHEST_CAPO ? up - 12 : up;
            return inKey(song.transpose(steps).inKey(wanted), instrument().withCapo(capo + steps), true);
        }
        int near = up > 6 ? up - 12 : up;
        Song moved = song.transpose(near).inKey(wanted);
        return near == 0 ? withSong(moved) : inKey(moved, instrument(), false);
    }

    /**
     * With other bars: locks and stretches of picking move along, and go with the bars that they stood in. Notes that
     * were written are arranged anew.
     */
    public Project withBars(BarEdit.Edited edited) {
        return with(edited.song(), version -> version.moved(edited.moved()));
    }

    /**
     * With some bars in another meter, each cut off or filled up with rests at its end.
     *
     * @param to index of the first bar after them
     */
    public Project withMeter(int from, int to, Meter meter) {
        BarEdit.Edited edited = BarEdit.withMeter(song, from, to, meter);
        return edited.song().equals(song) ? this : withBars(edited);
    }

    /** Notes that were written are kept on another guitar, but not in another tuning or under another capo. */
    public Project withInstrument(Instrument newInstrument) {
        return edited(version -> version.on(newInstrument));
    }

    /** Another guitar, for all versions. */
    public Project withGuitar(Guitar guitar, StringSet newStrings) {
        List<Version> there =
                versions.stream().map(version -> version.on(guitar)).toList();
        return new Project(song, newStrings, hand, there, shown);
    }

    public Project withHand(Hand newHand) {
        return new Project(song, strings, newHand, versions, shown);
    }

    /** With the notes of a file, on a guitar that is tuned for them. */
    public Project withWritten(Written notes) {
        return edited(version -> version.writtenAs(notes));
    }

    /** With another right hand; notes that were written keep their strings, and get its digits. */
    public Project withPicking(Picking newPicking) {
        return edited(version -> version.with(newPicking));
    }

    /** With other wishes; notes that were written are arranged anew, unless only slurs are wished otherwise. */
    public Project withWishes(Wishes newWishes) {
        return edited(version -> version.with(newWishes));
    }

    /** To be arranged anew in place of kept as written. */
    public Project anew() {
        return lockedTo(locks());
    }

    /** With a lock more; those it contradicts go. Notes that were written are arranged anew where a shape is to be held. */
    public Project withLock(Lock lock) {
        List<Lock> more = new ArrayList<>(locks());
        more.removeIf(lock::contradicts);
        more.add(lock);
        return edited(version -> version.with(more, keepsNotes(lock)));
    }

    /** Whether notes stay as they were written while it says how they begin, or who plucks them. */
    private static boolean keepsNotes(Lock lock) {
        return lock instanceof AttackLock || lock instanceof DigitLock;
    }

    /** With these locks alone, beside those of added bars; notes that were written are arranged anew. */
    public Project lockedTo(List<? extends Lock> all) {
        return edited(version -> version.with(
                Stream.concat(all.stream(), added(version).stream()).distinct().toList(), false));
    }

    private static List<Lock> added(Version version) {
        return version.locks().stream().filter(AddedLock.class::isInstance).toList();
    }

    /** Without what was put in: what stood there before is back, in all versions. Bars go with what was decided in them. */
    public Project without(AddedLock added) {
        if (added.what() instanceof Added.Bars) {
            int from = song.barIndexAt(added.startTick());
            return withBars(BarEdit.delete(song, from, song.barIndexAt(added.endTick() - 1) + 1));
        }
        Song before = added.what().before(song, added.startTick(), added.endTick());
        return with(before, version -> version.without(added).after(song, before));
    }

    public Project withoutLock(Lock lock) {
        List<Lock> fewer = new ArrayList<>(locks());
        fewer.remove(lock);
        return edited(version -> version.with(fewer, keepsNotes(lock)));
    }

    /** With a finding let stand, for this reason in place of one before; an empty reason has it count again. */
    public Project ignoring(Finding finding, String reason) {
        return edited(version -> version.ignoring(finding, reason));
    }

    /**
     * With the version that is shown once more under another name, which is then shown: what follows leaves the first alone.
     *
     * @throws IllegalArgumentException if a version has that name
     */
    public Project branched(String name) {
        List<Version> all = new ArrayList<>(versions);
        all.add(shown + 1, version().named(name));
        return new Project(song, strings, hand, all, shown + 1);
    }

    /** @throws IllegalArgumentException if another version has that name */
    public Project renamed(String name) {
        return edited(version -> version.named(name));
    }

    /** @throws IllegalArgumentException if no version has that name */
    public Project showing(String name) {
        return new Project(song, strings, hand, versions, index(name));
    }

    /**
     * Without a version; where it was shown, the one before it is.
     *
     * @throws IllegalArgumentException if no version has that name, or it is the only one
     */
    public Project withoutVersion(String name) {
        int gone = index(name);
        List<Version> left = new ArrayList<>(versions);
        left.remove(gone);
        int now = gone <= shown && shown > 0 ? shown - 1 : shown;
        return new Project(song, strings, hand, left, now);
    }

    private int index(String name) {
        for (int i = 0; i < versions.size(); i++) {
            if (versions.get(i).name().equals(name)) {
                return i;
            }
        }
        throw new IllegalArgumentException(wording("Project.no-version-is-called", name));
    }

    /** The guitar, strings and hand, to be kept for the next song. */
    public Setup setup() {
        return new Setup(instrument().guitar(), strings, hand);
    }
}

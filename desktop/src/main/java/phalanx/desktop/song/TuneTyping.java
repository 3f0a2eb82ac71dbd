package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.function.IntSupplier;
import java.util.function.UnaryOperator;
import javafx.scene.input.KeyEvent;
import phalanx.desktop.Playback;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.project.Project;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Note;
import phalanx.theory.NoteNames;
import phalanx.theory.Pitch;

/** Notes of the tune, or of the own bass, typed at a cursor: by frets or names, alone, with the last one or before it. */
final class TuneTyping {
    private static final int MIDDLE_OF_TUNE = 64;
    private static final int MIDDLE_OF_BASS = 45;

    private final Workbench workbench;
    private final Playback playback;
    private final TuneCard tune;
    private final IntSupplier cursor;
    private final IntConsumer moveTo;
    private final Runnable clearSelection;

    /** What the next note is to the one before the cursor. */
    private enum Next {
        ALONE,
        SECOND,
        GRACE
    }

    private Next next = Next.ALONE;

    /**
     * @param playback to hear what is typed
     * @param tune says which line is edited, on which string, and how long notes are
     * @param cursor the tick at which notes are put
     * @param moveTo moves it
     * @param clearSelection marks nothing
     */
    TuneTyping(
            Workbench workbench,
            Playback playback,
            TuneCard tune,
            IntSupplier cursor,
            IntConsumer moveTo,
            Runnable clearSelection) {
        this.workbench = workbench;
        this.playback = playback;
        this.tune = tune;
        this.cursor = cursor;
        this.moveTo = moveTo;
        this.clearSelection = clearSelection;
    }

    /** The next note stands alone. */
    void alone() {
        next = Next.ALONE;
    }

    /** Takes a typed character. */
    void take(KeyEvent event) {
        if (event.getCharacter().length() != 1 || event.isControlDown() || event.isMetaDown()) {
            return;
        }
        char key = event.getCharacter().charAt(0);
        if (Character.isDigit(key)) {
            digit(key - '0');
        } else if (key >= 'A' && key <= 'G') {
            letter(key);
        } else if (key == 'H' && NoteNames.current() == NoteNames.GERMAN) {
            letter('B');
        } else if (key == 'r') {
            edit(
                    wording("SongStation.rest"),
                    song -> TuneEdit.clear(song, cursor.getAsInt(), cursor.getAsInt() + tune.ticks()));
            moveTo.accept(cursor.getAsInt() + tune.ticks());
        } else if (key == '+') {
            await(Next.SECOND);
        } else if (key == 'g' && !tune.isBass()) {
            await(Next.GRACE);
        } else if (key == '-') {
            edit(wording("TuneTyping.tie"), song -> TuneEdit.lengthen(song, cursor.getAsInt(), tune.ticks()));
            moveTo.accept(cursor.getAsInt() + tune.ticks());
        } else {
            tune.take(key);
        }
        event.consume();
    }

    /** The next note goes with the one before the cursor, or just before it; asked for twice it stands alone again. */
    private void await(Next wanted) {
        Optional<MelodyNote> note = line().flatMap(this::before);
        boolean again = next == wanted;
        next = again || note.isEmpty() ? Next.ALONE : wanted;
        if (again
                && wanted == Next.GRACE
                && note.filter(one -> !one.graces().isEmpty()).isPresent()) {
            MelodyNote plain = note.get().graced(List.of());
            edit(wording("TuneTyping.no-grace-notes-before", plain.pitch()), song -> TuneEdit.put(song, plain));
        } else if (again) {
            workbench.say(Message.plain(wording("TuneTyping.the-next-note-stands-alone")));
        } else {
            workbench.say(note.map(one -> Message.plain(
                            wanted == Next.GRACE
                                    ? wording("TuneTyping.the-next-note-is-a-grace", one.pitch())
                                    : wording("TuneTyping.the-next-note-goes-with", one.pitch())))
                    .orElse(Message.error(wording("TuneTyping.there-is-no-note-before"))));
        }
    }

    private void digit(int digit) {
        place(tune.string(), tune.takeTens() + digit);
    }

    /** The note of a letter nearest to the one before, as the key has it. */
    private void letter(char letter) {
        line().ifPresent(song -> {
            Note note = song.key().scale().stream()
                    .filter(one -> one.step().name().charAt(0) == letter)
                    .findFirst()
                    .orElseThrow();
            int near = before(song).map(MelodyNote::midi).orElse(tune.isBass() ? MIDDLE_OF_BASS : MIDDLE_OF_TUNE);
            Pitch best = null;
            for (int octave = 2; octave <= 6; octave++) {
                Pitch pitch = new Pitch(note, octave);
                best = best == null || Math.abs(pitch.midi() - near) < Math.abs(best.midi() - near) ? pitch : best;
            }
            put(best);
        });
    }

    void place(int string, int fret) {
        workbench.project().ifPresent(project -> {
            if (!project.instrument().has(string, fret)) {
                workbench.say(Message.error(wording("TuneTyping.string-has-no-fret-nothing", string, fret)));
                return;
            }
            int midi = project.instrument().midi(string, fret);
            put(Pitch.of(midi, project.song().key()));
        });
    }

    private void put(Pitch pitch) {
        int at = cursor.getAsInt();
        clearSelection.run();
        playback.hear(List.of(pitch.midi()));
        Next wanted = next;
        Optional<MelodyNote> with = wanted == Next.ALONE ? Optional.empty() : line().flatMap(this::before);
        next = Next.ALONE;
        if (with.isPresent()) {
            MelodyNote last = with.get();
            boolean grace = wanted == Next.GRACE;
            MelodyNote both = grace ? withGrace(last, pitch) : last.with(pitch);
            edit(
                    grace
                            ? wording("TuneTyping.grace", pitch, last.pitch())
                            : wording("TuneTyping.with", pitch, last.pitch()),
                    song -> TuneEdit.put(song, both));
            return;
        }
        edit(wording("TuneTyping.note", pitch), song -> TuneEdit.put(song, new MelodyNote(at, tune.ticks(), pitch)));
        moveTo.accept(at + tune.ticks());
    }

    /** One grace note more, nearest to the note; of more than there can be the first goes. */
    private static MelodyNote withGrace(MelodyNote note, Pitch pitch) {
        List<Pitch> graces = new ArrayList<>(note.graces());
        graces.add(pitch);
        return note.graced(graces.subList(Math.max(0, graces.size() - MelodyNote.MOST_GRACES), graces.size()));
    }

    /** The line that is edited, as a tune. */
    Optional<Song> line() {
        return workbench.project().map(Project::song).map(song -> tune.isBass() ? TuneEdit.bassAsTune(song) : song);
    }

    void edit(String what, UnaryOperator<Song> change) {
        if (tune.isBass()) {
            workbench.editSong(wording("TuneTyping.bass", what), song -> TuneEdit.onBass(song, change));
        } else {
            workbench.editSong(what, change);
        }
    }

    /** The last note before the cursor. */
    Optional<MelodyNote> before(Song song) {
        return song.melody().stream()
                .filter(note -> note.tick() < cursor.getAsInt())
                .reduce((first, second) -> second);
    }
}

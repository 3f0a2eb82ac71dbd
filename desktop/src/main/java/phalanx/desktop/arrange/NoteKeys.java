package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.Optional;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.guitar.Instrument;
import phalanx.project.Project;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Pitch;

/** Adds and drops inner notes, and changes octave and length of a tune note; the rest is solved around it. */
final class NoteKeys {
    private static final int OCTAVE = 12;

    private final Workbench workbench;

    NoteKeys(Workbench workbench) {
        this.workbench = workbench;
    }

    /** The note of the tune that begins at a tick is the tune's no more; where none does, the highest inner note is. */
    void role(Arrangement arrangement, int tick) {
        if (isWritten()) {
            return;
        }
        TuneUse use = arrangement.request().wishes().tune();
        if (use != TuneUse.PLAYED) {
            workbench.say(Message.plain(wording("NoteKeys.the-tune-is-not-played", use.label())));
            return;
        }
        String place = AttackKeys.place(arrangement, tick);
        Optional<MelodyNote> own = begins(tick);
        Optional<ArrangedNote> inner = arrangement.notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                .max(Comparator.comparingInt(ArrangedNote::midi));
        if (own.isPresent()) {
            workbench.editSong(
                    wording("NoteKeys.the-tune-without-its-note", place),
                    song -> TuneEdit.clear(song, tick, own.get().endTick()));
        } else if (inner.isPresent()) {
            workbench.editSong(wording("NoteKeys.the-inner-note-as-the-tunes", place), song -> {
                int length = Math.min(inner.get().lengthTicks(), next(song, tick) - tick);
                Pitch pitch = Pitch.of(inner.get().midi() - arrangement.movedBy(), song.key());
                return TuneEdit.put(song, new MelodyNote(tick, length, pitch));
            });
        } else {
            workbench.say(Message.plain(wording("NoteKeys.no-inner-note-begins-in", place)));
        }
    }

    private boolean isWritten() {
        boolean written = workbench.project().flatMap(Project::written).isPresent();
        if (written) {
            workbench.say(Message.plain(wording("NoteKeys.the-song-is-kept-as")));
        }
        return written;
    }

    /** Where the next note of the tune begins, or the song ends. */
    private static int next(Song song, int tick) {
        return song.melody().stream()
                .mapToInt(MelodyNote::tick)
                .filter(other -> other > tick)
                .findFirst()
                .orElse(song.endTick());
    }

    /** One inner note more or less where a moment begins. */
    void inner(Arrangement arrangement, int tick, boolean more) {
        if (isWritten()) {
            return;
        }
        int now = (int) arrangement.notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                .count();
        int digits = arrangement.request().picking().school().digits().size();
        long busy =
                arrangement.notes().stream().filter(note -> note.tick() == tick).count();
        String place = AttackKeys.place(arrangement, tick);
        if (more && busy >= digits) {
            workbench.say(Message.error(wording("NoteKeys.all-digits-are-busy-in", digits, place)));
        } else if (!more && now == 0) {
            workbench.say(Message.plain(wording("NoteKeys.no-inner-note-begins-in", place)));
        } else {
            InnerLock lock = new InnerLock(tick, more ? now + 1 : now - 1);
            workbench.decide(wording("NoteKeys.in", lock.words(), place), project -> project.withLock(lock));
        }
    }

    /** The tune note that begins at a tick an octave higher or lower. */
    void octave(Arrangement arrangement, int tick, boolean up) {
        tuneNote(tick).ifPresent(note -> {
            int by = up ? OCTAVE : -OCTAVE;
            int sounds = note.midi() + by + arrangement.movedBy();
            Instrument instrument = arrangement.request().instrument();
            int lowest = instrument.lowestMidi();
            int highest = instrument.midi(1, instrument.highestFret());
            if (sounds < lowest || sounds > highest) {
                workbench.say(Message.error(wording(
                        "NoteKeys.an-octave-it-would-be",
                        up ? wording("NoteKeys.higher") : wording("NoteKeys.lower"),
                        Pitch.of(sounds, arrangement.song().key()),
                        Pitch.of(lowest, arrangement.song().key()),
                        Pitch.of(highest, arrangement.song().key()))));
                return;
            }
            workbench.editSong(
                    wording(
                            "NoteKeys.the-tune-note-in-an",
                            AttackKeys.place(arrangement, tick),
                            up ? wording("NoteKeys.higher") : wording("NoteKeys.lower")),
                    song -> TuneEdit.transpose(song, tick, tick + 1, by));
        });
    }

    /** The tune note that begins at a tick longer or shorter by a step of its meter. */
    void length(Arrangement arrangement, int tick, boolean longer) {
        tuneNote(tick).ifPresent(note -> {
            Song song = workbench.project().orElseThrow().song();
            int step = song.barAt(tick).meter().stepTicks();
            int next = next(song, tick);
            int length = note.lengthTicks() + (longer ? step : -step);
            if (length <= 0 || tick + length > next) {
                workbench.say(Message.error(
                        longer ? wording("NoteKeys.it-lasts-to-where-the") : wording("NoteKeys.it-is-as-short-as")));
                return;
            }
            workbench.editSong(
                    wording(
                            "NoteKeys.the-tune-note-in",
                            AttackKeys.place(arrangement, tick),
                            longer ? wording("NoteKeys.longer") : wording("NoteKeys.shorter")),
                    now -> TuneEdit.put(now, note.lasting(length)));
        });
    }

    private Optional<MelodyNote> begins(int tick) {
        return workbench.project().stream()
                .flatMap(project -> project.song().melodyBetween(tick, tick + 1).stream())
                .findFirst();
    }

    private Optional<MelodyNote> tuneNote(int tick) {
        Optional<MelodyNote> note = begins(tick);
        if (note.isEmpty()) {
            workbench.say(Message.plain(wording("NoteKeys.no-note-of-the-tune")));
        }
        return note;
    }
}

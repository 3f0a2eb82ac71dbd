package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.Role;
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

    /** One inner note more or less where a moment begins. */
    void inner(Arrangement arrangement, int tick, boolean more) {
        if (workbench.project().flatMap(Project::written).isPresent()) {
            workbench.say(Message.plain(wording("NoteKeys.the-song-is-kept-as")));
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
            int next = song.melody().stream()
                    .mapToInt(MelodyNote::tick)
                    .filter(other -> other > tick)
                    .findFirst()
                    .orElse(song.endTick());
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

    private Optional<MelodyNote> tuneNote(int tick) {
        Optional<MelodyNote> note = workbench.project().stream()
                .flatMap(project -> project.song().melodyBetween(tick, tick + 1).stream())
                .filter(one -> one.tick() == tick)
                .findFirst();
        if (note.isEmpty()) {
            workbench.say(Message.plain(wording("NoteKeys.no-note-of-the-tune")));
        }
        return note;
    }
}

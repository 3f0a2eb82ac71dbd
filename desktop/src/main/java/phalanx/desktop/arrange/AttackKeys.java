package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.Optional;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.colour.AttackAdvice;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.words.Words;

/** Slurs or bends a note, makes it a harmonic or waver, with one key each; the same key has it plucked again. */
final class AttackKeys {
    private final Workbench workbench;

    AttackKeys(Workbench workbench) {
        this.workbench = workbench;
    }

    /** The note that is meant at a tick: the tune's, else the highest that begins there. */
    static Optional<ArrangedNote> note(Arrangement arrangement, int tick) {
        return arrangement.notes().stream()
                .filter(one -> one.tick() == tick)
                .min(Comparator.<ArrangedNote>comparingInt(one -> one.role() == Role.MELODY ? 0 : 1)
                        .thenComparingInt(ArrangedNote::string));
    }

    /** How a note begins now. */
    static AttackLock.Way now(ArrangedNote note) {
        if (note.attack().equals(Attack.BEND)) {
            return AttackLock.Way.BENT;
        }
        if (!note.attack().plucked()) {
            return AttackLock.Way.SLURRED;
        }
        if (note.attack().equals(Attack.ARRIVED)) {
            return AttackLock.Way.SHIFTED;
        }
        if (note.attack().equals(Attack.CURL)) {
            return AttackLock.Way.CURLED;
        }
        if (note.attack() instanceof Attack.Graced) {
            return AttackLock.Way.SLID_INTO;
        }
        if (note.attack().equals(Attack.VIBRATO)) {
            return AttackLock.Way.VIBRATO;
        }
        return note.attack() instanceof Attack.Touched touched && !touched.slapped() && note.fret() == 0
                ? AttackLock.Way.HARMONIC
                : AttackLock.Way.PLUCKED;
    }

    /** For the tune's note at a tick, or the highest that begins there. */
    void press(Arrangement arrangement, int tick, AttackLock.Way way) {
        Optional<ArrangedNote> found = note(arrangement, tick);
        if (found.isEmpty()) {
            workbench.say(Message.plain(wording("AttackKeys.no-note-begins-here")));
            return;
        }
        ArrangedNote note = found.get();
        AttackLock.Way now = now(note);
        if (now == way && way == AttackLock.Way.HARMONIC && written(note).isPresent()) {
            workbench.say(Message.plain(wording("AttackKeys.the-tablature-has-this-note")));
        } else if (now == way) {
            edit(arrangement, note, AttackLock.Way.PLUCKED);
        } else if (now != AttackLock.Way.PLUCKED) {
            workbench.say(Message.plain(wording("AttackKeys.this-note-is-have-it", now.label(), key(now))));
        } else {
            AttackAdvice advice = new AttackAdvice(arrangement);
            Optional<String> why = advice.refusal(note, way);
            Optional<AttackLock> kept = decided(new AttackLock(note.tick(), note.role(), AttackLock.Way.PLUCKED))
                    .filter(lock -> lock.way() == AttackLock.Way.PLUCKED);
            if (why.isEmpty()) {
                edit(arrangement, note, way);
            } else if (kept.isPresent()
                    && (way == AttackLock.Way.SLURRED || way == AttackLock.Way.SLID_INTO && isGraced(note))) {
                // the pattern may hammer it again, the tune have its grace notes
                workbench.decide(
                        wording("AttackKeys.release-of", kept.get().words()),
                        project -> project.withoutLock(kept.get()));
            } else {
                workbench.say(Message.error(wording(
                        "AttackKeys.this-note-cannot-be",
                        words(way),
                        why.get(),
                        nearest(arrangement, advice, tick, way))));
            }
        }
    }

    /** The key for a way. */
    static String key(AttackLock.Way way) {
        return switch (way) {
            case SLURRED, SLID, PLUCKED -> "S";
            case BENT -> "B";
            case HARMONIC -> "H";
            case VIBRATO -> "W";
            case CURLED -> "Shift+B";
            case SLID_INTO -> "Shift+S";
            case SHIFTED -> "D";
        };
    }

    private static String words(AttackLock.Way way) {
        return way == AttackLock.Way.HARMONIC ? wording("AttackKeys.a-harmonic") : way.label();
    }

    private void edit(Arrangement arrangement, ArrangedNote note, AttackLock.Way way) {
        AttackLock lock = new AttackLock(note.tick(), note.role(), way);
        Optional<AttackLock> contrary = decided(lock);
        String what = wording(
                "AttackKeys.in",
                switch (way) {
                    case PLUCKED -> wording("AttackKeys.plucked-note");
                    case SLURRED -> wording("AttackKeys.slur");
                    case SLID -> SlurKind.SLIDE.label();
                    case BENT -> SlurKind.BEND.label();
                    case HARMONIC -> wording("AttackKeys.harmonic");
                    case VIBRATO -> wording("AttackKeys.vibrato");
                    case CURLED -> wording("AttackKeys.quarter-bend");
                    case SLID_INTO -> wording("AttackKeys.slide-into-the-note");
                    case SHIFTED -> wording("AttackKeys.shift-slide");
                },
                place(arrangement, note.tick()));
        // a decision that is only taken back leaves nothing behind
        boolean free = contrary.isPresent() && wished(arrangement, note) == way;
        workbench.decide(what, now -> free ? now.withoutLock(contrary.get()) : now.withLock(lock));
    }

    /** What is decided of the same note already. */
    private Optional<AttackLock> decided(AttackLock lock) {
        return workbench.project().stream()
                .flatMap(project -> project.locks().stream())
                .filter(lock::contradicts)
                .map(AttackLock.class::cast)
                .findFirst();
    }

    /** How the note would begin if nothing were decided on it. */
    private AttackLock.Way wished(Arrangement arrangement, ArrangedNote note) {
        boolean eased = arrangement.slurs().stream()
                .anyMatch(gain -> gain.tick() == note.tick() && gain.string() == note.string());
        return written(note)
                .orElse(
                        eased
                                ? AttackLock.Way.SLURRED
                                : isGraced(note) ? AttackLock.Way.SLID_INTO : AttackLock.Way.PLUCKED);
    }

    /** Whether the tune has grace notes before it. */
    private boolean isGraced(ArrangedNote note) {
        return note.role() == Role.MELODY
                && workbench.project().stream()
                        .flatMap(project -> project.song().melodyBetween(note.tick(), note.tick() + 1).stream())
                        .anyMatch(tune -> !tune.graces().isEmpty());
    }

    /** How tablature has the note begin, if the song is kept as one wrote it. */
    private Optional<AttackLock.Way> written(ArrangedNote note) {
        return workbench.project().flatMap(Project::written).stream()
                .flatMap(written -> written.notes().stream())
                .filter(own -> own.tick() == note.tick() && own.string() == note.string())
                .map(WrittenNote::way)
                .filter(way -> way != AttackLock.Way.PLUCKED)
                // the key does not tell them apart
                .map(way -> way == AttackLock.Way.SLID ? AttackLock.Way.SLURRED : way)
                .findFirst();
    }

    private static String nearest(Arrangement arrangement, AttackAdvice advice, int tick, AttackLock.Way way) {
        return advice.nearest(tick, way)
                .map(note -> wording("AttackKeys.the-nearest-that-can-is", place(arrangement, note.tick())))
                .orElse("");
    }

    /** A place in words. */
    static String place(Arrangement arrangement, int tick) {
        Bar bar = arrangement.song().barAt(tick);
        return wording("AttackKeys.bar-beat", bar.number(), Words.figure(bar.beatOf(tick)));
    }
}

package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.NoteLock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.project.Project;
import phalanx.righthand.Digit;
import phalanx.righthand.School;

/** Moves a note of tune or bass to another string, or gives it to another finger; the rest is solved around it. */
final class PlaceKeys {
    private final Workbench workbench;

    PlaceKeys(Workbench workbench) {
        this.workbench = workbench;
    }

    /** To the next string towards the treble side or the bass that has the note. */
    void move(Arrangement arrangement, int tick, Role role, boolean up) {
        Optional<ArrangedNote> found = note(arrangement, tick, role);
        if (found.isEmpty()) {
            return;
        }
        ArrangedNote note = found.get();
        Instrument instrument = arrangement.request().instrument();
        int step = up ? -1 : 1;
        for (int string = note.string() + step; string >= 1 && string <= instrument.strings(); string += step) {
            boolean has = role == Role.BASS || instrument.has(string, instrument.fretOf(string, note.midi()));
            if (has) {
                decide(arrangement, new PlaceLock(tick, role, string, Optional.empty()));
                return;
            }
        }
        workbench.say(Message.error(wording(
                "PlaceKeys.no-string-string-has-this",
                up ? wording("PlaceKeys.above") : wording("PlaceKeys.below"),
                note.string(),
                role.label())));
    }

    /** By a finger, on the string where it is. */
    void finger(Arrangement arrangement, int tick, Role role, Finger finger) {
        note(arrangement, tick, role).ifPresent(note -> {
            if (note.fret() == 0) {
                workbench.say(Message.plain(wording("PlaceKeys.the-note-is-an-open", role.label())));
            } else if (role == Role.MELODY && finger == Finger.THUMB) {
                workbench.say(Message.error(wording("PlaceKeys.the-thumb-never-takes-a")));
            } else {
                decide(arrangement, new PlaceLock(tick, role, note.string(), Optional.of(finger)));
            }
        });
    }

    /**
     * The bass note or the tune's is plucked by a digit, where no tune note begins the inner one; asked for once more, the
     * digit is chosen again.
     */
    void digit(Arrangement arrangement, int tick, Role role, Digit digit) {
        School school = arrangement.request().picking().school();
        if (!school.digits().contains(digit)) {
            workbench.say(Message.error(wording("PlaceKeys.this-hand-plays-without", digit.symbol())));
            return;
        }
        boolean inner = role == Role.MELODY
                && arrangement.notes().stream().noneMatch(note -> note.tick() == tick && note.role() == role);
        note(arrangement, tick, inner ? Role.INNER : role).ifPresent(note -> {
            DigitLock lock = new DigitLock(tick, note.role(), digit);
            boolean again = workbench.project().stream()
                    .anyMatch(project -> project.locks().contains(lock));
            if (again) {
                workbench.decide(
                        wording("PlaceKeys.release-of", lock.words(), AttackKeys.place(arrangement, tick)),
                        now -> now.withoutLock(lock));
            } else {
                decide(arrangement, lock);
            }
        });
    }

    private Optional<ArrangedNote> note(Arrangement arrangement, int tick, Role role) {
        Optional<ArrangedNote> note = arrangement.notes().stream()
                .filter(one -> one.tick() == tick && one.role() == role)
                .findFirst();
        if (note.isEmpty()) {
            workbench.say(Message.plain(wording("PlaceKeys.no-note-of-the-begins", role.label())));
        }
        return note;
    }

    private void decide(Arrangement arrangement, NoteLock lock) {
        if (lock instanceof PlaceLock
                && workbench.project().flatMap(Project::written).isPresent()) {
            workbench.say(Message.plain(wording("PlaceKeys.the-song-is-kept-as")));
            return;
        }
        String before = workbench.project().stream()
                .flatMap(project -> project.locks().stream())
                .filter(other -> lock.contradicts(other) && !other.equals(lock))
                .findFirst()
                .map(other -> wording("PlaceKeys.in-place-of", other.words()))
                .orElse("");
        workbench.decide(
                wording("PlaceKeys.in", lock.words(), AttackKeys.place(arrangement, lock.tick()), before),
                now -> now.withLock(lock));
    }
}

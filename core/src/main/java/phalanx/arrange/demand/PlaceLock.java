package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import phalanx.lefthand.shape.Finger;

/**
 * The player's decision where a note of tune or bass is played.
 *
 * @param tick where the note begins
 * @param role melody or bass
 * @param string from 1 at the treble side
 * @param finger that stops it, if that is decided, too
 */
public record PlaceLock(int tick, Role role, int string, Optional<Finger> finger) implements NoteLock {
    public PlaceLock {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(finger, "finger");
        if (tick < 0 || string < 1) {
            throw new IllegalArgumentException(wording("PlaceLock.a-note-at-tick-on", tick, string));
        }
        if (role == Role.INNER) {
            throw new IllegalArgumentException(wording("PlaceLock.the-place-of-an-inner"));
        }
    }

    @Override
    public PlaceLock at(int newTick) {
        return new PlaceLock(newTick, role, string, finger);
    }

    @Override
    public String words() {
        return wording(
                "PlaceLock.the-note-on-string",
                role.label(),
                string,
                finger.map(own -> wording("PlaceLock.with-finger", own.symbol()))
                        .orElse(""));
    }
}

package phalanx.arrange.demand;

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
            throw new IllegalArgumentException("a note at tick " + tick + " on string " + string);
        }
        if (role == Role.INNER) {
            throw new IllegalArgumentException("the place of an inner note follows from its shape");
        }
    }

    @Override
    public PlaceLock at(int newTick) {
        return new PlaceLock(newTick, role, string, finger);
    }

    @Override
    public String words() {
        return "the " + role.label() + " note on string " + string
                + finger.map(own -> " with finger " + own.symbol()).orElse("");
    }
}

package phalanx.arrange.demand;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.lefthand.shape.Finger;
import phalanx.song.Moved;

/**
 * The player's decision where a note of tune or bass is played.
 *
 * @param tick where the note begins
 * @param role melody or bass
 * @param string from 1 at the treble side
 * @param finger that stops it, if that is decided, too
 */
public record PlaceLock(int tick, Role role, int string, Optional<Finger> finger) implements Lock {
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
    public int startTick() {
        return tick;
    }

    @Override
    public int endTick() {
        return tick + 1;
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return moved.stretch(tick, tick + 1).stream()
                .map(stretch -> (Lock) new PlaceLock(stretch.from(), role, string, finger))
                .toList();
    }

    @Override
    public boolean contradicts(Lock other) {
        return other instanceof PlaceLock place && place.tick == tick && place.role == role;
    }

    @Override
    public String words() {
        return "the " + role.label() + " note on string " + string
                + finger.map(own -> " with finger " + own.symbol()).orElse("");
    }
}

package phalanx.arrange.demand;

import java.util.List;
import java.util.Objects;
import phalanx.song.Moved;

/**
 * The player's decision that a note is slurred from the one before on its string, or is not.
 *
 * @param tick where the note begins
 * @param role which of the notes that begin there
 * @param slurred whether it is; else it is plucked though a slur would help
 */
public record SlurLock(int tick, Role role, boolean slurred) implements Lock {
    public SlurLock {
        Objects.requireNonNull(role, "role");
        if (tick < 0) {
            throw new IllegalArgumentException("a slur at tick " + tick);
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
                .map(stretch -> (Lock) new SlurLock(stretch.from(), role, slurred))
                .toList();
    }

    @Override
    public boolean contradicts(Lock other) {
        return other instanceof SlurLock slur && slur.tick == tick && slur.role == role;
    }
}

package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import phalanx.lefthand.shape.HeldShape;
import phalanx.song.Moved;

/**
 * The player's decision to hold a shape for a stretch of the song. Tune notes that the shape does not have are played
 * beside it, or with one of its fingers lifted.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param held the shape and its fingers
 */
public record ShapeLock(int startTick, int endTick, HeldShape held) implements Lock {
    public ShapeLock {
        Objects.requireNonNull(held, "held");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException(wording("ShapeLock.a-lock-from-tick-to", startTick, endTick));
        }
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return moved.stretches(startTick, endTick).stream()
                .map(stretch -> (Lock) new ShapeLock(stretch.from(), stretch.to(), held))
                .toList();
    }

    @Override
    public String words() {
        return wording("ShapeLock.the-shape", held.shape());
    }

    @Override
    public boolean contradicts(Lock other) {
        return other instanceof ShapeLock shape && overlaps(shape)
                || other instanceof CascadeLock cascade && overlaps(cascade.shape());
    }

    public boolean overlaps(ShapeLock other) {
        return startTick < other.endTick && other.startTick < endTick;
    }
}

package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import phalanx.lefthand.shape.HeldShape;
import phalanx.song.Moved;
import phalanx.technique.HarmonicNode;

/**
 * The player's decision to play a cascade of touched harmonics over a held shape, in place of what else would be plucked.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param held the shape and its fingers
 * @param node where the strings are touched
 * @param order strings in the order of playing, touched ones with a star, as {@link phalanx.technique.Cascade} reads them
 */
public record CascadeLock(int startTick, int endTick, HeldShape held, HarmonicNode node, String order) implements Lock {
    public CascadeLock {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(node, "node");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException(wording("CascadeLock.a-cascade-from-tick-to", startTick, endTick));
        }
        if (order.isBlank()) {
            throw new IllegalArgumentException(wording("CascadeLock.a-cascade-needs-strings"));
        }
    }

    /** What the left hand does meanwhile. */
    public ShapeLock shape() {
        return new ShapeLock(startTick, endTick, held);
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return moved.stretches(startTick, endTick).stream()
                .map(stretch -> (Lock) new CascadeLock(stretch.from(), stretch.to(), held, node, order))
                .toList();
    }

    @Override
    public String words() {
        return wording("CascadeLock.a-cascade-over", held.shape());
    }

    @Override
    public boolean contradicts(Lock other) {
        return shape().contradicts(other);
    }
}

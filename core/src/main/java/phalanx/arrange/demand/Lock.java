package phalanx.arrange.demand;

import java.util.List;
import phalanx.song.Moved;

/** A player's decision that is kept while the rest is chosen around it. */
public sealed interface Lock permits ShapeLock, CascadeLock, AttackLock {
    /** Where it begins to hold. */
    int startTick();

    /** Up to where it holds, not included. */
    int endTick();

    default boolean covers(int tick) {
        return tick >= startTick() && tick < endTick();
    }

    /** The same in a song that has other bars; nothing where its bars are gone. */
    List<Lock> moved(Moved moved);

    /** Whether both cannot be kept: of one kind, at one place. */
    boolean contradicts(Lock other);
}

package phalanx.arrange.demand;

import java.util.Comparator;
import java.util.List;
import phalanx.song.Moved;

/** A player's decision that is kept while the rest is chosen around it. */
public sealed interface Lock permits ShapeLock, CascadeLock, NoteLock, LimitLock, AddedLock {
    /** By time, then by kind: the order in which decisions are listed and kept. */
    Comparator<Lock> ORDER = Comparator.comparingInt(Lock::startTick)
            .thenComparingInt(Lock::endTick)
            .thenComparing(lock -> lock.getClass().getSimpleName())
            .thenComparing(Lock::words);

    /** Where it begins to hold. */
    int startTick();

    /** Up to where it holds, not included. */
    int endTick();

    default boolean covers(int tick) {
        return tick >= startTick() && tick < endTick();
    }

    /** The same in a song that has other bars; nothing where its bars are gone. */
    List<Lock> moved(Moved moved);

    /** What is decided, for lists. */
    String words();

    /** Whether both cannot be kept: of one kind, at one place. */
    boolean contradicts(Lock other);
}

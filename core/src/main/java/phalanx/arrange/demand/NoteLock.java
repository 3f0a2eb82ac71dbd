package phalanx.arrange.demand;

import java.util.List;
import phalanx.song.Moved;

/** A player's decision on one note. */
public sealed interface NoteLock extends Lock permits AttackLock, PlaceLock, InnerLock, DigitLock {
    /** Where the note begins. */
    int tick();

    /** Which of the notes that begin there. */
    Role role();

    /** The same on a note elsewhere. */
    NoteLock at(int newTick);

    @Override
    default int startTick() {
        return tick();
    }

    @Override
    default int endTick() {
        return tick() + 1;
    }

    @Override
    default List<Lock> moved(Moved moved) {
        return moved.stretches(tick(), tick() + 1).stream()
                .map(stretch -> (Lock) at(stretch.from()))
                .toList();
    }

    @Override
    default boolean contradicts(Lock other) {
        return other.getClass() == getClass()
                && other instanceof NoteLock note
                && note.tick() == tick()
                && note.role() == role();
    }
}

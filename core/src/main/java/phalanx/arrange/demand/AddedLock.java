package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import phalanx.song.Moved;

/**
 * The player's decision to have something in the song that was proposed; with it that is taken out again.
 *
 * @param startTick where it begins
 * @param endTick up to where, not included
 * @param name what it is, in a few words
 * @param what was put in
 */
public record AddedLock(int startTick, int endTick, String name, Added what) implements Lock {
    public AddedLock {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(what, "what");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException(wording("AddedLock.bars-from-tick-to", startTick, endTick));
        }
        if (name.isBlank()) {
            throw new IllegalArgumentException(wording("AddedLock.added-bars-have-a-name"));
        }
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return what.moved(moved, startTick, endTick).stream()
                .flatMap(there -> moved.stretches(startTick, endTick).stream()
                        .map(stretch -> (Lock) new AddedLock(stretch.from(), stretch.to(), name, there)))
                .toList();
    }

    @Override
    public String words() {
        return wording("AddedLock.put-in", name);
    }

    @Override
    public boolean contradicts(Lock other) {
        return other instanceof AddedLock added
                && added.what.getClass() == what.getClass()
                && added.startTick < endTick
                && startTick < added.endTick;
    }
}

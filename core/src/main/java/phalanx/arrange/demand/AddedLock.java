package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import phalanx.song.Moved;

/**
 * The player's decision to have bars before or after the song that were proposed; with it they are taken out again.
 *
 * @param startTick where they begin
 * @param endTick up to where, not included
 * @param name what they are, in a few words
 */
public record AddedLock(int startTick, int endTick, String name) implements Lock {
    public AddedLock {
        Objects.requireNonNull(name, "name");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException(wording("AddedLock.bars-from-tick-to", startTick, endTick));
        }
        if (name.isBlank()) {
            throw new IllegalArgumentException(wording("AddedLock.added-bars-have-a-name"));
        }
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return moved.stretches(startTick, endTick).stream()
                .map(stretch -> (Lock) new AddedLock(stretch.from(), stretch.to(), name))
                .toList();
    }

    @Override
    public String words() {
        return wording("AddedLock.put-in", name);
    }

    @Override
    public boolean contradicts(Lock other) {
        return other instanceof AddedLock added && added.startTick < endTick && startTick < added.endTick;
    }
}

package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import phalanx.song.Moved;

/**
 * The player's limits for the left hand over some bars.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param highestFret no finger above it, if that is wanted
 * @param noBarre whether no finger lies over several strings
 */
public record LimitLock(int startTick, int endTick, OptionalInt highestFret, boolean noBarre) implements Lock {
    public LimitLock {
        Objects.requireNonNull(highestFret, "highestFret");
        if (startTick < 0 || endTick <= startTick) {
            throw new IllegalArgumentException(wording("LimitLock.a-limit-from-tick-to", startTick, endTick));
        }
        if (highestFret.isPresent() && highestFret.getAsInt() < 1) {
            throw new IllegalArgumentException(wording("LimitLock.no-higher-than-fret-it", highestFret.getAsInt()));
        }
        if (highestFret.isEmpty() && !noBarre) {
            throw new IllegalArgumentException(wording("LimitLock.a-limit-that-limits-nothing"));
        }
    }

    @Override
    public List<Lock> moved(Moved moved) {
        return moved.stretches(startTick, endTick).stream()
                .map(stretch -> (Lock) new LimitLock(stretch.from(), stretch.to(), highestFret, noBarre))
                .toList();
    }

    @Override
    public boolean contradicts(Lock other) {
        // those of other stretches hold beside it: the lowest fret counts
        return other instanceof LimitLock limit && limit.startTick == startTick && limit.endTick == endTick;
    }

    @Override
    public String words() {
        String fret = highestFret.isPresent() ? wording("LimitLock.not-above-fret", highestFret.getAsInt()) : "";
        return fret + (noBarre ? wording("LimitLock.no-barre", fret.isEmpty() ? "" : ", ") : "");
    }
}

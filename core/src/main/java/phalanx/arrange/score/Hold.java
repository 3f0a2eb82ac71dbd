package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.lefthand.shape.Press;

/**
 * A finger pressing a fret from tick to tick.
 *
 * @param tick from
 * @param endTick up to, not included
 * @param press finger, fret and strings
 */
public record Hold(int tick, int endTick, Press press) {
    public Hold {
        Objects.requireNonNull(press, "press");
        if (endTick <= tick) {
            throw new IllegalArgumentException(wording("Hold.hold-from-tick-to", tick, endTick));
        }
    }

    public boolean overlaps(Hold other) {
        return tick < other.endTick && other.tick < endTick;
    }
}

package phalanx.song;

import java.util.Objects;
import phalanx.theory.Pitch;

/**
 * A note of the tune.
 *
 * @param tick where it begins
 * @param lengthTicks how long it should ring
 * @param pitch what it sounds
 */
public record MelodyNote(int tick, int lengthTicks, Pitch pitch) {
    public MelodyNote {
        Objects.requireNonNull(pitch, "pitch");
        if (tick < 0 || lengthTicks <= 0) {
            throw new IllegalArgumentException(
                    "melody note " + pitch + " at tick " + tick + ", " + lengthTicks + " ticks long");
        }
    }

    public int endTick() {
        return tick + lengthTicks;
    }

    public int midi() {
        return pitch.midi();
    }
}

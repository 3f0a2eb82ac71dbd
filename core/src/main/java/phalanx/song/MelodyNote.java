package phalanx.song;

import java.util.Objects;
import java.util.Optional;
import phalanx.theory.Pitch;

/**
 * A note of the tune.
 *
 * @param tick where it begins
 * @param lengthTicks how long it should ring
 * @param pitch what it sounds
 * @param syllable what is sung to it; one that goes on in the next note ends with a hyphen
 */
public record MelodyNote(int tick, int lengthTicks, Pitch pitch, Optional<String> syllable) {
    public MelodyNote {
        Objects.requireNonNull(pitch, "pitch");
        if (tick < 0 || lengthTicks <= 0) {
            throw new IllegalArgumentException(
                    "melody note " + pitch + " at tick " + tick + ", " + lengthTicks + " ticks long");
        }
        if (syllable.isPresent() && (syllable.get().isBlank() || syllable.get().contains(" "))) {
            throw new IllegalArgumentException("\"" + syllable.get() + "\" is not a syllable");
        }
    }

    /** A note without words. */
    public MelodyNote(int tick, int lengthTicks, Pitch pitch) {
        this(tick, lengthTicks, pitch, Optional.empty());
    }

    public int endTick() {
        return tick + lengthTicks;
    }

    public int midi() {
        return pitch.midi();
    }

    /** The same note at another time. */
    public MelodyNote at(int newTick, int newLength) {
        return new MelodyNote(newTick, newLength, pitch, syllable);
    }

    public MelodyNote lasting(int newLength) {
        return at(tick, newLength);
    }

    public MelodyNote pitched(Pitch newPitch) {
        return new MelodyNote(tick, lengthTicks, newPitch, syllable);
    }

    public MelodyNote sung(Optional<String> newSyllable) {
        return new MelodyNote(tick, lengthTicks, pitch, newSyllable);
    }
}

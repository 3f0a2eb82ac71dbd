package phalanx.arrange;

import java.util.Objects;

/**
 * The fastest tempo at which every change and digit fits.
 *
 * @param tempo quarter notes a minute, at most that of the fastest song
 * @param tick where it is set
 * @param reason what sets it, one plain sentence
 */
public record TempoCeiling(double tempo, int tick, String reason) {
    public TempoCeiling {
        Objects.requireNonNull(reason, "reason");
    }

    TempoCeiling lower(TempoCeiling other) {
        return other.tempo < tempo ? other : this;
    }
}

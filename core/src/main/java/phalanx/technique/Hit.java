package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.Objects;

/**
 * A percussive sound.
 *
 * @param tick when
 * @param kind which sound
 */
public record Hit(int tick, HitKind kind) {
    public Hit {
        Objects.requireNonNull(kind, "kind");
        if (tick < 0) {
            throw new IllegalArgumentException(wording("Hit.a-hit-at-tick", tick));
        }
    }

    /** The same at another time. */
    public Hit at(int newTick) {
        return new Hit(newTick, kind);
    }
}

package phalanx.technique;

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
    }
}

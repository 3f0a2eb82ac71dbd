package phalanx.righthand;

import java.util.Objects;

/**
 * A percussive sound of the right hand.
 *
 * @param tick when
 * @param kind which sound
 */
public record Hit(int tick, HitKind kind) {
    public Hit {
        Objects.requireNonNull(kind, "kind");
    }
}

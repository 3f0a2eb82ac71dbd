package phalanx.arrange;

import java.util.Locale;
import java.util.Objects;
import phalanx.song.Ticks;

/**
 * Something a finger or digit must do in a given stretch of the song.
 *
 * @param tick where it must be done
 * @param ticks how long it has
 * @param needsMs how long it takes, in milliseconds
 * @param kind the finding that it is when it does not fit
 * @param who the finger or digit, such as {@code finger 4}
 * @param mm how far it travels; a digit that plucks again travels nowhere
 */
record SpeedLimit(int tick, int ticks, double needsMs, FindingKind kind, String who, double mm) {
    SpeedLimit {
        Objects.requireNonNull(kind, "kind");
        if (ticks <= 0 || !(needsMs > 0)) {
            throw new IllegalArgumentException(who + " in " + ticks + " ticks, needs " + needsMs + " ms");
        }
    }

    /** The fastest tempo at which it fits, in quarter notes a minute. */
    double tempo() {
        return Ticks.tempo(ticks, needsMs);
    }

    double hasMs(double tempo) {
        return Ticks.milliseconds(ticks, tempo);
    }

    /** Who does what, such as {@code finger 4 travels 92 mm}. */
    String what() {
        return kind == FindingKind.DIGIT_TOO_FAST
                ? who + " plucks again"
                : String.format(Locale.ROOT, "%s travels %.0f mm", who, mm);
    }
}

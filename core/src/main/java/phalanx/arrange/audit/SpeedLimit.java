package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.arrange.score.FindingKind;
import phalanx.song.Ticks;

/**
 * Something a hand must do in a given stretch of the song.
 *
 * @param tick where it must be done
 * @param ticks how long it has
 * @param needsMs how long it takes, in milliseconds
 * @param kind the finding that it is when it does not fit
 * @param what it is, such as {@code finger 4 travels 92 mm}
 */
record SpeedLimit(int tick, int ticks, double needsMs, FindingKind kind, String what) {
    SpeedLimit {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(what, "what");
        if (ticks <= 0 || !(needsMs > 0)) {
            throw new IllegalArgumentException(wording("SpeedLimit.in-ticks-needs-ms", what, ticks, needsMs));
        }
    }

    /** The fastest tempo at which it fits, in quarter notes a minute. */
    double tempo() {
        return Ticks.tempo(ticks, needsMs);
    }

    /** Whether it is a matter of the right hand. */
    boolean isOfRightHand() {
        return kind == FindingKind.DIGIT_TOO_FAST
                || kind == FindingKind.HIT_TOO_FAST
                || kind == FindingKind.SLUR_TOO_FAST;
    }

    double hasMs(double tempo) {
        return Ticks.milliseconds(ticks, tempo);
    }
}

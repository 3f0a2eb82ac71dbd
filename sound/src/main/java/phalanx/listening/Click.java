package phalanx.listening;

import static phalanx.words.Words.wording;

import phalanx.song.Ticks;

/**
 * The beat a take was played to.
 *
 * @param seconds into the take at which the first tick of the passage was due
 * @param tempo quarter notes a minute
 */
public record Click(double seconds, double tempo) {
    public Click {
        if (!Double.isFinite(seconds) || !(tempo > 0)) {
            throw new IllegalArgumentException(wording("Click.s-at-bpm", seconds, tempo));
        }
    }

    /** When a tick is due. */
    double at(double ticks) {
        return seconds + ticks * Ticks.milliseconds(1, tempo) / 1000;
    }
}

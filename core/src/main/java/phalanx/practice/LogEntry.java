package phalanx.practice;

import java.time.Instant;
import java.util.Objects;

/**
 * One pass of a step, as the player judged it.
 *
 * @param at when, to the second
 * @param song its title
 * @param passage what the ladder was for
 * @param step its name
 * @param tempo quarter notes a minute
 * @param clean whether it was clean
 */
public record LogEntry(Instant at, String song, String passage, String step, int tempo, boolean clean) {
    public LogEntry {
        Objects.requireNonNull(at, "at");
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(passage, "passage");
        Objects.requireNonNull(step, "step");
        at = Instant.ofEpochSecond(at.getEpochSecond());
        if (tempo <= 0) {
            throw new IllegalArgumentException(tempo + " bpm");
        }
    }
}

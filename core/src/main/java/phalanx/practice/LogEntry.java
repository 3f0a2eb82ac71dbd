package phalanx.practice;

import static phalanx.words.Words.wording;

import java.time.Instant;
import java.util.Objects;
import phalanx.words.Words;

/**
 * One pass of a step, as the player judged it.
 *
 * @param at when, to the second
 * @param song its title
 * @param passage what the ladder was for
 * @param step its name
 * @param tempo quarter notes a minute
 * @param clean whether it was clean
 * @param seconds how long it was worked on; 0 where that is not known
 * @param feel how hard it felt
 * @param note what the player wrote; mostly empty
 */
public record LogEntry(
        Instant at,
        String song,
        String passage,
        String step,
        int tempo,
        boolean clean,
        int seconds,
        Feel feel,
        String note) {
    /** How a pass felt. */
    public enum Feel {
        NOT_SAID("not said"),
        EASY("easy"),
        FAIR("fair"),
        HARD("hard"),
        STRAINED("strained");

        private final String word;

        Feel(String word) {
            this.word = word;
        }

        /** What files and commands call it, in every language. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }

        /** The next one, round and round. */
        public Feel next() {
            return values()[(ordinal() + 1) % values().length];
        }
    }

    public LogEntry {
        Objects.requireNonNull(at, "at");
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(passage, "passage");
        Objects.requireNonNull(step, "step");
        Objects.requireNonNull(feel, "feel");
        Objects.requireNonNull(note, "note");
        at = Instant.ofEpochSecond(at.getEpochSecond());
        if (tempo <= 0 || seconds < 0) {
            throw new IllegalArgumentException(wording("LogEntry.bpm-for-s", tempo, seconds));
        }
    }

    /** A pass of which nothing more was said. */
    public LogEntry(Instant at, String song, String passage, String step, int tempo, boolean clean, int seconds) {
        this(at, song, passage, step, tempo, clean, seconds, Feel.NOT_SAID, "");
    }

    /** The same pass with how it felt. */
    public LogEntry feeling(Feel newFeel) {
        return new LogEntry(at, song, passage, step, tempo, clean, seconds, newFeel, note);
    }

    /** The same pass with what the player wrote. */
    public LogEntry noted(String newNote) {
        return new LogEntry(at, song, passage, step, tempo, clean, seconds, feel, newNote);
    }
}

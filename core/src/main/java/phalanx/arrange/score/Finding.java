package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.words.Words;

/**
 * One thing the audit measured and did not like.
 *
 * @param tick where
 * @param bar number of the bar
 * @param beat in units of the meter's lower number, from 1
 * @param kind of what kind
 * @param severity how much it matters
 * @param measured what was measured
 * @param limit what it should not pass
 * @param unit of both
 * @param message one plain sentence: where, what, how much, what helps
 */
public record Finding(
        int tick,
        int bar,
        double beat,
        FindingKind kind,
        Severity severity,
        double measured,
        double limit,
        String unit,
        String message) {
    /** How much a finding matters. */
    public enum Severity {
        LOW("low"),
        MEDIUM("medium"),
        HIGH("high");

        private final String word;

        Severity(String word) {
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
    }

    /**
     * One at a tick of a song, its place said before the words; what lies beyond the end is in the last bar.
     *
     * @param what the rest of the sentence
     */
    public static Finding at(
            Song song,
            int tick,
            FindingKind kind,
            Severity severity,
            double measured,
            double limit,
            String unit,
            String what) {
        Bar bar = song.barAt(Math.min(tick, song.endTick() - 1));
        double beat = bar.beatOf(tick);
        String place = wording("Finding.bar-beat", bar.number(), Words.figure(beat));
        return new Finding(tick, bar.number(), beat, kind, severity, measured, limit, unit, place + what);
    }

    /** A decision of the player's that is not kept. */
    public static Finding lockLeft(Song song, int tick, String what) {
        return at(song, tick, FindingKind.LOCK_NOT_KEPT, Severity.MEDIUM, 1, 0, wording("Finding.locks-left"), what);
    }

    public Finding {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(severity, "severity");
    }
}

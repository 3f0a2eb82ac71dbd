package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.Objects;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * The player's decision how a note begins.
 *
 * @param tick where the note begins
 * @param role which of the notes that begin there
 * @param way how
 */
public record AttackLock(int tick, Role role, Way way) implements NoteLock {
    public AttackLock {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(way, "way");
        if (tick < 0) {
            throw new IllegalArgumentException(wording("AttackLock.a-note-at-tick", tick));
        }
    }

    /** How a note can be made to begin. */
    public enum Way {
        /** From the note before on its string, as frets and fingers have it. */
        SLURRED("slurred"),
        /** From the note before on its string, by the finger that holds it: it travels. */
        SLID("slid"),
        /** Plucked where the finger that holds the note before on its string has slid to. */
        SHIFTED("shift slide"),
        /** Plucked some frets below, by the finger that holds it: it travels at once. */
        SLID_INTO("slid into"),
        /** Though a slur would help, or without the tune's grace notes. */
        PLUCKED("plucked"),
        /** From the note before on its string, by the finger that holds it. */
        BENT("bent"),
        /** On an open string. */
        HARMONIC("harmonic"),
        /** Plucked, and the finger rocks on its fret. */
        VIBRATO("vibrato"),
        /** Plucked, and the finger pushes the string up by a quarter tone. */
        CURLED("quarter bend");

        private final String word;

        Way(String word) {
            this.word = word;
        }

        /** What files and commands call it, in every language. */
        public String word() {
            return word;
        }

        /** Whether the left hand alone makes it. */
        public boolean slurs() {
            return this == SLURRED || this == SLID || this == BENT;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }

        /**
         * The way of a word.
         *
         * @throws IllegalArgumentException if there is none
         */
        public static Way parse(String word) {
            return Arrays.stream(values())
                    .filter(way -> way.word.equals(word))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(wording(
                            "AttackLock.is-none-of",
                            word,
                            Arrays.stream(values()).map(Way::word).collect(Collectors.joining(", ")))));
        }
    }

    @Override
    public AttackLock at(int newTick) {
        return new AttackLock(newTick, role, way);
    }

    @Override
    public String words() {
        return wording("AttackLock.the-note", role.label(), way.label());
    }
}

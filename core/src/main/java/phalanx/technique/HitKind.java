package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * Percussive sounds and what each asks of the hands. Times, and what may sound with a hit, are our assumptions from common
 * practice; no source.
 */
public enum HitKind {
    HEEL("heel", 'h', Side.RIGHT, With.PLUCKS, Damps.NOTHING, 70, wording("HitKind.the-heel-of-the-hand")),
    KNOCK("knock", 'k', Side.RIGHT, With.PLUCKS, Damps.NOTHING, 70, wording("HitKind.the-thumb-s-joint-knocks")),
    SLAP("slap", 's', Side.RIGHT, With.THUMB, Damps.LOWEST, 110, wording("HitKind.the-side-of-the-thumb")),
    NAIL("nail tap", 'n', Side.RIGHT, With.THUMB, Damps.NOTHING, 90, wording("HitKind.the-nails-of-the-fingers")),
    TAP("tap", 't', Side.LEFT, With.PLUCKS, Damps.NOTHING, 160, wording("HitKind.the-left-hand-taps-the")),
    CHUCK("chuck", 'c', Side.RIGHT, With.NOTHING, Damps.ALL, 110, wording("HitKind.the-open-hand-falls-on")),
    DEAD(
            "dead stroke",
            'd',
            Side.RIGHT,
            With.THUMB,
            Damps.HIGHEST,
            70,
            wording("HitKind.a-finger-strikes-treble-strings")),
    BELL(
            "slapped harmonic",
            'b',
            Side.RIGHT,
            With.NOTHING,
            Damps.ALL,
            110,
            wording("HitKind.a-finger-falls-straight-across")),
    STOP("stop", 'q', Side.RIGHT, With.NOTHING, Damps.ALL, 80, wording("HitKind.thumb-and-fingers-come-back"));

    /** Strings that a slap falls on, from the lowest, and a dead stroke, from the highest. */
    private static final int SLAPPED = 3;

    /** So many dead strings are meant as a hand on all of them. */
    private static final int FEWEST_OF_CHUCK = 3;

    /** Which hand. */
    public enum Side {
        LEFT("left"),
        RIGHT("right");

        private final String word;

        Side(String word) {
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

    /** What may be plucked at the same instant. */
    public enum With {
        PLUCKS,
        THUMB,
        NOTHING;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /** Which strings it stops. */
    public enum Damps {
        NOTHING,
        LOWEST,
        HIGHEST,
        ALL;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    private final String word;
    private final char letter;
    private final Side side;
    private final With with;
    private final Damps damps;
    private final double busyMs;
    private final String words;

    HitKind(String word, char letter, Side side, With with, Damps damps, double busyMs, String words) {
        this.word = word;
        this.letter = letter;
        this.side = side;
        this.with = with;
        this.damps = damps;
        this.busyMs = busyMs;
        this.words = words;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** Its sign in patterns, grooves, score and tablature. */
    public char letter() {
        return letter;
    }

    public Side side() {
        return side;
    }

    public With with() {
        return with;
    }

    public Damps damps() {
        return damps;
    }

    /** For so many milliseconds before and after it its hand can do nothing else: pluck, or hold a string. */
    public double busyMs() {
        return busyMs;
    }

    /** What the hand does. */
    public String words() {
        return words;
    }

    /** Whether it stops a string, counted from 1 at the treble side. */
    public boolean damps(int string, int strings) {
        return switch (damps) {
            case NOTHING -> false;
            case LOWEST -> string > strings - SLAPPED;
            case HIGHEST -> string <= SLAPPED;
            case ALL -> true;
        };
    }

    /** The letters of all kinds with their words, such as {@code h heel, k knock}. */
    public static String legend() {
        return Arrays.stream(values())
                .map(kind -> kind.letter + " " + kind.label())
                .collect(Collectors.joining(", "));
    }

    /**
     * The kind of a word.
     *
     * @throws IllegalArgumentException if there is none
     */
    public static HitKind parse(String word) {
        return byWord(word)
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "HitKind.is-none-of",
                        word,
                        Arrays.stream(values()).map(HitKind::word).collect(Collectors.joining(", ")))));
    }

    /**
     * What players mean by crosses on strings: a chuck where nothing is plucked, a slap on bass strings, else a dead
     * stroke. Common practice, no source.
     *
     * @param dead the strings with crosses, bit s for string s
     * @param plucked whether a note begins with them
     * @param strings of the guitar
     */
    public static HitKind ofDeadStrokes(int dead, boolean plucked, int strings) {
        if (!plucked && Integer.bitCount(dead) >= FEWEST_OF_CHUCK) {
            return CHUCK;
        }
        for (int string = 1; string <= strings; string++) {
            if ((dead >> string & 1) == 1 && SLAP.damps(string, strings)) {
                return SLAP;
            }
        }
        return DEAD;
    }

    /** The kind of a word, if there is one. */
    public static Optional<HitKind> byWord(String word) {
        return Arrays.stream(values()).filter(kind -> kind.word.equals(word)).findFirst();
    }

    /** The kind of a letter, if there is one. */
    public static Optional<HitKind> byLetter(char letter) {
        return Arrays.stream(values()).filter(kind -> kind.letter == letter).findFirst();
    }
}

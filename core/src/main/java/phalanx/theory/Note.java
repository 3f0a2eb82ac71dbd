package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.words.Spoken;

/**
 * A spelled note without an octave: a letter and an alteration in semitones (sharp positive, flat negative).
 *
 * @param step the letter
 * @param alter semitones, -3 to 3
 */
public record Note(Step step, int alter) implements Spoken {
    private static final int MAX_ALTER = 3;

    public Note {
        Objects.requireNonNull(step, "step");
        if (Math.abs(alter) > MAX_ALTER) {
            throw new IllegalArgumentException(wording("Note.alteration-of-is-not-within", alter, step));
        }
    }

    /**
     * Reads a note such as {@code C}, {@code F#}, {@code Bb}, {@code F♯}, {@code E♭♭}.
     *
     * @throws IllegalArgumentException if the text is anything else
     */
    public static Note parse(String text) {
        int end = prefixLength(text);
        if (end == 0 || end != text.length()) {
            throw new IllegalArgumentException(wording("Note.is-not-a-note-a", text));
        }
        return ofPrefix(text, end);
    }

    /** How many leading characters of the text make a note; 0 if none do. The letter must be upper case. */
    public static int prefixLength(String text) {
        if (text.isEmpty() || text.charAt(0) < 'A' || text.charAt(0) > 'G') {
            return 0;
        }
        int end = 1;
        while (end < text.length() && end <= MAX_ALTER && alteration(text.charAt(end)) != 0) {
            end++;
        }
        return end;
    }

    static Note ofPrefix(String text, int end) {
        int alter = text.substring(1, end).chars().map(Note::alteration).sum();
        return new Note(Step.valueOf(text.substring(0, 1)), alter);
    }

    private static int alteration(int sign) {
        return switch (sign) {
            case '#', '♯' -> 1;
            case 'b', '♭' -> -1;
            default -> 0;
        };
    }

    /** 0 to 11, C is 0. */
    public int pitchClass() {
        return Math.floorMod(step.semitones() + alter, 12);
    }

    /** The note an interval higher, spelled by the interval's number; re-spelled simply if that needs a triple sign. */
    public Note plus(Interval interval) {
        Step target = step.plus(interval.number() - 1);
        int pitchClass = Math.floorMod(pitchClass() + interval.semitones(), 12);
        int wanted = Math.floorMod(pitchClass - target.semitones() + 6, 12) - 6;
        return Math.abs(wanted) <= 2 ? new Note(target, wanted) : Key.C_MAJOR.spell(pitchClass);
    }

    /** A name of a note, a chord or a key as it is printed: ♯ and ♭ for # and b. */
    public static String printed(String name) {
        return said(name.replaceAll("(?<=[A-G])bb", "♭♭")
                .replaceAll("(?<=[A-G])b", "♭")
                .replace("#", "♯"));
    }

    /** A name of a note, a chord or a key, or several, as the player calls them. */
    public static String said(String name) {
        return NoteNames.current().said(name);
    }

    @Override
    public String spoken() {
        return said(toString());
    }

    /** Position on the line of fifths: C is 0, G is 1, F is -1. */
    public int fifths() {
        int natural =
                switch (step) {
                    case F -> -1;
                    case C -> 0;
                    case G -> 1;
                    case D -> 2;
                    case A -> 3;
                    case E -> 4;
                    case B -> 5;
                };
        return natural + 7 * alter;
    }

    @Override
    public String toString() {
        return step + (alter >= 0 ? "#".repeat(alter) : "b".repeat(-alter));
    }
}

package phalanx.song.lick;

import static phalanx.words.Words.wording;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/**
 * A note by its place over a chord's root.
 *
 * @param number 1 to 7, of the major scale; 3, 6 and 7 follow the chord where they stand plain
 * @param alter semitones it is raised by, -1 to 1
 * @param octave octaves above the root
 */
record Degree(int number, int alter, int octave) {
    private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};
    private static final Pattern TEXT = Pattern.compile("([b#]?)([1-7])('*|,*)");
    private static final int THIRD = 3;
    private static final int SEVENTH = 7;
    private static final int MINOR_THIRD = 3;
    private static final int MINOR_SEVENTH = 10;

    Degree {
        if (number < 1 || number > MAJOR.length || alter < -1 || alter > 1) {
            throw new IllegalArgumentException(wording("Degree.degree-altered-by", number, alter));
        }
    }

    /** Reads {@code b3'}: a sign, the number, then marks for octaves up or down. */
    static Degree parse(String text) {
        Matcher match = TEXT.matcher(text);
        if (!match.matches()) {
            throw new IllegalArgumentException(wording("Degree.is-no-degree-write-1", text));
        }
        int alter = match.group(1).equals("b") ? -1 : match.group(1).equals("#") ? 1 : 0;
        String marks = match.group(3);
        int octave = marks.startsWith(",") ? -marks.length() : marks.length();
        return new Degree(Integer.parseInt(match.group(2)), alter, octave);
    }

    /** The degree of a note so many semitones above a chord's root, plain where the chord has it so. */
    static Degree of(int semitones, ChordSymbol chord) {
        int octave = Math.floorDiv(semitones, 12);
        int within = Math.floorMod(semitones, 12);
        for (int alter : new int[] {0, -1, 1}) {
            for (int number = 1; number <= MAJOR.length; number++) {
                Degree degree = new Degree(number, alter, octave);
                if (degree.semitones(chord, false) == semitones) {
                    return degree;
                }
            }
        }
        throw new IllegalArgumentException(wording("Degree.semitones-have-no-degree", within));
    }

    /**
     * Semitones above a chord's root.
     *
     * @param bluesy whether plain thirds and sevenths are flattened
     */
    int semitones(ChordSymbol chord, boolean bluesy) {
        int plain = MAJOR[number - 1];
        boolean minorThird = number == THIRD && (bluesy || has(chord, MINOR_THIRD) && !has(chord, MINOR_THIRD + 1));
        boolean minorSeventh = number == SEVENTH && (bluesy || has(chord, MINOR_SEVENTH) || has(chord, MINOR_THIRD));
        int own = alter == 0 && (minorThird || minorSeventh) ? plain - 1 : plain + alter;
        return 12 * octave + own;
    }

    private static boolean has(ChordSymbol chord, int semitones) {
        return chord.tones().stream()
                .map(ChordTone::interval)
                .anyMatch(interval -> Math.floorMod(interval.semitones(), 12) == semitones);
    }

    @Override
    public String toString() {
        String sign = alter < 0 ? "b" : alter > 0 ? "#" : "";
        return sign + number + (octave < 0 ? ",".repeat(-octave) : "'".repeat(octave));
    }
}

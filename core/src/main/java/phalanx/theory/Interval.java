package phalanx.theory;

import static phalanx.words.Words.wording;

/**
 * An interval above a root, written as players write chord tones: {@code 3}, {@code b3}, {@code #11}, {@code bb7}.
 *
 * @param number the diatonic number, 1 to 13
 * @param alter semitones away from the interval of that number in the major scale, -2 to 2
 */
public record Interval(int number, int alter) {
    private static final int[] MAJOR = {0, 2, 4, 5, 7, 9, 11};

    public Interval {
        if (number < 1 || number > 13 || Math.abs(alter) > 2) {
            throw new IllegalArgumentException(wording("Interval.interval-altered-by-is-not", number, alter));
        }
    }

    /**
     * Reads {@code 5}, {@code b9}, {@code #11}, {@code bb7}.
     *
     * @throws IllegalArgumentException if the text is anything else
     */
    public static Interval parse(String text) {
        int digits = 0;
        while (digits < text.length() && !Character.isDigit(text.charAt(digits))) {
            digits++;
        }
        String signs = text.substring(0, digits);
        if (!signs.matches("b{0,2}|#{0,2}") || !text.substring(digits).matches("\\d{1,2}")) {
            throw new IllegalArgumentException(wording("Interval.is-not-an-interval-such", text));
        }
        int alter = signs.startsWith("b") ? -signs.length() : signs.length();
        return new Interval(Integer.parseInt(text.substring(digits)), alter);
    }

    /** Size in semitones; a 9 is 14. */
    public int semitones() {
        return MAJOR[(number - 1) % 7] + 12 * ((number - 1) / 7) + alter;
    }

    @Override
    public String toString() {
        return (alter >= 0 ? "#".repeat(alter) : "b".repeat(-alter)) + number;
    }
}

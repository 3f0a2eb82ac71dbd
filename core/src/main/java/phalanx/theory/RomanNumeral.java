package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * A chord's place in a key, counted from the major scale of the tonic: bVII is B flat in C, whatever the mode.
 *
 * @param degree 1 to 7
 * @param alter semitones away from that degree of the major scale
 * @param minor whether the chord's third is minor, which is written in small letters
 * @param suffix what follows: quality, tensions, figures of the inversion
 */
public record RomanNumeral(int degree, int alter, boolean minor, String suffix) {
    private static final String[] NUMERALS = {"I", "II", "III", "IV", "V", "VI", "VII"};
    private static final String[] USUAL = {"1", "b2", "2", "b3", "3", "4", "#4", "5", "b6", "6", "b7", "7"};
    private static final int SEVENTH = 7;

    public RomanNumeral {
        Objects.requireNonNull(suffix, "suffix");
        if (degree < 1 || degree > NUMERALS.length) {
            throw new IllegalArgumentException(wording("RomanNumeral.degree-is-outside-1-to", degree));
        }
    }

    /** The numeral of a chord over a tonic. */
    public static RomanNumeral of(ChordSymbol chord, Note tonic) {
        Interval place = place(chord.root(), tonic);
        boolean minor = has(chord, 3, -1) && !has(chord, 3, 0);
        return new RomanNumeral(place.number(), place.alter(), minor, suffix(chord, tonic));
    }

    /** The degree of a note as it is spelled; far-fetched spellings are read as the usual one. */
    private static Interval place(Note note, Note tonic) {
        int number = 1 + Math.floorMod(note.step().ordinal() - tonic.step().ordinal(), 7);
        int semitones = Math.floorMod(note.pitchClass() - tonic.pitchClass(), 12);
        int alter = Math.floorMod(semitones - new Interval(number, 0).semitones() + 6, 12) - 6;
        return Math.abs(alter) > 1 ? Interval.parse(USUAL[semitones]) : new Interval(number, alter);
    }

    private static boolean has(ChordSymbol chord, int number, int alter) {
        return chord.tones().stream()
                .anyMatch(tone ->
                        tone.interval().number() == number && tone.interval().alter() == alter);
    }

    private static OptionalInt alterOf(ChordSymbol chord, int number) {
        return chord.tones().stream()
                .filter(tone -> tone.interval().number() == number)
                .mapToInt(tone -> tone.interval().alter())
                .findFirst();
    }

    private static String suffix(ChordSymbol chord, Note tonic) {
        String quality = quality(chord);
        String seventh = seventh(chord, quality);
        return quality + inverted(chord, tonic, seventh);
    }

    private static String quality(ChordSymbol chord) {
        boolean minorThird = has(chord, 3, -1);
        boolean flatFifth = has(chord, 5, -1);
        if (minorThird && flatFifth) {
            return has(chord, SEVENTH, -1) ? "ø" : "°";
        }
        return has(chord, 3, 0) && has(chord, 5, 1) ? "+" : "";
    }

    /** The seventh or the highest plain tone above it, then what is suspended, added or altered. */
    private static String seventh(ChordSymbol chord, String quality) {
        OptionalInt seventh = alterOf(chord, SEVENTH);
        StringBuilder text = new StringBuilder();
        if (seventh.isPresent()) {
            text.append(seventh.getAsInt() == 0 ? "maj" : "").append(highestOver(chord));
        } else if (has(chord, 6, 0)) {
            text.append("add6");
        }
        boolean third = alterOf(chord, 3).isPresent();
        for (int number : new int[] {2, 4}) {
            if (!third && has(chord, number, 0)) {
                text.append("sus").append(number);
            }
        }
        if (!third && text.isEmpty()) {
            text.append("5");
        }
        for (ChordTone tone : chord.tones()) {
            boolean isAltered =
                    tone.interval().number() > SEVENTH && tone.interval().alter() != 0
                            || tone.interval().number() == 5 && tone.interval().alter() != 0 && quality.isEmpty();
            boolean isAdded = seventh.isEmpty() && tone.interval().number() > SEVENTH && !isAltered;
            if (isAltered || isAdded) {
                text.append(isAdded ? "add" : "").append(tone.interval());
            }
        }
        return text.toString();
    }

    private static int highestOver(ChordSymbol chord) {
        return List.of(13, 11, 9).stream()
                .filter(number -> has(chord, number, 0))
                .findFirst()
                .orElse(SEVENTH);
    }

    /** Figures for a chord tone in the bass; a foreign bass by its degree after a slash. */
    private static String inverted(ChordSymbol chord, Note tonic, String seventh) {
        if (chord.slashBass().isEmpty()
                || chord.bass().pitchClass() == chord.root().pitchClass()) {
            return seventh;
        }
        Optional<Integer> tone = chord.tones().stream()
                .filter(one -> chord.noteOf(one).pitchClass() == chord.bass().pitchClass())
                .map(one -> one.interval().number())
                .findFirst();
        boolean plain = seventh.isEmpty();
        boolean figured = seventh.equals("7") || seventh.equals("maj7");
        String figure =
                switch (tone.orElse(0)) {
                    case 3 -> plain ? "6" : "65";
                    case 5 -> plain ? "64" : "43";
                    case SEVENTH -> "42";
                    default -> "";
                };
        if (figure.isEmpty() || !plain && !figured) {
            Interval bass = place(chord.bass(), tonic);
            return seventh + "/" + bass;
        }
        return seventh.replace("7", "") + figure;
    }

    /** The degree alone, such as {@code bVII} or {@code ii}. */
    public String numeral() {
        String signs = alter >= 0 ? "#".repeat(alter) : "b".repeat(-alter);
        String letters = NUMERALS[degree - 1];
        return signs + (minor ? letters.toLowerCase(Locale.ROOT) : letters);
    }

    @Override
    public String toString() {
        return numeral() + suffix;
    }
}

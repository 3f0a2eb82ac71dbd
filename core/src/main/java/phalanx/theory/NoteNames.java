package phalanx.theory;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.words.Words;

/**
 * What notes are called where they are shown and typed; files and commands always call them as in English. Sharps and
 * flats follow a name as # and b in all of them, so a chord's kind stays as it is written.
 */
public enum NoteNames {
    /** C D E F G A B. */
    ENGLISH("english", "(?!)", Map.of(), Map.of()),
    /**
     * H for B, B for B flat; what is typed as Fis, Es or As is understood too. "Asus4" and "Esus4" are chords of A and E.
     * Common practice, no source.
     */
    GERMAN(
            "german",
            "H(?:is)?|B(?![b\u266d])|[CDFGA]is|[DG]es|Ces|Fes|As(?!us)|Es(?!us)",
            Map.of("B", "H", "Bb", "B", "B\u266d", "B"),
            Map.ofEntries(
                    Map.entry("H", "B"),
                    Map.entry("His", "B#"),
                    Map.entry("B", "Bb"),
                    Map.entry("Cis", "C#"),
                    Map.entry("Dis", "D#"),
                    Map.entry("Fis", "F#"),
                    Map.entry("Gis", "G#"),
                    Map.entry("Ais", "A#"),
                    Map.entry("Des", "Db"),
                    Map.entry("Es", "Eb"),
                    Map.entry("Ges", "Gb"),
                    Map.entry("As", "Ab"),
                    Map.entry("Ces", "Cb"),
                    Map.entry("Fes", "Fb"))),
    /** Do Re Mi Fa Sol La Si, C being Do in every key; "Fadd9" is a chord of F. Common practice, no source. */
    SOLFA(
            "sol-fa",
            "Do|R[e\u00e9]|Mi|Fa(?!dd)|Sol|La|Si",
            Map.of("C", "Do", "D", "Re", "E", "Mi", "F", "Fa", "G", "Sol", "A", "La", "B", "Si"),
            Map.of("Do", "C", "Re", "D", "R\u00e9", "D", "Mi", "E", "Fa", "F", "Sol", "G", "La", "A", "Si", "B"));

    /** Sets the names before the first note is named: by {@link #word}. */
    public static final String PROPERTY = "phalanx.notes";

    /** The variable that does the same. */
    public static final String VARIABLE = "PHALANX_NOTES";

    // what begins a word; N.C. is no note, and a name in brackets is a section's
    private static final Pattern NAME = Pattern.compile("\\[[^\\]]*]|(?<![\\p{L}.])([A-G])([#b\u266f\u266d]*)");

    private static final NoteNames CURRENT = Optional.ofNullable(System.getProperty(PROPERTY))
            .or(() -> Optional.ofNullable(System.getenv(VARIABLE)))
            .flatMap(NoteNames::of)
            .orElse(ENGLISH);

    private final String word;
    private final Pattern typed;
    private final Map<String, String> fromEnglish;
    private final Map<String, String> toEnglish;

    /**
     * @param typed what is not typed as in English
     * @param fromEnglish names that differ
     * @param toEnglish what {@code typed} finds
     */
    NoteNames(String word, String typed, Map<String, String> fromEnglish, Map<String, String> toEnglish) {
        this.word = word;
        this.typed = Pattern.compile("\\[[^\\]]*]|(?<![\\p{L}.])(?:" + typed + ")");
        this.fromEnglish = fromEnglish;
        this.toEnglish = toEnglish;
    }

    /** The names that are shown. */
    public static NoteNames current() {
        return CURRENT;
    }

    /** The names of a word, if there are. */
    public static Optional<NoteNames> of(String word) {
        String plain = word.strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(values()).filter(one -> one.word.equals(plain)).findFirst();
    }

    /** What settings call them, in every language. */
    public String word() {
        return word;
    }

    /** What they are called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** A note, a pitch, a chord, a key or several of them, by these names. */
    public String said(String english) {
        if (fromEnglish.isEmpty()) {
            return english;
        }
        return NAME.matcher(english).replaceAll(found -> {
            String whole = found.group();
            if (whole.startsWith("[")) {
                return Matcher.quoteReplacement(whole);
            }
            String letter = found.group(1);
            return fromEnglish.getOrDefault(whole, fromEnglish.getOrDefault(letter, letter) + found.group(2));
        });
    }

    /** What was typed by these names, in English; English names are understood where they mean nothing else. */
    public String english(String text) {
        return typed.matcher(text).replaceAll(found -> Matcher.quoteReplacement(inEnglish(found)));
    }

    private String inEnglish(MatchResult found) {
        return toEnglish.getOrDefault(found.group(), found.group());
    }

    /** Where a place in the English of a typed text stands in what was typed. */
    public int typedPlace(String text, int place) {
        int longer = 0;
        for (MatchResult found : typed.matcher(text).results().toList()) {
            if (found.start() + longer >= place) {
                break;
            }
            longer += inEnglish(found).length() - found.group().length();
        }
        return Math.max(0, Math.min(text.length(), place - longer));
    }
}

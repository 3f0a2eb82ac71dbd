package phalanx.theory;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * What notes are called where they are shown and typed; files and commands always call them as in English. Sharps and
 * flats follow a name as # and b in all of them, so a chord's kind stays as it is written.
 */
public enum NoteNames {
    /** C D E F G A B. */
    ENGLISH("english", Map.of()),
    /** H for B, B for B flat; what is typed as Fis, Es or As is understood too. Common practice, no source. */
    GERMAN("german", Map.of("B", "H", "Bb", "B", "B\u266d", "B")),
    /** Do Re Mi Fa Sol La Si, C being Do in every key. Common practice, no source. */
    SOLFA("sol-fa", Map.of("C", "Do", "D", "Re", "E", "Mi", "F", "Fa", "G", "Sol", "A", "La", "B", "Si"));

    /** Sets the names before the first note is named: by {@link #word}. */
    public static final String PROPERTY = "phalanx.notes";

    /** The variable that does the same. */
    public static final String VARIABLE = "PHALANX_NOTES";

    // a letter that begins a word, with its signs; N.C. is no note, and a name in brackets is a section's
    private static final Pattern NAME = Pattern.compile("\\[[^\\]]*]|(?<![\\p{L}.])([A-G])([#b\u266f\u266d]*)");

    // "Fadd9" and "Asus4" are F and A with their kinds, also where Fa and As are notes
    private static final Pattern TYPED_SOLFA =
            Pattern.compile("\\[[^\\]]*]|(?<![\\p{L}.])(?:Do|R[e\u00e9]|Mi|Fa(?!dd)|Sol|La|Si)");
    private static final Pattern TYPED_GERMAN = Pattern.compile(
            "\\[[^\\]]*]|(?<![\\p{L}.])(?:H(?:is)?|B(?![b\u266d])|[CDFGA]is|[DG]es|Ces|Fes|As(?!us)|Es(?!us))");
    private static final Map<String, String> FROM_SOLFA =
            Map.of("Do", "C", "Re", "D", "R\u00e9", "D", "Mi", "E", "Fa", "F", "Sol", "G", "La", "A", "Si", "B");

    private static final NoteNames CURRENT = of(Optional.ofNullable(System.getProperty(PROPERTY))
                    .orElse(Optional.ofNullable(System.getenv(VARIABLE)).orElse("")))
            .orElse(ENGLISH);

    private final String word;
    private final Map<String, String> names;

    NoteNames(String word, Map<String, String> names) {
        this.word = word;
        this.names = names;
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
        if (names.isEmpty()) {
            return english;
        }
        return NAME.matcher(english).replaceAll(found -> {
            String whole = found.group();
            if (whole.startsWith("[")) {
                return Matcher.quoteReplacement(whole);
            }
            return names.containsKey(whole) ? names.get(whole) : name(found.group(1)) + found.group(2);
        });
    }

    private String name(String letter) {
        return names.getOrDefault(letter, letter);
    }

    /** What was typed by these names, in English; English names are understood where they mean nothing else. */
    public String english(String typed) {
        return switch (this) {
            case ENGLISH -> typed;
            case GERMAN ->
                TYPED_GERMAN.matcher(typed).replaceAll(found -> Matcher.quoteReplacement(fromGerman(found.group())));
            case SOLFA ->
                TYPED_SOLFA
                        .matcher(typed)
                        .replaceAll(found ->
                                Matcher.quoteReplacement(FROM_SOLFA.getOrDefault(found.group(), found.group())));
        };
    }

    private static String fromGerman(String name) {
        if (name.startsWith("[")) {
            return name;
        }
        return switch (name) {
            case "H" -> "B";
            case "B" -> "Bb";
            default -> {
                String letter = name.startsWith("H") ? "B" : name.substring(0, 1);
                yield letter + (name.endsWith("is") ? "#" : "b");
            }
        };
    }

    /** Where a place in the English of a typed text stands in what was typed. */
    public int typedPlace(String typed, int place) {
        int shift = 0;
        Function<MatchResult, String> english = found -> english(found.group());
        for (MatchResult found : found(typed)) {
            if (found.start() + shift >= place) {
                break;
            }
            shift += english.apply(found).length() - found.group().length();
        }
        return Math.max(0, Math.min(typed.length(), place - shift));
    }

    private List<MatchResult> found(String typed) {
        return switch (this) {
            case ENGLISH -> List.of();
            case GERMAN -> TYPED_GERMAN.matcher(typed).results().collect(Collectors.toList());
            case SOLFA -> TYPED_SOLFA.matcher(typed).results().collect(Collectors.toList());
        };
    }
}

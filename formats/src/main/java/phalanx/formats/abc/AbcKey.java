package phalanx.formats.abc;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Step;

/**
 * What a line {@code K:} says: the key, signs of its own, and how the clef moves what is written (ABC 2.1, section 4.6,
 * from memory).
 *
 * @param key as written
 * @param signs the alteration of each letter
 * @param octaves that notes sound higher than they are written
 * @param semitones the same in semitones
 */
record AbcKey(Key key, Map<Step, Integer> signs, int octaves, int semitones) {
    private static final Pattern TONIC = Pattern.compile("([A-G][#b]?)\\s*([A-Za-z]*)");
    private static final Pattern SIGN = Pattern.compile("(\\^{1,2}|_{1,2}|=)([A-Ga-g])(?![A-Za-z])");
    private static final Pattern OCTAVE = Pattern.compile("octave=([+-]?\\d)");
    private static final Pattern TRANSPOSE = Pattern.compile("transpose=([+-]?\\d{1,2})");
    private static final Pattern CLEF = Pattern.compile("(?:treble|bass|alto|tenor|perc)\\d?([+-]8)");
    private static final Pattern NO_MODE =
            Pattern.compile("(?i)clef.*|treble.*|bass.*|alto.*|tenor.*|perc.*|oct.*|tra.*|sta.*|mid.*|exp.*|nam.*");

    AbcKey {
        signs = Map.copyOf(signs);
    }

    /** The key of a tune that names none. */
    static AbcKey usual() {
        return new AbcKey(Key.C_MAJOR, signs(Key.C_MAJOR), 0, 0);
    }

    /**
     * Reads one.
     *
     * @param before holds for what the line does not name
     * @param say takes what was mended
     */
    static AbcKey parse(String text, AbcKey before, Consumer<String> say) {
        String value = text.trim();
        Key key = key(value, before, say);
        Map<Step, Integer> signs = value.matches("(?i).*\\bexp\\b.*")
                ? signs(Key.C_MAJOR)
                : value.matches("(?i)(clef|treble|bass|alto|tenor|octave|transpose|middle|staff).*")
                        ? new EnumMap<>(before.signs)
                        : signs(key);
        Matcher sign = SIGN.matcher(value);
        while (sign.find()) {
            signs.put(Step.valueOf(sign.group(2).toUpperCase(Locale.ROOT)), alter(sign.group(1)));
        }
        Matcher clef = CLEF.matcher(value);
        int octaves =
                number(OCTAVE.matcher(value), 0) + (clef.find() ? Integer.signum(Integer.parseInt(clef.group(1))) : 0);
        return new AbcKey(key, signs, octaves, number(TRANSPOSE.matcher(value), 0));
    }

    static int alter(String accidental) {
        return accidental.startsWith("^") ? accidental.length() : accidental.equals("=") ? 0 : -accidental.length();
    }

    private static int number(Matcher matcher, int otherwise) {
        return matcher.find() ? Integer.parseInt(matcher.group(1)) : otherwise;
    }

    private static Map<Step, Integer> signs(Key key) {
        Map<Step, Integer> signs = new EnumMap<>(Step.class);
        key.scale().forEach(note -> signs.put(note.step(), note.alter()));
        return signs;
    }

    private static Key key(String value, AbcKey before, Consumer<String> say) {
        if (value.isEmpty() || value.equalsIgnoreCase("none")) {
            return Key.C_MAJOR;
        }
        if (value.startsWith("HP") || value.startsWith("Hp")) {
            return Key.parse("D");
        }
        Matcher parts = TONIC.matcher(value);
        if (!parts.lookingAt()) {
            if (!NO_MODE.matcher(value).matches() && !SIGN.matcher(value).lookingAt()) {
                say.accept(wording("AbcKey.is-not-a-key-such", value, before.key));
            }
            return before.key;
        }
        String mode = parts.group(2).toLowerCase(Locale.ROOT);
        String word = NO_MODE.matcher(mode).matches() ? "" : mode.length() > 3 ? mode.substring(0, 3) : mode;
        Note tonic = Note.parse(parts.group(1));
        try {
            if (word.equals("loc")) {
                say.accept(wording("AbcKey.locrian-is-read-as-the"));
                return Key.ofFifths(tonic.fifths() - 5, Key.Mode.MAJOR);
            }
            String usual = word.equals("ion") || word.equals("maj") ? "major" : word;
            return new Key(
                    tonic,
                    Key.Mode.byWord(usual)
                            .orElseThrow(() -> new IllegalArgumentException(wording("AbcKey.the-mode-is-not-known"))));
        } catch (IllegalArgumentException e) {
            say.accept(wording("AbcKey.the-key-cannot-be-read", value, e.getMessage(), before.key));
            return before.key;
        }
    }
}

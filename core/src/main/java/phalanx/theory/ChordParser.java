package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads chord symbols. A suffix is the longest row of the table it starts with, then modifiers: an altered or added
 * degree ({@code b9}, {@code #11}, {@code add9}), a suspension, or an omission ({@code no3}).
 */
final class ChordParser {
    private static final Pattern MODIFIER =
            Pattern.compile("(add|no|omit|sus|maj|M)?\\s*([b#♭♯+-]{0,2})(\\d{0,2})", Pattern.CASE_INSENSITIVE);

    private static final Set<String> PLAIN_TENSIONS = Set.of("6", "9", "11", "13");

    private final ChordTable table;

    ChordParser(ChordTable table) {
        this.table = table;
    }

    ChordSymbol parse(String text) {
        String trimmed = text.trim();
        if (trimmed.codePoints().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(wording("ChordParser.a-chord-s-name-holds"));
        }
        int rootEnd = Note.prefixLength(trimmed);
        if (rootEnd == 0) {
            throw new IllegalArgumentException(wording("ChordParser.is-not-a-chord-it", text));
        }
        Note root = Note.ofPrefix(trimmed, rootEnd);
        String suffix = trimmed.substring(rootEnd);
        Optional<Note> bass = Optional.empty();
        int slash = suffix.lastIndexOf('/');
        if (slash >= 0 && !suffix.substring(slash + 1).matches("\\d+.*")) {
            bass = Optional.of(bassAfterSlash(text, suffix.substring(slash + 1)));
            suffix = suffix.substring(0, slash);
        }
        return new ChordSymbol(trimmed, root, tones(text, suffix), bass);
    }

    private static Note bassAfterSlash(String text, String bass) {
        try {
            return Note.parse(bass.trim());
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(wording("ChordParser.chord-after-the-slash", text, e.getMessage()), e);
        }
    }

    private List<ChordTone> tones(String text, String suffix) {
        Optional<ChordKind> whole = table.kind(suffix);
        if (whole.isPresent()) {
            return whole.get().tones();
        }
        String base = table.longestPrefix(suffix);
        List<ChordTone> tones = new ArrayList<>(table.kind(base).orElseThrow().tones());
        String rest = suffix.substring(base.length());
        for (String modifier : rest.replaceAll("[()]", ",").split("[,\\s]+")) {
            applyAll(text, modifier, tones);
        }
        return tones;
    }

    private static void applyAll(String text, String modifiers, List<ChordTone> tones) {
        Matcher matcher = MODIFIER.matcher(modifiers);
        int at = 0;
        while (at < modifiers.length()) {
            if (!matcher.find(at) || matcher.start() != at || matcher.end() == at) {
                throw unknown(text, modifiers.substring(at));
            }
            apply(text, matcher, tones);
            at = matcher.end();
        }
    }

    private static void apply(String text, Matcher modifier, List<ChordTone> tones) {
        String word = modifier.group(1) == null ? "" : modifier.group(1);
        String degree = modifier.group(3);
        boolean bare = word.isEmpty() && modifier.group(2).isEmpty();
        boolean wrongDegree = degree.isEmpty() && !word.equalsIgnoreCase("sus")
                || bare && !PLAIN_TENSIONS.contains(degree)
                || word.toLowerCase(Locale.ROOT).startsWith("m") && !degree.equals("7");
        if (wrongDegree) {
            throw unknown(text, modifier.group());
        }
        Interval interval = interval(text, modifier, degree.isEmpty() ? "4" : degree);
        switch (word.toLowerCase(Locale.ROOT)) {
            case "no", "omit" -> tones.removeIf(tone -> tone.interval().number() == interval.number());
            case "sus" -> {
                tones.removeIf(tone -> tone.interval().number() == 3);
                tones.add(new ChordTone(interval, true));
            }
            case "add" -> tones.add(new ChordTone(interval, true));
            default -> {
                // an altered fifth takes the fifth's place, an altered ninth the plain ninth's; two alterations stay
                tones.removeIf(tone -> tone.interval().number() == interval.number()
                        && (tone.interval().alter() == 0 || !tone.required()));
                tones.add(new ChordTone(interval, true));
            }
        }
    }

    private static Interval interval(String text, Matcher modifier, String degree) {
        String signs = modifier.group(2)
                .replace('♭', 'b')
                .replace('♯', '#')
                .replace('-', 'b')
                .replace('+', '#');
        try {
            return Interval.parse(signs + degree);
        } catch (IllegalArgumentException e) {
            throw unknown(text, modifier.group());
        }
    }

    private static IllegalArgumentException unknown(String text, String part) {
        return new IllegalArgumentException(wording("ChordParser.chord-is-not-understood-write", text, part));
    }
}

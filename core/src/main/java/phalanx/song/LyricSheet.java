package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.theory.ChordSymbol;

/**
 * Words with chords, as songs are passed around in plain text: chords in square brackets before their syllable, or on
 * a line of their own over the words. Each chord becomes a bar, for such text does not say how long a chord lasts.
 */
public final class LyricSheet {
    private static final Pattern BRACKET = Pattern.compile("\\[([^\\]\\n]*)\\]");
    private static final Pattern HEADING = Pattern.compile("(?i)\\s*([\\p{L}][\\p{L}\\d ]{0,24}):\\s*");
    private static final int BARS_A_LINE = 4;

    private LyricSheet() {}

    /**
     * The sheet as a chart in bars, a line of words a line.
     *
     * @return nothing where the text has bar lines, or no chord over or within words
     */
    public static Optional<String> toChart(String text) {
        if (text.contains("|")) {
            return Optional.empty();
        }
        List<String> lines = new ArrayList<>();
        boolean words = false;
        for (String line : text.lines().toList()) {
            List<String> chords = chords(line);
            Optional<String> section = section(line);
            if (section.isPresent()) {
                lines.add("[" + section.get() + "]");
            } else if (!chords.isEmpty()) {
                addBars(chords, lines);
            }
            words |= section.isEmpty() && hasWords(line);
        }
        boolean any = lines.stream().anyMatch(line -> line.startsWith("|"));
        return any && words ? Optional.of(String.join("\n", lines) + "\n") : Optional.empty();
    }

    private static boolean hasWords(String line) {
        String outside = BRACKET.matcher(line).replaceAll("").strip();
        return Pattern.compile("\\s+").splitAsStream(outside).anyMatch(word -> !word.isEmpty() && !isChord(word));
    }

    private static void addBars(List<String> chords, List<String> lines) {
        for (int from = 0; from < chords.size(); from += BARS_A_LINE) {
            List<String> part = chords.subList(from, Math.min(chords.size(), from + BARS_A_LINE));
            lines.add("| " + String.join(" | ", part) + " |");
        }
    }

    /** A line that only names a section: in brackets, or before a colon. */
    private static Optional<String> section(String line) {
        Matcher bracket = BRACKET.matcher(line.strip());
        if (bracket.matches() && !bracket.group(1).isBlank() && !isChord(bracket.group(1))) {
            return Optional.of(bracket.group(1).strip());
        }
        Matcher heading = HEADING.matcher(line);
        return heading.matches() && !isChord(heading.group(1)) ? Optional.of(heading.group(1)) : Optional.empty();
    }

    private static List<String> chords(String line) {
        List<String> chords = new ArrayList<>();
        Matcher bracket = BRACKET.matcher(line);
        while (bracket.find()) {
            if (isChord(bracket.group(1))) {
                chords.add(bracket.group(1).strip());
            }
        }
        if (chords.isEmpty() && !line.isBlank()) {
            String[] words = line.strip().split("\\s+");
            for (String word : words) {
                if (!isChord(word)) {
                    return List.of();
                }
                chords.add(word);
            }
        }
        return chords;
    }

    private static boolean isChord(String word) {
        try {
            ChordSymbol.parse(word.strip());
            return true;
        } catch (IllegalArgumentException e) {
            return ChordSymbol.isNoChord(word.strip());
        }
    }
}

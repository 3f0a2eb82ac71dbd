package phalanx.formats.abc;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;

/**
 * Reads a tune with chord symbols in ABC notation (standard 2.1, from memory). A file may hold several tunes, each from
 * its {@code X:} line to the next blank line; the first is read and the others are reported.
 */
public final class AbcReader {
    private static final Pattern FIELD = Pattern.compile("[A-Za-z+]:.*");
    private static final int MOST_LINES = 200_000;

    private final String fallbackTitle;

    /** @param fallbackTitle the title of a tune that has none */
    public AbcReader(String fallbackTitle) {
        this.fallbackTitle = fallbackTitle;
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming line and reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        List<String> lines = new String(bytes, StandardCharsets.UTF_8).lines().toList();
        if (lines.size() > MOST_LINES) {
            throw new FormatException("", "the file has more than " + MOST_LINES + " lines");
        }
        int start = 0;
        while (start < lines.size() && !lines.get(start).startsWith("X:")) {
            start++;
        }
        if (start == lines.size()) {
            throw new FormatException("", "this is not ABC notation: no tune begins with a line \"X:\"");
        }
        int end = start;
        while (end < lines.size() && !lines.get(end).isBlank()) {
            end++;
        }
        AbcTune tune = new AbcTune(fallbackTitle);
        boolean inBody = false;
        for (int i = start; i < end; i++) {
            String line = withoutComment(lines.get(i));
            tune.at("line " + (i + 1));
            if (FIELD.matcher(line).matches()) {
                tune.field(line.charAt(0), line.substring(2).trim());
                inBody |= line.startsWith("K:");
            } else if (inBody && !line.isBlank()) {
                tune.music(line);
            }
        }
        if (!inBody) {
            throw new FormatException("line " + (start + 1), "the tune has no key; a line \"K:\" must end its head");
        }
        List<String> report = new ArrayList<>();
        long others = lines.subList(end, lines.size()).stream()
                .filter(line -> line.startsWith("X:"))
                .count();
        if (others > 0) {
            report.add("the file holds " + (others + 1) + " tunes; the first is read");
        }
        return tune.finish(report);
    }

    private static String withoutComment(String line) {
        int comment = line.indexOf('%');
        // an escaped per cent sign stands for itself, but only in words that are not read
        return comment < 0 ? line : line.substring(0, comment);
    }
}

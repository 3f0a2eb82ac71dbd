package phalanx.formats.abc;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.regex.Pattern;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;
import phalanx.formats.SongFiles;

/**
 * Reads a tune with chord symbols in ABC notation (standard 2.1, from memory). A file may hold several tunes, each from
 * its {@code X:} line to the next blank line; the first is read unless another is chosen.
 */
public final class AbcReader {
    private static final Pattern FIELD = Pattern.compile("[A-Za-z+]:.*");
    private static final int MOST_LINES = 200_000;

    private final String fallbackTitle;

    private final OptionalInt choice;

    /** @param fallbackTitle the title of a tune that has none */
    public AbcReader(String fallbackTitle) {
        this(fallbackTitle, OptionalInt.empty());
    }

    /**
     * @param fallbackTitle the title of a tune that has none
     * @param choice which tune of the file, from 0; the first where none is chosen
     */
    public AbcReader(String fallbackTitle, OptionalInt choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
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
        List<Integer> starts = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            if (lines.get(i).startsWith("X:")) {
                starts.add(i);
            }
        }
        if (starts.isEmpty()) {
            throw new FormatException("", "this is not ABC notation: no tune begins with a line \"X:\"");
        }
        int start = SongFiles.chosen(starts, choice, starts.get(0));
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
        if (starts.size() > 1 && choice.isEmpty()) {
            report.add("the file holds " + starts.size() + " tunes; the first is read");
        }
        List<String> titles = starts.stream().map(at -> title(lines, at)).toList();
        return tune.finish(report).of(titles, starts.indexOf(start));
    }

    private static String title(List<String> lines, int start) {
        return lines.subList(start, lines.size()).stream()
                .takeWhile(line -> !line.isBlank())
                .filter(line -> line.startsWith("T:"))
                .map(line -> line.substring(2).trim())
                .findFirst()
                .orElse("tune " + lines.get(start).substring(2).trim());
    }

    private static String withoutComment(String line) {
        int comment = line.indexOf('%');
        // an escaped per cent sign stands for itself, but only in words that are not read
        return comment < 0 ? line : line.substring(0, comment);
    }
}

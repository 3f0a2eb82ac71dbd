package phalanx.formats.page;

import java.util.ArrayList;
import java.util.List;

/** Setting text. */
final class Type {
    /** The height of capitals and figures in the shipped type, as a share of its size. */
    static final double CAPITAL = 0.698;

    private Type() {}

    /** A text in lines of at most a width; a word that is wider is broken where it must be. */
    static List<String> lines(String text, Face face, double size, double width) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split("\\s+")) {
            String more = line.isEmpty() ? word : line + " " + word;
            if (face.width(more, size) <= width) {
                line.setLength(0);
                line.append(more);
                continue;
            }
            if (!line.isEmpty()) {
                lines.add(line.toString());
            }
            String rest = word;
            while (face.width(rest, size) > width && rest.codePointCount(0, rest.length()) > 1) {
                int cut = rest.length();
                while (cut > 1 && face.width(rest.substring(0, cut), size) > width) {
                    cut = rest.offsetByCodePoints(cut, -1);
                }
                cut = Math.max(cut, rest.offsetByCodePoints(0, 1));
                lines.add(rest.substring(0, cut));
                rest = rest.substring(cut);
            }
            line.setLength(0);
            line.append(rest);
        }
        if (!line.isEmpty()) {
            lines.add(line.toString());
        }
        return lines;
    }

    /** A text cut to a width, with three dots where it is cut. */
    static String cut(String text, Face face, double size, double width) {
        if (face.width(text, size) <= width) {
            return text;
        }
        String shorter = text;
        while (!shorter.isEmpty() && face.width(shorter + "...", size) > width) {
            shorter = shorter.substring(0, shorter.offsetByCodePoints(shorter.length(), -1));
        }
        return shorter + "...";
    }
}

package phalanx.desktop.help;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** The help as it is shipped: a part for everywhere, and one for each station. */
public final class HelpText {
    /** The part for all places. */
    public static final String EVERYWHERE = wording("HelpText.everywhere");

    private static final Pattern BETWEEN = Pattern.compile(" \\| ");

    private HelpText() {}

    /** A key or several, and what they do. */
    public record Keys(String keys, String does) {}

    /**
     * What belongs to one place.
     *
     * @param place its name
     * @param words what it is for
     * @param keys in the order in which they are wanted
     */
    public record Part(String place, String words, List<Keys> keys) {}

    /** All parts in the order of the stations. */
    public static List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        for (String line : text().lines().toList()) {
            if (line.matches("\\[\\w+]")) {
                parts.add(new Part(line.substring(1, line.length() - 1), "", List.of()));
                continue;
            }
            Part part = parts.remove(parts.size() - 1);
            String[] sides = BETWEEN.split(line, 2);
            if (sides.length == 2) {
                List<Keys> keys = new ArrayList<>(part.keys());
                keys.add(new Keys(sides[0], sides[1]));
                parts.add(new Part(part.place(), part.words(), keys));
            } else {
                parts.add(new Part(part.place(), line, part.keys()));
            }
        }
        return List.copyOf(parts);
    }

    /** The part of a place. */
    public static Optional<Part> of(String place) {
        return parts().stream().filter(part -> part.place().equals(place)).findFirst();
    }

    private static String text() {
        try (InputStream in = HelpText.class.getResourceAsStream(wording("HelpText.file"))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

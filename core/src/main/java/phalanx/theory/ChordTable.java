package phalanx.theory;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The chord kinds of {@code chord-kinds.txt}, looked up by any of their spellings or by their MusicXML name. */
public final class ChordTable {
    private static final class Holder {
        static final ChordTable STANDARD = read("chord-kinds.txt");
    }

    private final List<ChordKind> kinds;
    private final Map<String, ChordKind> bySuffix = new HashMap<>();
    private final int longestSuffix;

    private ChordTable(List<ChordKind> kinds) {
        this.kinds = List.copyOf(kinds);
        for (ChordKind kind : kinds) {
            add(kind.name(), kind);
            kind.aliases().forEach(alias -> add(alias, kind));
        }
        this.longestSuffix =
                bySuffix.keySet().stream().mapToInt(String::length).max().orElse(0);
    }

    private void add(String suffix, ChordKind kind) {
        ChordKind earlier = bySuffix.put(suffix, kind);
        if (earlier != null) {
            throw new IllegalStateException("chord suffix \"" + suffix + "\" stands for both \"" + earlier.name()
                    + "\" and \"" + kind.name() + "\"");
        }
    }

    /** The table shipped with Phalanx. */
    public static ChordTable standard() {
        return Holder.STANDARD;
    }

    /** All kinds, in the order of the table: the commonest first. */
    public List<ChordKind> kinds() {
        return kinds;
    }

    /** The kind of a whole suffix, if there is one. */
    public Optional<ChordKind> kind(String suffix) {
        return Optional.ofNullable(bySuffix.get(suffix));
    }

    /** The first kind of a MusicXML name, if there is one. */
    public Optional<ChordKind> byExchangeName(String name) {
        return kinds.stream().filter(kind -> kind.exchangeName().equals(name)).findFirst();
    }

    /** The longest suffix that the text starts with; the empty suffix is the major triad. */
    String longestPrefix(String text) {
        for (int end = Math.min(text.length(), longestSuffix); end > 0; end--) {
            if (bySuffix.containsKey(text.substring(0, end))) {
                return text.substring(0, end);
            }
        }
        return "";
    }

    private static ChordTable read(String resource) {
        try (InputStream in = ChordTable.class.getResourceAsStream(resource)) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            List<ChordKind> kinds = new ArrayList<>();
            text.lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("//"))
                    .forEach(line -> kinds.add(row(line)));
            return new ChordTable(kinds);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static ChordKind row(String line) {
        String[] cells = line.split("\\|", -1);
        if (cells.length != 4) {
            throw new IllegalStateException("chord table row needs four cells: " + line);
        }
        List<ChordTone> tones = new ArrayList<>();
        for (String cell : words(cells[2])) {
            boolean optional = cell.startsWith("(");
            tones.add(new ChordTone(Interval.parse(cell.replaceAll("[()]", "")), !optional));
        }
        return new ChordKind(cells[0].trim(), words(cells[1]), tones, cells[3].trim());
    }

    private static List<String> words(String cell) {
        return cell.isBlank() ? List.of() : Arrays.asList(cell.trim().split("\\s+"));
    }
}

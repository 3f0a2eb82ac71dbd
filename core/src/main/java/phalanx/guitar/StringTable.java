package phalanx.guitar;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** The strings that are known by name, read from {@code strings.txt}. */
public final class StringTable {
    private static final double MM_PER_THOU = 0.0254;

    private final List<GuitarString> strings;

    private StringTable(List<GuitarString> strings) {
        this.strings = List.copyOf(strings);
    }

    /** The table shipped with the program. */
    public static StringTable standard() {
        try (InputStream in = StringTable.class.getResourceAsStream("strings.txt")) {
            return parse(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static StringTable parse(String text) {
        List<GuitarString> strings = new ArrayList<>();
        text.lines().filter(line -> !line.isBlank() && !line.startsWith("#")).forEach(line -> strings.add(row(line)));
        return new StringTable(strings);
    }

    private static GuitarString row(String line) {
        String[] cells = line.split("\\s*\\|\\s*");
        try {
            StringMaterial material =
                    StringMaterial.valueOf(cells[1].toUpperCase(Locale.ROOT).replace('-', '_'));
            double gauge = Double.parseDouble(cells[2]) * MM_PER_THOU;
            double core = cells[3].equals("-") ? gauge : Double.parseDouble(cells[3]) * MM_PER_THOU;
            if (core > gauge || material.isWound() == (core == gauge)) {
                throw new IllegalArgumentException("core " + cells[3] + " of a " + cells[1] + " string");
            }
            return new GuitarString(cells[0], material, gauge, material.kgPerMetre(gauge, core));
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw new IllegalArgumentException("row \"" + line + "\" of the string table is not understood", e);
        }
    }

    public List<GuitarString> strings() {
        return strings;
    }

    /**
     * A string by its name.
     *
     * @throws IllegalArgumentException if there is none
     */
    public GuitarString string(String name) {
        return strings.stream()
                .filter(string -> string.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no string \"" + name + "\""));
    }
}

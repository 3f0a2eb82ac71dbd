package phalanx.technique;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The grooves that are shipped. */
public final class Grooves {
    private static final String RESOURCE = "grooves.txt";

    private final List<Groove> all;

    private Grooves(List<Groove> all) {
        this.all = List.copyOf(all);
    }

    public static Grooves shipped() {
        try (InputStream in = Grooves.class.getResourceAsStream(RESOURCE)) {
            return new Grooves(new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("#"))
                    .map(Groove::parse)
                    .toList());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** By meter, the plainest first. */
    public List<Groove> all() {
        return all;
    }

    /**
     * The groove of a name, in English or in the player's language.
     *
     * @throws IllegalArgumentException naming those that there are
     */
    public Groove get(String name) {
        return all.stream()
                .filter(groove -> Stream.of(groove.name(), groove.label()).anyMatch(name.trim()::equalsIgnoreCase))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "Grooves.groove-is-not-known-there",
                        name.trim(),
                        all.stream().map(Groove::label).collect(Collectors.joining(", ")))));
    }
}

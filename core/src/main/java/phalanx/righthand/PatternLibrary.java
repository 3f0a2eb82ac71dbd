package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The patterns that are shipped, and those of the player beside them. */
public final class PatternLibrary {
    private static final String RESOURCE = "patterns.txt";

    private final List<Pattern> shipped;
    private final List<Pattern> own;

    private PatternLibrary(List<Pattern> shipped, List<Pattern> own) {
        this.shipped = List.copyOf(shipped);
        this.own = List.copyOf(own);
    }

    /** The shipped patterns alone. */
    public static PatternLibrary standard() {
        try (InputStream in = PatternLibrary.class.getResourceAsStream(RESOURCE)) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return new PatternLibrary(PatternText.parseAll(text), List.of());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** With a player's own patterns, which come first and may stand in for shipped ones of the same name. */
    public PatternLibrary withOwn(List<Pattern> patterns) {
        return new PatternLibrary(shipped, patterns);
    }

    /** The player's own first, then by family in the order of learning. */
    public List<Pattern> all() {
        return Stream.concat(own.stream(), shipped.stream().filter(pattern -> own.stream()
                        .noneMatch(mine -> sameName(mine, pattern.name()))))
                .toList();
    }

    public Optional<Pattern> find(String name) {
        return all().stream().filter(pattern -> sameName(pattern, name)).findFirst();
    }

    /**
     * The pattern of a name.
     *
     * @throws IllegalArgumentException naming some that there are
     */
    public Pattern get(String name) {
        return find(name)
                .orElseThrow(() -> new IllegalArgumentException(wording(
                        "PatternLibrary.pattern-is-not-known-there",
                        name.trim(),
                        all().stream().map(Pattern::name).limit(6).collect(Collectors.joining(", ")),
                        Math.max(0, all().size() - 6))));
    }

    private static boolean sameName(Pattern pattern, String name) {
        return pattern.name().equalsIgnoreCase(name.trim());
    }
}

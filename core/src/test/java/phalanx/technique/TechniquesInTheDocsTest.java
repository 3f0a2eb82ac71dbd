package phalanx.technique;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** The page on techniques holds the tables of the program, line by line; a run writes them to target/techniques.md. */
class TechniquesInTheDocsTest {
    private static String hits() {
        return Stream.of(HitKind.values())
                .map(kind -> String.format(
                        Locale.ROOT,
                        "| %s | %s | %s | %s | %s | %.0f ms | %s |",
                        kind.letter(),
                        kind.label(),
                        kind.side().label(),
                        kind.with().label(),
                        kind.damps().label(),
                        kind.busyMs(),
                        kind.words()))
                .collect(Collectors.joining("\n"));
    }

    private static String slurs() {
        return Stream.of(SlurKind.values())
                .map(kind -> String.format(
                        Locale.ROOT,
                        "| %s | %s | %d to %d | %.0f ms | %s |",
                        kind.sign(),
                        kind.label(),
                        kind.leastFrets(),
                        kind.mostFrets(),
                        kind.leastMs(),
                        kind.words()))
                .collect(Collectors.joining("\n"));
    }

    private static String nodes() {
        return HarmonicNode.all().stream()
                .map(node -> String.format(
                        Locale.ROOT,
                        "| %s | %.2f | %+.2f | %+.1f | %.0f %% |",
                        node,
                        node.frets(),
                        node.semitones(),
                        node.cents(),
                        100 * node.strength()))
                .collect(Collectors.joining("\n"));
    }

    private static String grooves() {
        return Grooves.shipped().all().stream()
                .map(groove -> "| " + groove.name() + " | " + groove.meter() + " | `" + groove.signs() + "` |")
                .collect(Collectors.joining("\n"));
    }

    @Test
    void thePageHoldsTheTables() throws IOException {
        String tables = String.join("\n\n", hits(), slurs(), nodes(), grooves());
        Files.writeString(Path.of("target", "techniques.md"), tables);
        String page = Files.readString(Path.of("..", "docs", "techniques.md"));
        assertThat(page).contains(hits()).contains(slurs()).contains(nodes()).contains(grooves());
    }
}

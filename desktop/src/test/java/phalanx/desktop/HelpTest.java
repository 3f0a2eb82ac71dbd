package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import phalanx.desktop.help.Finder;
import phalanx.desktop.help.HelpText;

/** Help and the finder of commands, in the real window. */
class HelpTest extends OpenWindow {
    private String helpWords() {
        return lookup("#help-text .label").queryAll().stream()
                .map(label -> ((Labeled) label).getText())
                .collect(Collectors.joining("\n"));
    }

    @Test
    void everyPlaceExplainsItselfAndEveryCommandIsFound() throws IOException {
        for (Station station : Station.values()) {
            push(KeyCode.CONTROL, KeyCode.getKeyCode(String.valueOf(station.digit())));
            type(KeyCode.F1);
            assertThat(lookup("#help").query().isVisible()).as(station.label()).isTrue();
            HelpText.Part part = HelpText.of(station.label()).orElseThrow();
            assertThat(helpWords()).contains(part.words(), "Ctrl+F");
            part.keys().forEach(key -> assertThat(helpWords()).contains(key.keys(), key.does()));
            // what lies under it gets no keys
            push(KeyCode.CONTROL, KeyCode.DIGIT1);
            type(station == Station.SCORE ? KeyCode.F1 : KeyCode.ESCAPE);
            assertThat(lookup("#help").query().isVisible()).isFalse();
            assertThat(shell.current()).isEqualTo(station);
        }

        push(KeyCode.CONTROL, KeyCode.F);
        write("go pick");
        ListView<Finder.Command> found = lookup("#finder-list").queryListView();
        assertThat(found.getItems()).extracting(Finder.Command::words).containsExactly("Go to Picking");
        type(KeyCode.ENTER);
        assertThat(shell.current()).isEqualTo(Station.PICKING);

        push(KeyCode.CONTROL, KeyCode.F);
        write("harmonic it make");
        type(KeyCode.ENTER);
        assertThat(shell.current()).isEqualTo(Station.SCORE);
        assertThat(text("#message")).startsWith("S, B, H, W: slur the note");

        // a button of the place, and a chip
        push(KeyCode.CONTROL, KeyCode.F);
        write("capo");
        type(KeyCode.ENTER);
        assertThat(lookup("#finder").query().isVisible()).isFalse();
        type(KeyCode.ESCAPE);
        push(KeyCode.CONTROL, KeyCode.F);
        write("theme");
        type(KeyCode.ENTER);
        assertThat(shell.view().theme()).isEqualTo(Theme.ROSEWOOD);
        push(KeyCode.CONTROL, KeyCode.F);
        write("qqq");
        assertThat(found.getItems()).isEmpty();
        type(KeyCode.ENTER);
        type(KeyCode.ESCAPE);
        assertThat(lookup("#finder").query().isVisible()).isFalse();

        // every place was open by now
        assertNoSocketIsOpen();
        assertTheReadmeHasTheSameKeys();
    }

    private static void assertTheReadmeHasTheSameKeys() throws IOException {
        String readme = Files.readString(Path.of("..", "README.md"));
        for (HelpText.Part part : HelpText.parts()) {
            String where = part.place().equals(HelpText.EVERYWHERE) ? "everywhere" : part.place();
            part.keys().forEach(key -> assertThat(readme)
                    .contains("| " + where + " | " + key.keys() + " | " + key.does() + " |"));
        }
    }

    /** Of all that this process holds open nothing is a connection of the internet's protocols (Linux, proc(5)). */
    private static void assertNoSocketIsOpen() throws IOException {
        Set<String> sockets = new HashSet<>();
        try (Stream<Path> open = Files.list(Path.of("/proc/self/fd"))) {
            for (Path descriptor : open.toList()) {
                if (Files.isSymbolicLink(descriptor)) {
                    sockets.add(Files.readSymbolicLink(descriptor).toString());
                }
            }
        }
        // the window's own connection to the screen shows that sockets are seen at all
        assertThat(sockets).anyMatch(name -> name.startsWith("socket:"));
        for (String protocol : List.of("tcp", "tcp6", "udp", "udp6")) {
            for (String line : Files.readAllLines(Path.of("/proc/self/net", protocol))) {
                String[] columns = line.trim().split("\\s+");
                assertThat(sockets).as(protocol + ": " + line).doesNotContain("socket:[" + columns[9] + "]");
            }
        }
    }
}

package phalanx.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;

/** The script that starts Phalanx, beside the commands there are. */
class LauncherTest {
    private static final Path SCRIPT = Path.of("..", "phalanx");

    /** A command that the script does not know would open a window, and fail where there is no display. */
    @Test
    void theScriptKnowsEveryCommand() throws IOException {
        String text = Files.readString(SCRIPT);
        Matcher known = Pattern.compile("wants_window\\(\\)(?s:.*?)case \"\\$word\" in\\s+([^)]*)\\) return 1")
                .matcher(text);
        assertThat(known.find()).isTrue();
        Set<String> words = new TreeSet<>(List.of(known.group(1).trim().split("\\s*\\|\\s*")));
        Set<String> commands =
                new TreeSet<>(new CommandLine(new Main()).getSubcommands().keySet());
        commands.addAll(List.of("-h", "--help", "-V", "--version"));
        assertThat(words).isEqualTo(commands);
    }

    /** What the virtual machine is told must be what it knows: a wrong flag ends every start. */
    @Test
    void theVirtualMachineTakesItsFlags() throws IOException, InterruptedException {
        String text = Files.readString(SCRIPT);
        for (String kind : List.of("window", "command")) {
            List<String> flags = Stream.concat(words(text, "java").stream().skip(1), words(text, kind).stream())
                    .toList();
            assertThat(flags).anyMatch(flag -> flag.startsWith("-Xmx")).anyMatch(flag -> flag.startsWith("-Xms"));
            Process started = new ProcessBuilder(Stream.of(
                                    Stream.of(Path.of(System.getProperty("java.home"), "bin", "java")
                                            .toString()),
                                    flags.stream(),
                                    Stream.of("-version"))
                            .flatMap(part -> part)
                            .toList())
                    .redirectErrorStream(true)
                    .start();
            String said = new String(started.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            assertThat(started.waitFor(30, TimeUnit.SECONDS)).isTrue();
            assertThat(started.exitValue()).as(kind + ": " + said).isZero();
            assertThat(said).doesNotContain("Unrecognized").doesNotContain("warning");
        }
    }

    /** The words of an array of the script. */
    private static List<String> words(String script, String array) {
        Matcher found = Pattern.compile("(?m)^" + array + "=\\(([^)]*)\\)").matcher(script);
        assertThat(found.find()).as(array).isTrue();
        return List.of(found.group(1).trim().split("\\s+"));
    }
}

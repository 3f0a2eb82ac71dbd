package phalanx.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A language is settled when a process begins: each run has one of its own. */
class LanguagesTest {
    /** Files that travel or come back: the same byte for byte. */
    private static final List<String> SAME =
            List.of("out.musicxml", "out.tab.txt", "out.fingers.tab.txt", "out.mid", "out.phalanx.json");

    /** What a player reads in answers for programs. */
    private static final Set<String> READ =
            Set.of("message", "reason", "name", "adds", "clean", "why", "octaveChoice", "joining");

    @TempDir
    private Path folder;

    private String run(String language, Path home, List<String> args) throws Exception {
        return run(language, home, args, ExitCodes.DONE);
    }

    private String run(String language, Path home, List<String> args, int code) throws Exception {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-Duser.language=en",
                "-cp",
                System.getProperty("java.class.path"),
                "phalanx.cli.Main"));
        command.addAll(args);
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("PHALANX_HOME", home.toString());
        if (language.isEmpty()) {
            builder.environment().remove("PHALANX_LANGUAGE");
        } else {
            builder.environment().put("PHALANX_LANGUAGE", language);
        }
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isEqualTo(code);
        return said;
    }

    private void arrange(String language, String groove, Path song, Path out) throws Exception {
        Files.createDirectories(out);
        List<String> args = new ArrayList<>(
                List.of("arrange", song.toString(), "--groove", groove, "--slurs", "ease", "--bass", "walking"));
        for (String file : SAME) {
            args.addAll(List.of("-o", out.resolve(file).toString()));
        }
        args.addAll(List.of("-o", out.resolve("out.json").toString()));
        run(language, folder.resolve("home"), args);
    }

    /** A short song with hits and slurs, which files name, and with something to find. */
    @Test
    void filesHoldTheSameWhateverIsSpoken() throws Exception {
        Path song = Files.writeString(
                folder.resolve("in.abc"),
                "X:1\nT:Long\nM:4/4\nL:1/8\nQ:1/4=180\nK:G\n\"G\"GABc d2B2|\"D7\"AcBA F2D2|]\n");
        Path english = folder.resolve("english");
        Path italian = folder.resolve("italian");
        arrange("en", "backbeat", song, english);
        arrange("it", "secondo e quarto", song, italian);
        for (String file : SAME) {
            assertThat(italian.resolve(file)).hasSameBinaryContentAs(english.resolve(file));
        }
        ObjectMapper mapper = new ObjectMapper();
        Set<String> differ = new TreeSet<>();
        differences(
                mapper.readTree(english.resolve("out.json").toFile()),
                mapper.readTree(italian.resolve("out.json").toFile()),
                "",
                differ);
        assertThat(READ).containsAll(differ);
        assertThat(differ).contains("message");
    }

    private static void differences(JsonNode one, JsonNode other, String name, Set<String> found) {
        assertThat(other.getNodeType()).isEqualTo(one.getNodeType());
        assertThat(other.size()).as(name).isEqualTo(one.size());
        if (one.isObject()) {
            one.fieldNames().forEachRemaining(field -> differences(one.get(field), other.get(field), field, found));
        } else if (one.isArray()) {
            for (int i = 0; i < one.size(); i++) {
                differences(one.get(i), other.get(i), name, found);
            }
        } else if (!one.equals(other) && !name.endsWith("Millis")) {
            assertThat(one.isTextual()).as(name).isTrue();
            found.add(name);
        }
    }

    @Test
    void commandsExplainThemselvesInTheLanguageThatIsAskedFor() throws Exception {
        assertThat(run("it", folder, List.of("arrange", "--help")))
                .contains("Arrangia un brano", "Mostra questo aiuto")
                .doesNotContain("Show this help", "bundle:");
        assertThat(run("fr", folder, List.of("--help"))).contains("Arranges songs", "0   done");
    }

    @Test
    void figuresAndWrongUsageAreInThePlayersLanguageToo() throws Exception {
        assertThat(run("it", folder, List.of("harmonics"))).contains("7,02").doesNotContain("7.02");
        assertThat(run("en", folder, List.of("harmonics"))).contains("7.02").doesNotContain("7,02");
        assertThat(run("it", folder, List.of("shapes", "C", "--max", "tanti"), ExitCodes.WRONG_USAGE))
                .contains("--max: \"tanti\" non è un numero intero");
    }

    /** What was chosen in the window holds for commands too; the environment comes before it. */
    @Test
    void theLanguageChosenInTheWindowIsSpoken() throws Exception {
        Files.writeString(folder.resolve("settings.json"), "{\"looks\":{\"language\":\"it\"}}");
        assertThat(run("", folder, List.of("--help"))).contains("Arrangia brani", "fatto");
        assertThat(run("en", folder, List.of("--help"))).contains("Arranges songs");
        Files.writeString(folder.resolve("settings.json"), "{\"looks\":{\"language\":\"it");
        assertThat(run("", folder, List.of("--help"))).contains("Arranges songs");
    }
}

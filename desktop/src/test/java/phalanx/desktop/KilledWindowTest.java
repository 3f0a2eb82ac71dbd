package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class KilledWindowTest {
    private static final long MOST_MS = 120_000;

    @TempDir
    private Path folder;

    /** The program in a process of its own; it draws its views into a folder. */
    static final class Child {
        private Child() {}

        public static void main(String[] folder) {
            PhalanxWindow.open(new Opening(Optional.empty(), true, Optional.of(Path.of(folder[0]))));
        }
    }

    /** Fonts are read where they lie, also from a folder with letters of any kind in its name. */
    @Test
    void aKilledWindowLeavesNoTemporaryFile() throws Exception {
        Path temporary = Files.createDirectory(folder.resolve("tmp"));
        Path home = folder.resolve("Möwe 1 & 2");
        Path shots = folder.resolve("shots");
        ProcessBuilder start = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-Djava.io.tmpdir=" + temporary,
                        "-cp",
                        System.getProperty("java.class.path"),
                        Child.class.getName(),
                        shots.toString())
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(ProcessBuilder.Redirect.DISCARD);
        start.environment().put("PHALANX_HOME", home.toString());
        Process child = start.start();
        try {
            long until = System.currentTimeMillis() + MOST_MS;
            while (child.isAlive() && !Files.exists(shots.resolve("score.png"))) {
                assertThat(System.currentTimeMillis()).isLessThan(until);
                Thread.sleep(50);
            }
            assertThat(child.isAlive()).isTrue();
        } finally {
            child.destroyForcibly();
        }
        assertThat(child.waitFor(10, TimeUnit.SECONDS)).isTrue();
        assertThat(temporary).isEmptyDirectory();
        assertThat(home.resolve("fonts")).isDirectoryContaining("glob:**.otf");
    }
}

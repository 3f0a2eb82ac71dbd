package phalanx.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FaultLogTest {
    private final Thread.UncaughtExceptionHandler before = Thread.getDefaultUncaughtExceptionHandler();

    @TempDir
    private Path folder;

    @AfterEach
    void end() {
        Thread.setDefaultUncaughtExceptionHandler(before);
    }

    private String kept() throws Exception {
        StringBuilder all = new StringBuilder();
        try (var files = Files.list(folder)) {
            for (Path file : (Iterable<Path>) files::iterator) {
                all.append(Files.readString(file));
            }
        }
        return all.toString();
    }

    @Test
    void aFaultIsKeptWithoutWhatIsThePlayers() throws Exception {
        folder = Files.createDirectory(folder.resolve("50%hers"));
        try (FaultLog log = new FaultLog(folder)) {
            FaultLog.keep(new IllegalStateException(
                    "the song My Secret Waltz", new NoSuchFileException("/home/somebody/waltz.abc")));
            Thread thread = new Thread(() -> {
                throw new IllegalArgumentException("of a thread");
            });
            thread.start();
            thread.join();
        }
        assertThat(kept())
                .contains("java.lang.IllegalStateException", "java.nio.file.NoSuchFileException")
                .contains("java.lang.IllegalArgumentException", "at phalanx.desktop.session.FaultLogTest")
                .doesNotContain("Waltz", "waltz", "somebody", "of a thread");
    }

    @Test
    void theFilesStaySmall() throws Exception {
        try (FaultLog log = new FaultLog(folder)) {
            RuntimeException fault = new RuntimeException();
            for (int i = 0; i < 400; i++) {
                FaultLog.keep(fault);
            }
        }
        List<Path> logs;
        try (var files = Files.list(folder)) {
            logs = files.toList();
        }
        assertThat(logs).hasSize(FaultLog.FILES);
        for (Path log : logs) {
            assertThat(Files.size(log)).isLessThan(FaultLog.MOST_BYTES + 20_000);
        }
    }

    /** A folder that cannot be made: nothing is kept, and nothing fails. */
    @Test
    void withoutAFolderNothingIsKept() throws Exception {
        Path taken = Files.createFile(folder.resolve("taken"));
        try (FaultLog log = new FaultLog(taken.resolve("logs"))) {
            FaultLog.keep(new RuntimeException());
        }
        assertThat(taken).isEmptyFile();
    }
}

package phalanx.formats.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.formats.reading.FormatException;
import phalanx.practice.LogEntry;

class PracticeLogTest {
    @TempDir
    private Path folder;

    private static LogEntry entry(int number) {
        // every third time the clock was set back by a day
        Instant at = Instant.parse("2026-03-01T18:00:00Z").plusSeconds(60L * number - (number % 3 == 2 ? 86_400 : 0));
        return new LogEntry(
                at,
                "Slate, \"Harbour\"",
                "the whole song",
                "bar 1 (D), i on 1\nagain",
                50 + number,
                number % 2 == 0,
                number);
    }

    @Test
    void whatWasKeptComesBackInOrderThoughTheLogWasNeverClosed() throws FormatException {
        Path file = folder.resolve("sub/practice.db");
        List<LogEntry> kept = new ArrayList<>();
        // as after a kill: the first is still open when the second is
        PracticeLog killed = PracticeLog.open(file);
        for (int i = 0; i < 20; i++) {
            killed.add(entry(i));
            kept.add(entry(i));
        }
        try (PracticeLog log = PracticeLog.open(file)) {
            assertThat(log.entries()).isEqualTo(kept);
            assertThat(log.aside()).isEmpty();
            log.add(entry(20));
        }
        try (PracticeLog log = PracticeLog.open(file)) {
            assertThat(log.entries()).hasSize(21).endsWith(entry(20));
        }
        killed.close();
    }

    @Test
    void whatIsSaidLaterIsKeptWithThePass() throws FormatException {
        Path file = folder.resolve("practice.db");
        LogEntry said = entry(1).feeling(LogEntry.Feel.HARD).noted("the \"fourth\" finger");
        try (PracticeLog log = PracticeLog.open(file)) {
            log.add(entry(0));
            log.add(entry(1));
            log.sayOfLast(said);
        }
        try (PracticeLog log = PracticeLog.open(file)) {
            assertThat(log.entries()).containsExactly(entry(0), said);
        }
    }

    /** The table as version 1 made it. */
    @Test
    void aLogOfTheFirstVersionIsReadAndGoesOn() throws FormatException, SQLException {
        Path file = folder.resolve("practice.db");
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE TABLE pass (id INTEGER PRIMARY KEY, at INTEGER NOT NULL, song TEXT NOT NULL,"
                    + " passage TEXT NOT NULL, step TEXT NOT NULL, tempo INTEGER NOT NULL CHECK (tempo > 0),"
                    + " clean INTEGER NOT NULL)");
            statement.execute("INSERT INTO pass (at, song, passage, step, tempo, clean)"
                    + " VALUES (1772388000, 'Slate', 'all', 'bar 1', 60, 1)");
            statement.execute("PRAGMA user_version = 1");
        }
        LogEntry old = new LogEntry(Instant.ofEpochSecond(1_772_388_000), "Slate", "all", "bar 1", 60, true, 0);
        try (PracticeLog log = PracticeLog.open(file)) {
            assertThat(log.aside()).isEmpty();
            log.add(entry(3));
            assertThat(log.entries()).containsExactly(old, entry(3));
        }
    }

    @Test
    void aDamagedLogIsKeptAsideAndANewOneBegun() throws IOException, FormatException {
        Path file = folder.resolve("practice.db");
        byte[] damage = new byte[5000];
        new Random(4).nextBytes(damage);
        Files.write(file, damage);
        try (PracticeLog log = PracticeLog.open(file)) {
            assertThat(Files.readAllBytes(log.aside().orElseThrow())).isEqualTo(damage);
            log.add(entry(1));
            assertThat(log.entries()).containsExactly(entry(1));
        }
    }

    @Test
    void aLogOfALaterVersionIsLeftAlone() throws FormatException, SQLException, IOException {
        Path file = folder.resolve("practice.db");
        try (PracticeLog log = PracticeLog.open(file)) {
            log.add(entry(1));
        }
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file);
                Statement statement = connection.createStatement()) {
            statement.execute("PRAGMA user_version = 9");
        }
        assertThatThrownBy(() -> PracticeLog.open(file))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("a later Phalanx wrote");
        assertThat(Files.list(folder).map(Path::getFileName).map(Path::toString))
                .noneMatch(name -> name.contains("unread"));
    }

    @Test
    void theExportsHoldEveryEntry() throws IOException {
        List<LogEntry> entries = List.of(entry(0), entry(1));
        assertThat(new ObjectMapper().readTree(LogExport.json(entries)))
                .hasSize(2)
                .allSatisfy(row -> assertThat(row.fieldNames())
                        .toIterable()
                        .containsExactly("at", "song", "passage", "step", "tempo", "clean", "seconds", "feel", "note"));
        // RFC 4180: quotes are doubled, what holds commas, quotes or breaks is quoted
        assertThat(LogExport.csv(entries))
                .startsWith(
                        "at,song,passage,step,tempo,clean,seconds,feel,note\r\n2026-03-01T18:00:00Z,\"Slate, \"\"Harbour\"\"\",")
                .contains("\"bar 1 (D), i on 1\nagain\",50,true,0,\"not said\",\r\n");
        assertThat(LogExport.csv(List.of())).isEqualTo("at,song,passage,step,tempo,clean,seconds,feel,note\r\n");
    }
}

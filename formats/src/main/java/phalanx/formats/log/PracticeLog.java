package phalanx.formats.log;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import phalanx.formats.reading.FormatException;
import phalanx.practice.LogEntry;

/**
 * What was practised, in one SQLite file. Every entry is on disk when {@link #add} returns, so that a kill loses none. A
 * damaged file is put aside and a new one begun. For one thread at a time.
 */
public final class PracticeLog implements AutoCloseable {
    private static final int VERSION = 2;

    private final Path file;
    private final Connection connection;
    private final Optional<Path> aside;

    private PracticeLog(Path file, Connection connection, Optional<Path> aside) {
        this.file = file;
        this.connection = connection;
        this.aside = aside;
    }

    /**
     * Opens a log; makes it where there is none.
     *
     * @throws FormatException if it cannot be made, or a later Phalanx wrote it: then it is left alone
     */
    public static PracticeLog open(Path file) throws FormatException {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
        } catch (IOException e) {
            throw new FormatException("", wording("PracticeLog.the-practice-log-cannot-be")).in(file);
        }
        try {
            return new PracticeLog(file, connected(file), Optional.empty());
        } catch (SQLException damaged) {
            Path aside = setAside(file);
            try {
                return new PracticeLog(file, connected(file), Optional.of(aside));
            } catch (SQLException e) {
                throw error(file, e);
            }
        }
    }

    private static Connection connected(Path file) throws SQLException, FormatException {
        Connection connection = DriverManager.getConnection("jdbc:sqlite:" + file.toAbsolutePath());
        try (Statement statement = connection.createStatement()) {
            statement.execute("PRAGMA journal_mode = WAL");
            statement.execute("PRAGMA synchronous = FULL");
            int version = number(statement, "PRAGMA user_version");
            if (version > VERSION) {
                throw new FormatException("", wording("PracticeLog.a-later-phalanx-wrote-the")).in(file);
            }
            statement.execute("CREATE TABLE IF NOT EXISTS pass (id INTEGER PRIMARY KEY, at INTEGER NOT NULL,"
                    + " song TEXT NOT NULL, passage TEXT NOT NULL, step TEXT NOT NULL, tempo INTEGER NOT NULL"
                    + " CHECK (tempo > 0), clean INTEGER NOT NULL)");
            if (!hasColumn(statement, "seconds")) {
                // as version 1 wrote it
                connection.setAutoCommit(false);
                statement.execute("ALTER TABLE pass ADD COLUMN seconds INTEGER NOT NULL DEFAULT 0");
                statement.execute("ALTER TABLE pass ADD COLUMN feel TEXT NOT NULL DEFAULT 'not said'");
                statement.execute("ALTER TABLE pass ADD COLUMN note TEXT NOT NULL DEFAULT ''");
                connection.commit();
                connection.setAutoCommit(true);
            }
            statement.execute("PRAGMA user_version = " + VERSION);
            if (!"ok".equals(text(statement, "PRAGMA quick_check"))) {
                throw new SQLException(wording("PracticeLog.the-file-is-damaged"));
            }
            return connection;
        } catch (SQLException | FormatException e) {
            connection.close();
            throw e;
        }
    }

    private static int number(Statement statement, String query) throws SQLException {
        try (ResultSet result = statement.executeQuery(query)) {
            return result.next() ? result.getInt(1) : 0;
        }
    }

    private static boolean hasColumn(Statement statement, String name) throws SQLException {
        try (ResultSet columns = statement.executeQuery("PRAGMA table_info(pass)")) {
            while (columns.next()) {
                if (columns.getString("name").equals(name)) {
                    return true;
                }
            }
            return false;
        }
    }

    private static String text(Statement statement, String query) throws SQLException {
        try (ResultSet result = statement.executeQuery(query)) {
            return result.next() ? result.getString(1) : "";
        }
    }

    private static Path setAside(Path file) throws FormatException {
        try {
            Path aside = Files.createTempFile(file.toAbsolutePath().getParent(), "practice-unread-", ".db");
            Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING);
            for (String beside : List.of("-wal", "-shm")) {
                Files.deleteIfExists(file.resolveSibling(file.getFileName() + beside));
            }
            return aside;
        } catch (IOException e) {
            throw new FormatException("", wording("PracticeLog.the-practice-log-cannot-be-2", e.getMessage())).in(file);
        }
    }

    /** Where a damaged log was put when this one was opened. */
    public Optional<Path> aside() {
        return aside;
    }

    /**
     * Keeps an entry.
     *
     * @throws FormatException if it cannot be written
     */
    public void add(LogEntry entry) throws FormatException {
        try (PreparedStatement insert = connection.prepareStatement(
                "INSERT INTO pass (at, song, passage, step, tempo, clean, seconds, feel, note)"
                        + " VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)")) {
            insert.setLong(1, entry.at().getEpochSecond());
            insert.setString(2, entry.song());
            insert.setString(3, entry.passage());
            insert.setString(4, entry.step());
            insert.setInt(5, entry.tempo());
            insert.setBoolean(6, entry.clean());
            insert.setInt(7, entry.seconds());
            insert.setString(8, entry.feel().word());
            insert.setString(9, entry.note());
            insert.executeUpdate();
        } catch (SQLException e) {
            throw error(file, e);
        }
    }

    /**
     * Keeps what was said later of the entry that was made last.
     *
     * @param entry the same pass
     * @throws FormatException if it cannot be written
     */
    public void sayOfLast(LogEntry entry) throws FormatException {
        try (PreparedStatement update = connection.prepareStatement(
                "UPDATE pass SET feel = ?, note = ? WHERE id = (SELECT MAX(id) FROM pass WHERE at = ? AND step = ?)")) {
            update.setString(1, entry.feel().word());
            update.setString(2, entry.note());
            update.setLong(3, entry.at().getEpochSecond());
            update.setString(4, entry.step());
            update.executeUpdate();
        } catch (SQLException e) {
            throw error(file, e);
        }
    }

    /**
     * All entries in the order they were made, whatever the clock said.
     *
     * @throws FormatException if they cannot be read
     */
    public List<LogEntry> entries() throws FormatException {
        List<LogEntry> entries = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet row = statement.executeQuery(
                        "SELECT at, song, passage, step, tempo, clean, seconds, feel, note FROM pass ORDER BY id")) {
            while (row.next()) {
                entries.add(new LogEntry(
                        Instant.ofEpochSecond(row.getLong(1)),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getInt(5),
                        row.getBoolean(6),
                        Math.max(0, row.getInt(7)),
                        feel(row.getString(8)),
                        row.getString(9)));
            }
            return entries;
        } catch (SQLException e) {
            throw error(file, e);
        }
    }

    /** A word that is not known says nothing. */
    private static LogEntry.Feel feel(String label) {
        return Arrays.stream(LogEntry.Feel.values())
                .filter(feel -> feel.word().equals(label))
                .findFirst()
                .orElse(LogEntry.Feel.NOT_SAID);
    }

    @Override
    public void close() throws FormatException {
        try {
            connection.close();
        } catch (SQLException e) {
            throw error(file, e);
        }
    }

    private static FormatException error(Path file, SQLException e) {
        return new FormatException("", wording("PracticeLog.the-practice-log", e.getMessage())).in(file);
    }
}

package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Function;
import phalanx.formats.log.PracticeLog;
import phalanx.formats.reading.FormatException;
import phalanx.practice.LogEntry;

/** Keeps the practice log in the background; it is opened when it is first wanted. */
public final class Journal {
    private final Path file;
    private final Executor background;
    private final Executor interfaceThread;
    private final Consumer<Message> say;
    private final Clock clock;

    /**
     * @param file where the log is kept
     * @param background runs one job after another
     * @param interfaceThread runs a job on the interface thread
     * @param say shows a line at the bottom of the window
     * @param clock says when something was practised, and which day it is for the player
     */
    public Journal(Path file, Executor background, Executor interfaceThread, Consumer<Message> say, Clock clock) {
        this.file = file;
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.say = say;
        this.clock = clock;
    }

    public Clock clock() {
        return clock;
    }

    /** Keeps an entry. */
    public void add(LogEntry entry) {
        work(log -> log.add(entry));
    }

    /** Keeps what was said of the entry that was added last. */
    public void sayOfLast(LogEntry entry) {
        work(log -> log.sayOfLast(entry));
    }

    /**
     * Reads what was kept of a song.
     *
     * @param found takes it on the interface thread
     */
    public void of(String song, Consumer<List<LogEntry>> found) {
        reckon(song, own -> own, found);
    }

    /**
     * Reckons something out of what was kept of a song, in the background.
     *
     * @param reckon does it
     * @param found takes it on the interface thread
     */
    public <T> void reckon(String song, Function<List<LogEntry>, T> reckon, Consumer<T> found) {
        work(log -> {
            T result = reckon.apply(own(log, song));
            interfaceThread.execute(() -> found.accept(result));
        });
    }

    private static List<LogEntry> own(PracticeLog log, String song) throws FormatException {
        return log.entries().stream().filter(entry -> entry.song().equals(song)).toList();
    }

    private interface Work {
        void on(PracticeLog log) throws FormatException;
    }

    private void work(Work work) {
        background.execute(() -> {
            try (PracticeLog log = PracticeLog.open(file)) {
                log.aside()
                        .ifPresent(aside -> tell(
                                Message.error(wording("Journal.the-practice-log-was-damaged", aside.getFileName()))));
                work.on(log);
            } catch (FormatException e) {
                tell(Message.error(e.getMessage()));
            }
        });
    }

    private void tell(Message message) {
        interfaceThread.execute(() -> say.accept(message));
    }
}

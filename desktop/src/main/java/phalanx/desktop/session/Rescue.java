package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.project.RescueFile;
import phalanx.formats.project.RescueFile.Rescued;
import phalanx.formats.reading.FormatException;
import phalanx.project.Project;

/**
 * Keeps every change in the data folder soon after it was made, so that a kill costs no more than the last moments. Each
 * window has a folder of its own, with a lock that ends with its process: what lies in a folder without one is offered
 * at the next start. The player's own files are never touched.
 */
public final class Rescue implements AutoCloseable {
    /** Changes are gathered for so long. */
    private static final long GATHERED_MS = 700;

    private static final String WORK = "work.json";
    private static final String LOCK = "lock";

    private final Path folder;
    private final Path own;
    private final ScheduledExecutorService timer;
    private final Consumer<String> onTrouble;
    private Optional<FileChannel> lock = Optional.empty();
    /** What is still to be written. */
    private Optional<Rescued> waiting = Optional.empty();

    private boolean kept;
    private boolean troubled;

    /**
     * Unsaved work of a window that is no more.
     *
     * @param work what was kept
     * @param folder where
     */
    public record Found(Rescued work, Path folder) {}

    /**
     * @param folder for unsaved work of all windows
     * @param timer runs one job after another
     * @param onTrouble told, once, in words, when nothing can be kept there
     */
    public Rescue(Path folder, ScheduledExecutorService timer, Consumer<String> onTrouble) {
        this.folder = folder;
        this.own = folder.resolve(UUID.randomUUID().toString());
        this.timer = timer;
        this.onTrouble = onTrouble;
    }

    /** Takes a change; it stands on the disk within two seconds. */
    public synchronized void changed(Project project, Optional<Path> file) {
        boolean scheduled = waiting.isPresent();
        waiting = Optional.of(new Rescued(project, file, Instant.now()));
        if (!scheduled) {
            timer.schedule(this::write, GATHERED_MS, TimeUnit.MILLISECONDS);
        }
    }

    /** Nothing is unsaved any more. */
    public synchronized void saved() {
        waiting = Optional.empty();
        timer.execute(this::forget);
    }

    /** Writes what waits; says whether nothing is left to write. */
    private boolean write() {
        Optional<Rescued> work;
        synchronized (this) {
            work = waiting;
            waiting = Optional.empty();
        }
        try {
            if (work.isPresent()) {
                hold();
                new RescueFile().write(work.get(), own.resolve(WORK));
                kept = true;
            }
            return true;
        } catch (FormatException | IOException e) {
            if (!troubled) {
                troubled = true;
                onTrouble.accept(wording("Rescue.unsaved-work-cannot-be-kept", folder));
            }
            return false;
        }
    }

    private void hold() throws IOException {
        if (lock.isEmpty()) {
            Files.createDirectories(own);
            FileChannel channel =
                    FileChannel.open(own.resolve(LOCK), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            channel.lock();
            lock = Optional.of(channel);
        }
    }

    private void forget() {
        synchronized (this) {
            if (!kept || waiting.isPresent()) {
                return;
            }
            kept = false;
        }
        try {
            Files.deleteIfExists(own.resolve(WORK));
        } catch (IOException e) {
            // it is offered once more, no worse
        }
    }

    /** Work that windows before left behind, the latest first. What cannot be read stays where it is. */
    public List<Found> found() {
        List<Found> all = new ArrayList<>();
        if (!Files.isDirectory(folder)) {
            return all;
        }
        try (DirectoryStream<Path> sessions = Files.newDirectoryStream(folder)) {
            for (Path session : sessions) {
                if (!session.equals(own) && isLeft(session)) {
                    SafeFile.sweep(session);
                    read(session).ifPresent(work -> all.add(new Found(work, session)));
                }
            }
        } catch (IOException e) {
            // nothing to offer
        }
        all.sort(Comparator.comparing((Found found) -> found.work.when()).reversed());
        return all;
    }

    private static Optional<Rescued> read(Path session) throws IOException {
        Path work = session.resolve(WORK);
        if (!Files.exists(work)) {
            remove(session);
            return Optional.empty();
        }
        try {
            return Optional.of(new RescueFile().read(work));
        } catch (FormatException e) {
            return Optional.empty();
        }
    }

    /** Whether no window holds a folder. */
    private static boolean isLeft(Path session) {
        Path lock = session.resolve(LOCK);
        if (!Files.exists(lock)) {
            return Files.isDirectory(session) && Files.exists(session.resolve(WORK));
        }
        try (FileChannel channel = FileChannel.open(lock, StandardOpenOption.WRITE);
                FileLock free = channel.tryLock()) {
            return free != null;
        } catch (IOException | OverlappingFileLockException e) {
            return false;
        }
    }

    /** Puts work that was found away: the player does not want it. */
    public void putAway(Found found) {
        timer.execute(() -> drop(found));
    }

    /** Work that was found is open in this window: it goes from where it was once it is kept here. */
    public void taken(Found found) {
        timer.execute(() -> {
            if (write()) {
                drop(found);
            }
        });
    }

    private static void drop(Found found) {
        try {
            remove(found.folder);
        } catch (IOException e) {
            // it is offered once more, no worse
        }
    }

    private static void remove(Path session) throws IOException {
        Files.deleteIfExists(session.resolve(WORK));
        Files.deleteIfExists(session.resolve(LOCK));
        Files.deleteIfExists(session);
    }

    /** Lets go of this window's folder; work in it that was not saved stays and is offered at the next start. */
    @Override
    public void close() {
        write();
        boolean empty = !Files.exists(own.resolve(WORK));
        try {
            if (lock.isPresent()) {
                lock.get().close();
            }
            if (empty && Files.exists(own)) {
                remove(own);
            }
        } catch (IOException e) {
            // an empty folder is swept at the next start
        }
    }
}

package phalanx.desktop.session;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.UUID;

/**
 * Which project files are open in windows of this player: a lock in the data folder for each, that ends with its process.
 * Where no lock can be made nothing is known, and nothing is said.
 */
public final class OpenFiles implements AutoCloseable {
    private final Path folder;
    private Optional<FileChannel> held = Optional.empty();
    private Optional<Path> own = Optional.empty();

    /** @param folder for the locks */
    public OpenFiles(Path folder) {
        this.folder = folder;
    }

    /**
     * Takes a file for this window and lets go of the one before.
     *
     * @return whether another window has it open
     */
    public synchronized boolean take(Optional<Path> file) {
        Optional<Path> lock = file.map(this::lockOf);
        if (lock.equals(own)) {
            return false;
        }
        close();
        if (lock.isEmpty()) {
            return false;
        }
        try {
            Files.createDirectories(folder);
            FileChannel channel = FileChannel.open(lock.get(), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            if (isFree(channel)) {
                held = Optional.of(channel);
                own = lock;
                return false;
            }
            channel.close();
            return true;
        } catch (IOException e) {
            return false;
        }
    }

    /** Locks the channel for as long as it is open, if nobody else has. */
    private static boolean isFree(FileChannel channel) throws IOException {
        try {
            FileLock lock = channel.tryLock();
            return lock != null;
        } catch (OverlappingFileLockException e) {
            return false;
        }
    }

    /** One name for one file, however it was come to. */
    private Path lockOf(Path file) {
        Path real;
        try {
            real = file.toRealPath();
        } catch (IOException e) {
            real = file.toAbsolutePath().normalize();
        }
        byte[] name = real.toString().getBytes(StandardCharsets.UTF_8);
        return folder.resolve(UUID.nameUUIDFromBytes(name) + ".open");
    }

    /** Lets go of the file. */
    @Override
    public synchronized void close() {
        try {
            if (held.isPresent()) {
                held.get().close();
                Files.deleteIfExists(own.orElseThrow());
            }
        } catch (IOException e) {
            // the lock is gone with the process at the latest
        }
        held = Optional.empty();
        own = Optional.empty();
    }
}

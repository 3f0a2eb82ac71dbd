package phalanx.formats.disk;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.ReadOnlyFileSystemException;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.formats.reading.FormatException;

/** Writes files so that a crash or a full disk leaves the old one or the new one, never half of it. */
public final class SafeFile {
    private static final int MOST_LINKS = 40;
    private static final String TEMPORARY = ".phalanx-";
    private static final Pattern OF_PROCESS = Pattern.compile("\\.phalanx-(\\d{1,18})-[0-9a-f-]+\\.tmp");

    private SafeFile() {}

    /**
     * Writes to a temporary file beside it, whole and synced, and renames that. A link stays a link, the file it points to
     * keeps its mode; a new one gets the usual mode.
     *
     * @throws FormatException naming the file and why it cannot be written; it is then as it was before
     */
    public static void replace(Path file, byte[] bytes) throws FormatException {
        try {
            write(file.toAbsolutePath(), bytes);
        } catch (IOException | ReadOnlyFileSystemException e) {
            throw new FormatException("", wording("SafeFile.the-file-cannot-be-written", reason(e))).in(file);
        }
    }

    private static void write(Path named, byte[] bytes) throws IOException {
        Path target = followed(named);
        if (Files.isDirectory(target)) {
            throw new FileSystemException(null, null, wording("SafeFile.it-is-a-folder"));
        }
        if (Files.exists(target) && !Files.isWritable(target)) {
            throw new AccessDeniedException(null);
        }
        Path temporary =
                target.resolveSibling(TEMPORARY + ProcessHandle.current().pid() + "-" + UUID.randomUUID() + ".tmp");
        sweep(target.getParent());
        try {
            try (FileChannel channel =
                    FileChannel.open(temporary, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE)) {
                ByteBuffer left = ByteBuffer.wrap(bytes);
                while (left.hasRemaining()) {
                    channel.write(left);
                }
                channel.force(true);
                if (channel.size() != bytes.length) {
                    throw new FileSystemException(null, null, wording("SafeFile.not-all-of-it-was"));
                }
            }
            keepMode(target, temporary);
            move(temporary, target);
            syncFolder(target.getParent());
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    /** Removes what processes that were killed while they wrote have left in a folder. */
    public static void sweep(Path folder) {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(folder, TEMPORARY + "*.tmp")) {
            for (Path file : left) {
                Matcher name = OF_PROCESS.matcher(file.getFileName().toString());
                if (name.matches()
                        && ProcessHandle.of(Long.parseLong(name.group(1))).isEmpty()) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException | DirectoryIteratorException e) {
            // they do no harm where they are
        }
    }

    /** Where links lead in the end, whether a file is there or not. */
    private static Path followed(Path file) throws IOException {
        Path at = file;
        for (int links = 0; Files.isSymbolicLink(at); links++) {
            if (links == MOST_LINKS) {
                throw new FileSystemException(null, null, wording("SafeFile.it-is-a-link-that"));
            }
            at = at.resolveSibling(Files.readSymbolicLink(at)).normalize();
        }
        return at;
    }

    private static void keepMode(Path from, Path to) throws IOException {
        PosixFileAttributeView old =
                Files.getFileAttributeView(from, PosixFileAttributeView.class, LinkOption.NOFOLLOW_LINKS);
        if (old != null && Files.exists(from)) {
            Files.setPosixFilePermissions(to, old.readAttributes().permissions());
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** The new name is on the disk only when its folder is; where folders cannot be synced the system does it in time. */
    private static void syncFolder(Path folder) {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        } catch (IOException | UnsupportedOperationException e) {
            // the file itself is whole in any case
        }
    }

    /** Why, in words for the player. */
    private static String reason(Exception e) {
        String told = e instanceof FileSystemException system ? String.valueOf(system.getReason()) : e.getMessage();
        String low = String.valueOf(told).toLowerCase(Locale.ROOT);
        if (e instanceof AccessDeniedException) {
            return wording("SafeFile.no-permission-to-write-there");
        }
        if (e instanceof NoSuchFileException) {
            return wording("SafeFile.there-is-no-such-folder");
        }
        if (e instanceof ReadOnlyFileSystemException || low.contains("read-only")) {
            return wording("SafeFile.the-disk-is-read-only");
        }
        if (low.contains("no space") || low.contains("out of disk space") || low.contains("quota")) {
            return wording("SafeFile.the-disk-is-full");
        }
        if (low.contains("name too long")) {
            return wording("SafeFile.its-name-is-too-long");
        }
        if (low.contains("not a directory")) {
            return wording("SafeFile.there-is-no-such-folder");
        }
        return told == null || low.equals("null") ? wording("SafeFile.the-system-gave-no-reason") : told;
    }
}

package phalanx.formats;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/** Writes files so that a crash leaves the old one or the new one, never half of it. */
public final class SafeFile {
    private SafeFile() {}

    /**
     * Writes to a temporary file beside it, syncs it and renames it.
     *
     * @throws IOException if that fails; the file is then as it was before
     */
    public static void replace(Path file, byte[] bytes) throws IOException {
        Path target = file.toAbsolutePath();
        Path temporary = Files.createTempFile(target.getParent(), ".phalanx-", ".tmp");
        try {
            try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
                channel.write(ByteBuffer.wrap(bytes));
                channel.force(true);
            }
            move(temporary, target);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }

    private static void move(Path from, Path to) throws IOException {
        try {
            Files.move(from, to, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException e) {
            Files.move(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }
}

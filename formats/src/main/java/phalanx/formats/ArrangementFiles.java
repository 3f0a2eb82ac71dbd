package phalanx.formats;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Locale;
import phalanx.arrange.Arrangement;
import phalanx.formats.events.EventsJson;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.tab.TabWriter;

/** Writes arrangements to files, by their ending: to a temporary file beside it, synced, then renamed. */
public final class ArrangementFiles {
    /** The endings that can be written. */
    public static final List<String> ENDINGS = List.of(".musicxml", ".xml", ".tab.txt", ".json");

    private ArrangementFiles() {}

    /**
     * Refuses a file name that {@link #write} could not serve.
     *
     * @throws FormatException naming the file and what can be written
     */
    public static void checkEnding(Path file) throws FormatException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        boolean project = name.endsWith(".phalanx.json");
        if (project || ENDINGS.stream().noneMatch(name::endsWith)) {
            throw new FormatException("", "this kind of file cannot be written yet; use " + String.join(", ", ENDINGS))
                    .in(file);
        }
    }

    /**
     * Writes an arrangement.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public static void write(Arrangement arrangement, Path file) throws FormatException {
        checkEnding(file);
        try {
            replace(file.toAbsolutePath(), bytes(arrangement, file));
        } catch (IOException e) {
            throw new FormatException("", "the file cannot be written (" + e + ")").in(file);
        }
    }

    private static byte[] bytes(Arrangement arrangement, Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".tab.txt")) {
            return new TabWriter().write(arrangement).getBytes(StandardCharsets.UTF_8);
        }
        if (name.endsWith(".json")) {
            return new EventsJson().write(arrangement, 0).getBytes(StandardCharsets.UTF_8);
        }
        return new MusicXmlWriter().write(arrangement);
    }

    private static void replace(Path file, byte[] bytes) throws IOException {
        Path temporary = Files.createTempFile(file.getParent(), ".phalanx-", ".tmp");
        try {
            try (FileChannel channel = FileChannel.open(temporary, StandardOpenOption.WRITE)) {
                channel.write(ByteBuffer.wrap(bytes));
                channel.force(true);
            }
            move(temporary, file);
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

package phalanx.formats.disk;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import phalanx.formats.reading.FormatException;

/** Reads whole files within a limit. */
public final class FileContent {
    /** Larger files are refused. */
    public static final long MOST_BYTES = 20L * 1024 * 1024;

    private FileContent() {}

    /**
     * A file's content, unless it is missing or too large.
     *
     * @throws FormatException with the reason, the file not named
     */
    public static byte[] of(Path file) throws FormatException {
        try {
            if (!Files.exists(file)) {
                throw new FormatException("", wording("FileContent.there-is-no-such-file"));
            }
            if (Files.isDirectory(file)) {
                throw new FormatException("", wording("FileContent.this-is-a-folder-not"));
            }
            if (Files.size(file) > MOST_BYTES) {
                throw new FormatException("", wording("FileContent.the-file-is-larger-than"));
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new FormatException("", wording("FileContent.the-file-cannot-be-read", e.getMessage()));
        }
    }
}

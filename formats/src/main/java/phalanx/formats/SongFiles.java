package phalanx.formats;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import phalanx.formats.musicxml.CompressedMusicXml;
import phalanx.formats.musicxml.MusicXmlReader;

/** Reads songs from files, by their ending. */
public final class SongFiles {
    /** Larger files are refused. */
    public static final long MOST_BYTES = 20L * 1024 * 1024;

    private SongFiles() {}

    /**
     * Reads a song.
     *
     * @throws FormatException naming file, place and reason; nothing else is thrown for a bad file
     */
    public static Reading read(Path file) throws FormatException {
        try {
            return parse(file, bytes(file));
        } catch (FormatException e) {
            throw e.in(file);
        }
    }

    private static byte[] bytes(Path file) throws FormatException {
        try {
            if (!Files.exists(file)) {
                throw new FormatException("", "there is no such file");
            }
            if (Files.isDirectory(file)) {
                throw new FormatException("", "this is a folder, not a file");
            }
            if (Files.size(file) > MOST_BYTES) {
                throw new FormatException("", "the file is larger than 20 MB");
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new FormatException("", "the file cannot be read (" + e.getMessage() + ")");
        }
    }

    private static Reading parse(Path file, byte[] bytes) throws FormatException {
        String name = String.valueOf(file.getFileName());
        String lower = name.toLowerCase(Locale.ROOT);
        String title = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
        if (lower.endsWith(".mxl")) {
            return new MusicXmlReader(title).read(new CompressedMusicXml().unpack(bytes));
        }
        if (lower.endsWith(".musicxml") || lower.endsWith(".xml")) {
            return new MusicXmlReader(title).read(bytes);
        }
        throw new FormatException("", "this kind of file cannot be read; use .musicxml, .xml or .mxl");
    }
}

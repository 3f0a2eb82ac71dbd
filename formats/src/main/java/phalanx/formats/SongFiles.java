package phalanx.formats;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.abc.AbcWriter;
import phalanx.formats.library.Library;
import phalanx.formats.midi.MidiReader;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.CompressedMusicXml;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.project.Project;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.tab.TabReader;
import phalanx.song.Song;

/** Reads songs from files and writes them as lead sheets, by the ending. */
public final class SongFiles {
    /** Larger files are refused. */
    public static final long MOST_BYTES = 20L * 1024 * 1024;

    /** The endings that songs are written with. */
    private static final List<String> WRITTEN = List.of(".musicxml", ".xml", ".abc", ".mid", ProjectFile.ENDING);

    /** Names of parts and tracks, in small letters, that say that they hold the tune. */
    public static final String NAMED_FOR_THE_TUNE = ".*(melody|voice|vocal|tune|lead|soprano|sing).*";

    private SongFiles() {}

    /**
     * Reads a song; of several parts, tracks or tunes the one that looks most like a melody.
     *
     * @throws FormatException naming file, place and reason; nothing else is thrown for a bad file
     */
    public static Reading read(Path file) throws FormatException {
        return read(file, OptionalInt.empty());
    }

    /**
     * Reads a song.
     *
     * @param choice which part, track or tune, from 0 as {@link Reading#choices()} lists them
     * @throws FormatException naming file, place and reason; nothing else is thrown for a bad file
     */
    public static Reading read(Path file, OptionalInt choice) throws FormatException {
        try {
            return parse(file, bytes(file), choice).shown();
        } catch (FormatException e) {
            throw e.in(file);
        }
    }

    /**
     * Refuses a file name that {@link #write} could not serve.
     *
     * @throws FormatException naming the file and what can be written
     */
    public static void checkEnding(Path file) throws FormatException {
        if (WRITTEN.stream().noneMatch(lower(file)::endsWith)) {
            throw new FormatException(
                            "", "a song cannot be written as this kind of file; use " + String.join(", ", WRITTEN))
                    .in(file);
        }
    }

    /**
     * Writes melody and chords, without an arrangement.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public static void write(Song song, Path file) throws FormatException {
        checkEnding(file);
        String name = lower(file);
        if (ProjectFile.isProject(file)) {
            // on the guitar and hand of a first start; the player changes them in the window
            new ProjectFile().write(Project.of(song, Library.FIRST.setup()), file);
            return;
        }
        byte[] bytes = name.endsWith(".abc")
                ? new AbcWriter().write(song).getBytes(StandardCharsets.UTF_8)
                : name.endsWith(".mid") ? new MidiWriter().write(song) : new MusicXmlWriter().writeLeadSheet(song);
        SafeFile.replace(file, bytes);
    }

    private static String lower(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
    }

    /**
     * A file's content, unless it is missing or too large.
     *
     * @throws FormatException with the reason, the file not named
     */
    public static byte[] bytes(Path file) throws FormatException {
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

    private static Reading parse(Path file, byte[] bytes, OptionalInt choice) throws FormatException {
        String name = String.valueOf(file.getFileName());
        String lower = lower(file);
        String title = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
        if (lower.endsWith(".mxl")) {
            return new MusicXmlReader(title, choice).read(new CompressedMusicXml(bytes).score());
        }
        if (lower.endsWith(".musicxml") || lower.endsWith(".xml")) {
            return new MusicXmlReader(title, choice).read(bytes);
        }
        if (lower.endsWith(".abc")) {
            return new AbcReader(title, choice).read(bytes);
        }
        if (lower.endsWith(".mid") || lower.endsWith(".midi")) {
            return new MidiReader(title, choice).read(bytes);
        }
        if (ProjectFile.isProject(file)) {
            Project project = new ProjectFile().read(bytes);
            return new Reading(project.song(), List.of(), project.written(), List.of(), 0);
        }
        if (lower.endsWith(".txt") || lower.endsWith(".tab")) {
            return new TabReader(title.replaceAll("(?i)\\.tab$", "")).read(bytes);
        }
        throw new FormatException(
                "",
                "this kind of file cannot be read; use .musicxml, .xml, .mxl, .abc, .mid, .tab.txt or .phalanx.json");
    }

    /**
     * The one that is asked for.
     *
     * @throws FormatException if the file has not so many
     */
    public static <T> T chosen(List<T> all, OptionalInt choice, T otherwise) throws FormatException {
        if (choice.isPresent() && (choice.getAsInt() < 0 || choice.getAsInt() >= all.size())) {
            throw new FormatException(
                    "",
                    "there is no part " + (choice.getAsInt() + 1) + "; the file has " + all.size() + " to choose from");
        }
        return choice.isPresent() ? all.get(choice.getAsInt()) : otherwise;
    }
}

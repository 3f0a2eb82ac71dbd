package phalanx.formats;

import static phalanx.words.Words.wording;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.abc.AbcWriter;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.library.Library;
import phalanx.formats.midi.MidiReader;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.CompressedMusicXml;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.project.Project;
import phalanx.song.Song;

/** Reads songs from files and writes them as lead sheets, by the ending. */
public final class SongFiles {
    /** The endings that songs are written with. */
    private static final List<String> WRITTEN = List.of(".musicxml", ".xml", ".abc", ".mid", ProjectFile.ENDING);

    private SongFiles() {}

    /**
     * Reads a song; of several parts, tracks or tunes the one that looks most like a melody.
     *
     * @throws FormatException naming file, place and reason; nothing else is thrown for a bad file
     */
    public static Reading read(Path file) throws FormatException {
        return read(file, Choice.LIKELIEST);
    }

    /**
     * Reads a song.
     *
     * @param choice which parts, tracks or tunes
     * @throws FormatException naming file, place and reason; nothing else is thrown for a bad file
     */
    public static Reading read(Path file, Choice choice) throws FormatException {
        try {
            return parse(file, FileContent.of(file), choice).shown();
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
            throw new FormatException("", wording("SongFiles.a-song-cannot-be-written", String.join(", ", WRITTEN)))
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

    private static Reading parse(Path file, byte[] bytes, Choice choice) throws FormatException {
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
            ProjectFile.Opened opened = new ProjectFile().open(bytes);
            Project project = opened.project();
            return new Reading(project.song(), opened.report(), project.written(), List.of(), 0);
        }
        if (lower.endsWith(".txt") || lower.endsWith(".tab")) {
            return new TabReader(title.replaceAll("(?i)\\.tab$", "")).read(bytes);
        }
        throw new FormatException("", wording("SongFiles.this-kind-of-file-cannot"));
    }
}

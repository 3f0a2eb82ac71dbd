package phalanx.formats;

import static phalanx.words.Words.wording;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.events.EventsJson;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.FormatException;
import phalanx.formats.tab.TabWriter;

/** Writes arrangements to files, by their ending. */
public final class ArrangementFiles {
    /** The endings that can be written. */
    public static final List<String> ENDINGS = List.of(".musicxml", ".xml", ".tab.txt", ".mid", ".json");

    /** Text tablature of this ending has a row of left-hand fingers. */
    public static final String WITH_FINGERS = ".fingers.tab.txt";

    private ArrangementFiles() {}

    /**
     * Refuses a file name that has none of some endings.
     *
     * @throws FormatException naming the file and what can be written
     */
    public static void checkEnding(Path file, List<String> endings) throws FormatException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        boolean project = name.endsWith(".phalanx.json");
        if (project || endings.stream().noneMatch(name::endsWith)) {
            throw new FormatException(
                            "", wording("ArrangementFiles.this-kind-of-file-cannot", String.join(", ", endings)))
                    .in(file);
        }
    }

    /**
     * Writes an arrangement.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public static void write(Arrangement arrangement, Path file) throws FormatException {
        checkEnding(file, ENDINGS);
        SafeFile.replace(file, bytes(arrangement, file));
    }

    private static byte[] bytes(Arrangement arrangement, Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".tab.txt")) {
            return new TabWriter(name.endsWith(WITH_FINGERS)).write(arrangement).getBytes(StandardCharsets.UTF_8);
        }
        if (name.endsWith(".json")) {
            return new EventsJson().write(arrangement, 0).getBytes(StandardCharsets.UTF_8);
        }
        if (name.endsWith(".mid")) {
            return new MidiWriter().write(arrangement);
        }
        return new MusicXmlWriter().write(arrangement);
    }
}

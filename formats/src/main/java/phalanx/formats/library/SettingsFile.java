package phalanx.formats.library;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;

/** Keeps the settings in a JSON file. They are a comfort only: what cannot be read or written is gone without a word. */
public final class SettingsFile {
    private final Path file;
    private final ObjectMapper mapper = StrictJson.mapper();

    /** @param file where they are kept; it need not exist yet */
    public SettingsFile(Path file) {
        this.file = file;
    }

    /** The settings as they were kept; those of a first start where there are none. */
    public Settings read() {
        try {
            Settings settings = mapper.readValue(FileContent.of(file), Settings.class);
            return settings == null ? Settings.FIRST : settings;
        } catch (IOException | FormatException e) {
            return Settings.FIRST;
        }
    }

    /** Keeps settings. */
    public void write(Settings settings) {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
            SafeFile.replace(file, mapper.writeValueAsBytes(settings));
        } catch (IOException | FormatException e) {
            // the next start looks as a first one
        }
    }
}

package phalanx.formats.library;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;

/** Keeps the settings in a JSON file. They are a comfort only: what cannot be read or written is gone without a word. */
public final class SettingsFile {
    /** Stood in place of the looks at first. */
    private static final String DARK = "dark";

    private static final String LOOKS = "looks";

    private final Path file;
    private final ObjectMapper mapper = StrictJson.mapper();

    /** @param file where they are kept; it need not exist yet */
    public SettingsFile(Path file) {
        this.file = file;
    }

    /** The settings as they were kept; those of a first start where there are none. */
    public Settings read() {
        try {
            JsonNode kept = mapper.readTree(FileContent.of(file));
            return kept instanceof ObjectNode fields
                    ? mapper.treeToValue(completed(fields), Settings.class)
                    : Settings.FIRST;
        } catch (IOException | FormatException e) {
            return Settings.FIRST;
        }
    }

    /** What an earlier version did not know is as at a first start. */
    private ObjectNode completed(ObjectNode kept) {
        ObjectNode all = mapper.valueToTree(Settings.FIRST);
        ObjectNode looks = (ObjectNode) all.get(LOOKS);
        if (kept.has(DARK)) {
            looks.put("theme", kept.remove(DARK).asBoolean() ? "Rosewood" : "Spruce");
        }
        if (kept.get(LOOKS) instanceof ObjectNode own) {
            kept.set(LOOKS, looks.setAll(own));
        }
        return all.setAll(kept);
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

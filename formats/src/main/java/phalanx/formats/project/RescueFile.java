package phalanx.formats.project;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;
import phalanx.project.Project;

/** Unsaved work as it is kept beside the player's own files. */
public final class RescueFile {
    private static final int VERSION = 1;

    private final ObjectMapper mapper = StrictJson.mapper();

    /**
     * Unsaved work.
     *
     * @param project as it was last
     * @param file the player's own file that it belongs to, if any
     * @param when it was kept
     */
    public record Rescued(Project project, Optional<Path> file, Instant when) {
        public Rescued {
            Objects.requireNonNull(project, "project");
            Objects.requireNonNull(file, "file");
            Objects.requireNonNull(when, "when");
        }
    }

    /**
     * Keeps unsaved work, whole and synced.
     *
     * @throws FormatException naming the file and why it cannot be written
     */
    public void write(Rescued work, Path to) throws FormatException {
        try {
            Files.createDirectories(to.toAbsolutePath().getParent());
            ObjectNode root = mapper.createObjectNode().put("rescue", VERSION);
            root.put("when", work.when.toString());
            work.file.ifPresent(file -> root.put("file", file.toAbsolutePath().toString()));
            root.set("project", mapper.readTree(new ProjectFile().write(work.project)));
            SafeFile.replace(to, mapper.writeValueAsBytes(root));
        } catch (IOException e) {
            throw new FormatException("", wording("RescueFile.the-folder-for-unsaved-work")).in(to);
        }
    }

    /**
     * Reads unsaved work.
     *
     * @throws FormatException if there is none that can be read
     */
    public Rescued read(Path from) throws FormatException {
        try {
            JsonNode root = mapper.readTree(FileContent.of(from));
            if (root == null
                    || root.path("rescue").asInt() != VERSION
                    || !root.path("project").isObject()) {
                throw new FormatException("", wording("RescueFile.this-is-not-unsaved-work", VERSION));
            }
            Optional<Path> file =
                    root.has("file") ? Optional.of(Path.of(root.get("file").asText())) : Optional.empty();
            Project project = new ProjectFile().read(mapper.writeValueAsBytes(root.get("project")));
            return new Rescued(project, file, Instant.parse(root.path("when").asText()));
        } catch (JsonProcessingException e) {
            throw StrictJson.error(e).in(from);
        } catch (IOException | DateTimeException | InvalidPathException e) {
            throw new FormatException("", wording("RescueFile.it-cannot-be-read")).in(from);
        }
    }
}

package phalanx.formats.project;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.project.Project;
import phalanx.project.Version;

/**
 * A project as one JSON file, versioned, with its fields in a stable order: the song, the guitar, the hand, what is
 * locked, how the right hand plays. The schema in docs/project.schema.json describes it.
 */
public final class ProjectFile {
    /** What the names of such files end in. */
    public static final String ENDING = ".phalanx.json";

    /** Every field must be there: what earlier versions lack is put in before. */
    private final ObjectMapper mapper =
            StrictJson.mapper().enable(DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES);

    /** Whether a file is a project, by its name. */
    public static boolean isProject(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(ENDING);
    }

    /** The file's content. */
    public byte[] write(Project project) {
        ObjectNode root = mapper.createObjectNode().put("phalanx", ProjectVersions.NOW);
        new SongJson().write(project.song(), root);
        root.set("guitar", mapper.valueToTree(project.instrument().guitar()));
        root.set("strings", mapper.valueToTree(project.strings()));
        root.set("hand", mapper.valueToTree(project.hand()));
        ArrayNode versions = root.putArray("versions");
        VersionJson json = new VersionJson(mapper);
        project.versions().forEach(version -> versions.add(json.write(version)));
        root.put("shown", project.version().name());
        try {
            return mapper.writeValueAsBytes(root);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Writes a file.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public void write(Project project, Path file) throws FormatException {
        SafeFile.replace(file, write(project));
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming file, place and reason
     */
    public Project read(Path file) throws FormatException {
        return open(file).project();
    }

    /**
     * A project as it was opened.
     *
     * @param project what could be read
     * @param report one line for each thing that could not: a later version wrote the file; empty else
     */
    public record Opened(Project project, List<String> report) {
        public Opened {
            Objects.requireNonNull(project, "project");
            report = List.copyOf(report);
        }
    }

    /** Reads a file and says what a later version has put into it. */
    public Opened open(Path file) throws FormatException {
        try {
            return open(FileContent.of(file));
        } catch (FormatException e) {
            throw e.in(file);
        }
    }

    /**
     * Reads a file's content.
     *
     * @throws FormatException naming place and reason
     */
    public Project read(byte[] bytes) throws FormatException {
        return open(bytes).project();
    }

    /** Reads a file's content and says what a later version has put into it. */
    public Opened open(byte[] bytes) throws FormatException {
        JsonNode root;
        try {
            root = mapper.readTree(bytes);
        } catch (JsonProcessingException e) {
            throw StrictJson.error(e);
        } catch (IOException e) {
            throw new FormatException("", wording("ProjectFile.the-file-cannot-be-read", e.getMessage()));
        }
        ProjectVersions.Raised raised = ProjectVersions.raise(root);
        return new Opened(project(new JsonPlace(mapper, raised.root(), "")), raised.report());
    }

    private static Project project(JsonPlace place) throws FormatException {
        Guitar guitar = place.child("guitar").as(Guitar.class);
        List<Version> versions = new ArrayList<>();
        for (JsonPlace version : place.child("versions").items()) {
            versions.add(VersionJson.read(version, guitar));
        }
        String shown = place.child("shown").text();
        Project project = place.checked(() -> new Project(
                new SongJson().read(place),
                place.child("strings").as(StringSet.class),
                place.child("hand").as(Hand.class),
                versions,
                0));
        return place.child("shown").checked(() -> project.showing(shown));
    }
}

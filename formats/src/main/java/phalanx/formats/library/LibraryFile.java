package phalanx.formats.library;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;

/** Keeps a {@link Library} in one JSON file. What is read is checked by the values themselves. */
public final class LibraryFile {
    private static final int VERSION = 1;
    private static final long LARGEST_BYTES = 20L << 20;

    private final Path file;
    private final ObjectMapper mapper = StrictJson.mapper();

    /** @param file where it is kept; it need not exist yet */
    public LibraryFile(Path file) {
        this.file = file;
    }

    public Path file() {
        return file;
    }

    /**
     * The library as it was kept.
     *
     * @return nothing when there is no file yet
     * @throws FormatException naming the file, the place and the reason
     */
    public Optional<Library> read() throws FormatException {
        try {
            if (!Files.exists(file)) {
                return Optional.empty();
            }
            if (Files.size(file) > LARGEST_BYTES) {
                throw new FormatException("", wording("LibraryFile.the-file-is-larger-than")).in(file);
            }
            JsonNode root = mapper.readTree(Files.readAllBytes(file));
            if (!(root instanceof ObjectNode tree) || tree.path("version").asInt() != VERSION) {
                throw new FormatException("version", wording("LibraryFile.this-is-not-a-library", VERSION)).in(file);
            }
            tree.remove("version");
            return Optional.of(mapper.treeToValue(tree, Library.class));
        } catch (JsonProcessingException e) {
            throw StrictJson.error(e).in(file);
        } catch (IOException e) {
            throw new FormatException("", wording("LibraryFile.the-file-cannot-be-read", e)).in(file);
        }
    }

    /**
     * Keeps a library.
     *
     * @throws FormatException if it cannot be written; the file is then as it was before
     */
    public void write(Library library) throws FormatException {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
            ObjectNode root = mapper.createObjectNode().put("version", VERSION);
            root.setAll((ObjectNode) mapper.valueToTree(library));
            SafeFile.replace(file, mapper.writeValueAsBytes(root));
        } catch (IOException e) {
            throw new FormatException("", wording("LibraryFile.the-file-cannot-be-written")).in(file);
        }
    }

    /**
     * Puts a file that cannot be read beside its place, so that a new one does not overwrite it.
     *
     * @return where it is now; nothing when it could not be moved
     */
    public Optional<Path> setAside() {
        try {
            Path aside = Files.createTempFile(file.toAbsolutePath().getParent(), "library-unread-", ".json");
            return Optional.of(Files.move(file, aside, StandardCopyOption.REPLACE_EXISTING));
        } catch (IOException e) {
            return Optional.empty();
        }
    }
}

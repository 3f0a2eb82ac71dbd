package phalanx.formats.library;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Optional;
import phalanx.formats.FormatException;
import phalanx.formats.SafeFile;
import phalanx.guitar.Reach;

/** Keeps a {@link Library} in one JSON file. What is read is checked by the values themselves. */
public final class LibraryFile {
    private static final int VERSION = 1;
    private static final long LARGEST_BYTES = 20L << 20;

    private final Path file;
    private final ObjectMapper mapper = new ObjectMapper()
            .setVisibility(PropertyAccessor.GETTER, Visibility.NONE)
            .setVisibility(PropertyAccessor.IS_GETTER, Visibility.NONE)
            .setVisibility(PropertyAccessor.FIELD, Visibility.ANY)
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
            .registerModule(new SimpleModule().addKeyDeserializer(Reach.Pair.class, new PairKey()));

    /** @param file where it is kept; it need not exist yet */
    public LibraryFile(Path file) {
        this.file = file;
    }

    /** A pair of fingers as a key, such as {@code 14}. */
    private static final class PairKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            if (!key.matches("[1-4]{2}")) {
                throw new IllegalArgumentException("\"" + key + "\" is not a pair of fingers such as 14");
            }
            return new Reach.Pair(key.charAt(0) - '0', key.charAt(1) - '0');
        }
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
                throw new FormatException("", "the file is larger than 20 MB").in(file);
            }
            JsonNode root = mapper.readTree(Files.readAllBytes(file));
            if (!(root instanceof ObjectNode tree) || tree.path("version").asInt() != VERSION) {
                throw new FormatException("version", "this is not a library of version " + VERSION).in(file);
            }
            tree.remove("version");
            return Optional.of(mapper.treeToValue(tree, Library.class));
        } catch (JsonMappingException e) {
            throw new FormatException(place(e), reason(e)).in(file);
        } catch (JsonProcessingException e) {
            throw new FormatException("line " + e.getLocation().getLineNr(), "this is not JSON").in(file);
        } catch (IOException e) {
            throw new FormatException("", "the file cannot be read (" + e + ")").in(file);
        }
    }

    private static String place(JsonMappingException e) {
        StringBuilder place = new StringBuilder();
        e.getPath().forEach(step -> place.append(place.isEmpty() ? "" : ".")
                .append(step.getFieldName() == null ? String.valueOf(step.getIndex()) : step.getFieldName()));
        return place.toString();
    }

    private static String reason(JsonMappingException e) {
        return e.getCause() == null ? e.getOriginalMessage() : e.getCause().getMessage();
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
            throw new FormatException("", "the file cannot be written (" + e + ")").in(file);
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

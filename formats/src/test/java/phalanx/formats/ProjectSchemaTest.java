package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.score.FindingKind;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.FormatException;
import phalanx.righthand.Level;
import phalanx.technique.HitKind;

/** The published schema beside what is written and read: a validator of JSON Schema (draft 2020-12) and our reader agree. */
class ProjectSchemaTest {
    private static final int PROJECTS = Boolean.getBoolean("phalanx.deep") ? 50 : 10;

    private final ObjectMapper mapper = new ObjectMapper();
    private final JsonNode text;
    private final JsonSchema schema;
    private final Set<String> walked = new HashSet<>();

    ProjectSchemaTest() throws IOException {
        text = mapper.readTree(Files.readAllBytes(Path.of("..", "docs", "project.schema.json")));
        schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(text);
    }

    @Test
    void whatIsWrittenIsValidAndComesBack() throws IOException, FormatException {
        ProjectFile file = new ProjectFile();
        for (long seed = 0; seed < PROJECTS; seed++) {
            byte[] bytes = file.write(ProjectFileTest.random(seed));
            assertThat(schema.validate(mapper.readTree(bytes)))
                    .as("seed %d", seed)
                    .isEmpty();
            assertThat(file.read(bytes)).as("seed %d", seed).isEqualTo(ProjectFileTest.random(seed));
        }
    }

    /** Each field of the schema is written by some project; missing, of another kind or out of range it is refused. */
    @Test
    void everyFieldIsWrittenReadAndRefusedWhenWrong() throws IOException {
        for (long seed = 0; seed < PROJECTS; seed++) {
            ObjectNode root = (ObjectNode) mapper.readTree(new ProjectFile().write(ProjectFileTest.random(seed)));
            walk(root, root, text, "");
        }
        Set<String> named = new HashSet<>();
        name(text, "", named);
        named.removeAll(walked);
        assertThat(named).as("fields that no project has").isEmpty();
    }

    /** What the program has learnt to say the schema must allow: a list of choices with one word of a kind has all. */
    @Test
    void aListOfChoicesLacksNoWord() {
        List<List<String>> kinds = List.of(
                Stream.of(FindingKind.values()).map(FindingKind::word).toList(),
                Stream.of(AttackLock.Way.values()).map(AttackLock.Way::word).toList(),
                Stream.of(HitKind.values()).map(HitKind::word).toList(),
                Stream.of(Level.values()).map(Level::word).toList());
        for (List<String> words : kinds) {
            List<List<String>> lists = text.findValues("enum").stream()
                    .map(list -> StreamSupport.stream(list.spliterator(), false)
                            .map(JsonNode::asText)
                            .toList())
                    .filter(list -> !Collections.disjoint(list, words))
                    .toList();
            assertThat(lists).isNotEmpty().allSatisfy(list -> assertThat(list)
                    .containsExactlyInAnyOrderElementsOf(words));
        }
    }

    private JsonNode resolved(JsonNode part) {
        return part.has("$ref") ? text.at(part.get("$ref").asText().substring(1)) : part;
    }

    private void name(JsonNode part, String path, Set<String> named) {
        JsonNode own = resolved(part);
        own.path("properties").fieldNames().forEachRemaining(field -> {
            named.add(path + "/" + field);
            name(own.get("properties").get(field), path + "/" + field, named);
        });
        if (own.path("items").isObject()) {
            name(own.get("items"), path + "/*", named);
        }
    }

    private void walk(ObjectNode root, JsonNode value, JsonNode part, String path) {
        JsonNode own = resolved(part);
        if (value instanceof ObjectNode object && own.has("properties")) {
            Set<String> required = new HashSet<>();
            own.path("required").forEach(field -> required.add(field.asText()));
            List<String> fields = new ArrayList<>();
            object.fieldNames().forEachRemaining(fields::add);
            for (String field : fields) {
                String to = path + "/" + field;
                assertThat(own.get("properties").has(field))
                        .as("the schema knows %s", to)
                        .isTrue();
                if (walked.add(to)) {
                    spoil(
                            root,
                            object,
                            field,
                            resolved(own.get("properties").get(field)),
                            required.contains(field),
                            to);
                }
                walk(root, object.get(field), own.get("properties").get(field), to);
            }
        }
        if (value instanceof ArrayNode array && own.path("items").isObject()) {
            array.forEach(item -> walk(root, item, own.get("items"), path + "/*"));
        }
    }

    private void spoil(ObjectNode root, ObjectNode object, String field, JsonNode own, boolean required, String path) {
        JsonNode good = object.get(field);
        object.remove(field);
        agree(root, !required, path + " is missing");
        object.set(field, good.isTextual() ? IntNode.valueOf(7) : TextNode.valueOf("no such thing"));
        agree(root, false, path + " is of another kind");
        bound(own, "minimum", -1, number -> {
            object.set(field, number);
            agree(root, false, path + " is too small");
        });
        bound(own, "maximum", 1, number -> {
            object.set(field, number);
            agree(root, false, path + " is too great");
        });
        // two fingers of one hand must differ, which no schema can say
        if (own.has("enum") && !field.equals("finger")) {
            StreamSupport.stream(own.get("enum").spliterator(), false).forEach(choice -> {
                object.set(field, choice);
                agree(root, true, path + " is " + choice);
            });
        }
        object.set(field, good);
    }

    private static void bound(JsonNode own, String name, int beyond, Consumer<JsonNode> use) {
        if (own.has(name)) {
            use.accept(IntNode.valueOf(own.get(name).intValue() + beyond));
        }
    }

    private void agree(ObjectNode root, boolean valid, String about) {
        assertThat(schema.validate(root).isEmpty()).as("schema: %s", about).isEqualTo(valid);
        byte[] bytes = root.toString().getBytes(StandardCharsets.UTF_8);
        Throwable refused = catchThrowable(() -> new ProjectFile().read(bytes));
        assertThat(refused instanceof FormatException || refused == null)
                .as("reader: %s", refused)
                .isTrue();
        assertThat(refused == null).as("reader: %s, %s", about, refused).isEqualTo(valid);
    }
}

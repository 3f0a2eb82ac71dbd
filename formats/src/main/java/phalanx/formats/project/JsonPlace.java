package phalanx.formats.project;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.ArrayList;
import java.util.List;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;

/** A value of a JSON file and the way to it, so that what is wrong is said at its place. */
final class JsonPlace {
    private final ObjectMapper mapper;
    private final JsonNode node;
    private final String path;

    JsonPlace(ObjectMapper mapper, JsonNode node, String path) {
        this.mapper = mapper;
        this.node = node;
        this.path = path;
    }

    boolean has(String name) {
        return node.hasNonNull(name);
    }

    JsonPlace child(String name) throws FormatException {
        String to = path.isEmpty() ? name : path + "." + name;
        if (!node.hasNonNull(name)) {
            throw new FormatException(to, wording("JsonPlace.the-value-is-missing"));
        }
        return new JsonPlace(mapper, node.get(name), to);
    }

    List<JsonPlace> items() throws FormatException {
        if (!node.isArray()) {
            throw new FormatException(path, wording("JsonPlace.a-list-is-expected"));
        }
        List<JsonPlace> items = new ArrayList<>();
        for (int i = 0; i < node.size(); i++) {
            items.add(new JsonPlace(mapper, node.get(i), path + "[" + i + "]"));
        }
        return items;
    }

    String text() throws FormatException {
        if (!node.isTextual()) {
            throw new FormatException(path, wording("JsonPlace.a-text-is-expected-not", node));
        }
        return node.asText();
    }

    int integer() throws FormatException {
        if (!node.isInt()) {
            throw new FormatException(path, wording("JsonPlace.a-whole-number-is-expected", node));
        }
        return node.asInt();
    }

    double number() throws FormatException {
        if (!node.isNumber()) {
            throw new FormatException(path, wording("JsonPlace.a-number-is-expected-not", node));
        }
        return node.asDouble();
    }

    boolean flag() throws FormatException {
        if (!node.isBoolean()) {
            throw new FormatException(path, wording("JsonPlace.true-or-false-is-expected", node));
        }
        return node.asBoolean();
    }

    <T> T as(Class<T> type) throws FormatException {
        try {
            return mapper.treeToValue(node, type);
        } catch (JsonProcessingException e) {
            throw new FormatException(path, StrictJson.error(e).getMessage());
        }
    }

    /** Makes a value that checks itself. */
    interface Maker<T> {
        T make() throws FormatException;
    }

    <T> T checked(Maker<T> maker) throws FormatException {
        try {
            return maker.make();
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new FormatException(path, String.valueOf(e.getMessage()));
        }
    }
}

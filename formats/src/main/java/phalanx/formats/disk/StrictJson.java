package phalanx.formats.disk;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.KeyDeserializer;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.cfg.CoercionAction;
import com.fasterxml.jackson.databind.cfg.CoercionInputShape;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.type.LogicalType;
import java.util.List;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Reach;

/** How values are written as JSON: by their fields, indented, in a stable order; what is read is checked by the values. */
public final class StrictJson {
    private StrictJson() {}

    public static ObjectMapper mapper() {
        ObjectMapper mapper = new ObjectMapper()
                .setVisibility(PropertyAccessor.GETTER, Visibility.NONE)
                .setVisibility(PropertyAccessor.IS_GETTER, Visibility.NONE)
                .setVisibility(PropertyAccessor.FIELD, Visibility.ANY)
                .enable(SerializationFeature.INDENT_OUTPUT)
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .enable(DeserializationFeature.FAIL_ON_NUMBERS_FOR_ENUMS)
                .disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .enable(JsonParser.Feature.STRICT_DUPLICATE_DETECTION)
                .registerModule(new SimpleModule().addKeyDeserializer(Reach.Pair.class, new PairKey()));
        for (CoercionInputShape shape :
                List.of(CoercionInputShape.Integer, CoercionInputShape.Float, CoercionInputShape.Boolean)) {
            mapper.coercionConfigFor(LogicalType.Textual).setCoercion(shape, CoercionAction.Fail);
        }
        return mapper;
    }

    /** A pair of fingers as a key, such as {@code 14}. */
    private static final class PairKey extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            if (!key.matches("[1-4]{2}")) {
                throw new IllegalArgumentException(wording("StrictJson.is-not-a-pair-of", key));
            }
            return new Reach.Pair(key.charAt(0) - '0', key.charAt(1) - '0');
        }
    }

    /** What is wrong, at its place. */
    public static FormatException error(JsonProcessingException e) {
        if (e instanceof JsonMappingException mapping) {
            String reason =
                    e.getCause() == null ? e.getOriginalMessage() : e.getCause().getMessage();
            return new FormatException(
                    place(mapping), reason == null ? wording("StrictJson.a-value-is-missing") : reason);
        }
        if (e instanceof StreamConstraintsException) {
            return new FormatException("", wording("StrictJson.this-is-nested-deeper-or"));
        }
        return new FormatException(
                e.getLocation() == null
                        ? ""
                        : wording("StrictJson.line", e.getLocation().getLineNr()),
                wording("StrictJson.this-is-not-json"));
    }

    private static String place(JsonMappingException e) {
        StringBuilder place = new StringBuilder();
        e.getPath().forEach(step -> place.append(place.isEmpty() ? "" : ".")
                .append(step.getFieldName() == null ? String.valueOf(step.getIndex()) : step.getFieldName()));
        return place.toString();
    }
}

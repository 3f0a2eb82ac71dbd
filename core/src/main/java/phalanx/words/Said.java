package phalanx.words;

import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/**
 * A sentence that is kept: shown in the player's language, and known by its English, in which records name it.
 *
 * @param key names it in the bundles
 * @param values what stands in it; sentences among them are said in the same language
 */
public record Said(String key, List<Object> values) {
    public Said {
        Objects.requireNonNull(key, "key");
        values = List.copyOf(values);
    }

    public static Said of(String key, Object... values) {
        return new Said(key, Arrays.asList(values));
    }

    /** In English, whatever is spoken. */
    public String english() {
        return Words.english(
                key,
                values.stream()
                        .map(value -> value instanceof Said said ? said.english() : value)
                        .toArray());
    }

    /** In the player's language. */
    @Override
    public String toString() {
        return Words.wording(key, values.toArray());
    }
}

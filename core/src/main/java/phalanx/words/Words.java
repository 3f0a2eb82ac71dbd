package phalanx.words;

import java.math.RoundingMode;
import java.text.NumberFormat;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.MissingResourceException;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * Looks up what is said to the player. The language is settled at the first sentence and stays: many words stand in
 * constants. It is the system property {@value #PROPERTY}, or the variable {@value #VARIABLE}, or that of the
 * system; one that is not spoken is English.
 */
public final class Words {
    /** Sets the language, as {@code en} or {@code it}, before the first sentence. */
    public static final String PROPERTY = "phalanx.language";

    /** The variable that does the same. */
    public static final String VARIABLE = "PHALANX_LANGUAGE";

    /** Each module that speaks brings a bundle of its name; which are there depends on what is run. */
    static final List<String> MODULES = List.of("core", "formats", "sound", "desktop", "cli");

    private static final Locale ROOT = Locale.ROOT;
    private static final Words SPOKEN = new Words(Language.chosen().locale());
    private static final Words ENGLISH = SPOKEN.locale.equals(ROOT) ? SPOKEN : new Words(ROOT);

    private final Locale locale;
    private final List<ResourceBundle> bundles;
    private final Map<String, Sentence> sentences = new ConcurrentHashMap<>();

    /** @param locale the root for English */
    Words(Locale locale) {
        this.locale = locale;
        bundles = MODULES.stream()
                .flatMap(module -> bundle(module, locale).stream())
                .toList();
    }

    private static Optional<ResourceBundle> bundle(String module, Locale locale) {
        try {
            return Optional.of(ResourceBundle.getBundle(
                    "phalanx.words." + module,
                    locale,
                    Words.class.getClassLoader(),
                    ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES)));
        } catch (MissingResourceException e) {
            return Optional.empty();
        }
    }

    /**
     * A sentence in the player's language.
     *
     * @param key names it in the bundles
     * @param values what stands for {0}, {1} and so on, each as its text
     * @throws IllegalArgumentException if no bundle has it, or a value lacks
     */
    public static String wording(String key, Object... values) {
        return SPOKEN.say(key, values);
    }

    /** The same in English, whatever is spoken: for what files and records are compared by. */
    public static String english(String key, Object... values) {
        return ENGLISH.say(key, Stream.of(values).map(String::valueOf).toArray());
    }

    /** What one of several choices is called, by the key {@code Type.CONSTANT}, nested types {@code Outer.Type.CONSTANT}. */
    public static String name(Enum<?> one) {
        String type = one.getDeclaringClass().getName();
        return wording(type.substring(type.lastIndexOf('.') + 1).replace('$', '.') + "." + one.name());
    }

    /** Whether typed text stands for a choice: its word, or what it is called on screen, in capitals or not. */
    public static boolean means(Enum<?> one, String word, String typed) {
        String plain = typed.strip();
        return word.equalsIgnoreCase(plain) || name(one).equalsIgnoreCase(plain);
    }

    /**
     * What is shipped in English and named by it, such as what a pattern serves, in the player's language; as it is where
     * it has no other words there.
     */
    public static String shipped(String english) {
        return SPOKEN.find("Shipped." + english.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"))
                .orElse(english);
    }

    /** How figures in sentences are written: the mark of decimals is that of the player's language. */
    public static Locale figures() {
        return SPOKEN.locale;
    }

    /** A figure in a sentence with as many decimals as it needs, two at most. */
    public static String figure(double value) {
        NumberFormat format = NumberFormat.getNumberInstance(figures());
        format.setMaximumFractionDigits(2);
        format.setGroupingUsed(false);
        format.setRoundingMode(RoundingMode.HALF_UP);
        return format.format(value);
    }

    String say(String key, Object... values) {
        Sentence sentence = sentences.get(key);
        if (sentence == null) {
            sentence = new Sentence(text(key));
            sentences.put(key, sentence);
        }
        return sentence.with(values);
    }

    private String text(String key) {
        return find(key).orElseThrow(() -> new IllegalArgumentException("no words for " + key));
    }

    private Optional<String> find(String key) {
        return bundles.stream()
                .filter(bundle -> bundle.containsKey(key))
                .findFirst()
                .map(bundle -> bundle.getString(key));
    }

    /**
     * A module's words in the player's language, for a library that takes them as a bundle.
     *
     * @throws MissingResourceException if it brings none
     */
    public static ResourceBundle of(String module) {
        return bundle(module, SPOKEN.locale)
                .orElseThrow(() -> new MissingResourceException("no words of " + module, module, ""));
    }

    private static Object shown(Object value) {
        return value instanceof Spoken spoken ? spoken.spoken() : value;
    }

    /** A sentence cut at its places: {@code texts} has one more than {@code places}. */
    private static final class Sentence {
        private final List<String> texts = new ArrayList<>();
        private final List<Integer> places = new ArrayList<>();

        Sentence(String words) {
            int from = 0;
            for (int at = words.indexOf('{'); at >= 0; at = words.indexOf('{', at + 1)) {
                if (at + 2 < words.length() && Character.isDigit(words.charAt(at + 1)) && words.charAt(at + 2) == '}') {
                    texts.add(words.substring(from, at));
                    places.add(words.charAt(at + 1) - '0');
                    from = at + 3;
                }
            }
            texts.add(words.substring(from));
        }

        String with(Object[] values) {
            if (places.isEmpty()) {
                return texts.get(0);
            }
            StringBuilder said = new StringBuilder();
            for (int i = 0; i < places.size(); i++) {
                if (places.get(i) >= values.length) {
                    throw new IllegalArgumentException("\"" + texts + "\" wants more than " + values.length);
                }
                said.append(texts.get(i)).append(shown(values[places.get(i)]));
            }
            return said.append(texts.get(places.size())).toString();
        }
    }
}

package phalanx.words;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** A language that is spoken here. */
public enum Language {
    ENGLISH("en", "English", Locale.ROOT),
    ITALIAN("it", "Italiano", Locale.ITALIAN);

    private final String code;
    private final String label;
    private final Locale locale;

    Language(String code, String label, Locale locale) {
        this.code = code;
        this.label = label;
        this.locale = locale;
    }

    /** Its two letters (ISO 639-1). */
    public String code() {
        return code;
    }

    /** Its name in itself. */
    public String label() {
        return label;
    }

    Locale locale() {
        return locale;
    }

    /** The language of these two letters, which may be followed by a country, such as {@code it_CH}. */
    public static Optional<Language> of(String code) {
        String letters = code.strip().toLowerCase(Locale.ROOT).split("[-_.]", 2)[0];
        return Arrays.stream(values()).filter(one -> one.code.equals(letters)).findFirst();
    }

    /** What is asked for by {@link Words#PROPERTY}, the environment or the system, else English. */
    static Language chosen() {
        return Optional.ofNullable(System.getProperty(Words.PROPERTY))
                .or(() -> Optional.ofNullable(System.getenv(Words.VARIABLE)))
                .flatMap(Language::of)
                .or(() -> of(Locale.getDefault().getLanguage()))
                .orElse(ENGLISH);
    }
}

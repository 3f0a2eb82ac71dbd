package phalanx.sound;

import java.util.Arrays;
import java.util.Optional;
import phalanx.words.Words;

/** What can be heard alone or left out. */
public enum Layer {
    THUMB("thumb", true),
    FINGERS("fingers", true),
    TUNE("tune", true),
    HITS("hits", true),
    /** A tune that is sung, as a plain tone. */
    VOICE("voice", false),
    CLICK("click", false);

    private final String word;
    private final boolean usual;

    Layer(String word, boolean usual) {
        this.word = word;
        this.usual = usual;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** Whether it is heard unless somebody says otherwise. */
    public boolean isUsual() {
        return usual;
    }

    /** The layer of a name. */
    public static Optional<Layer> parse(String name) {
        return Arrays.stream(values()).filter(layer -> layer.word.equals(name)).findFirst();
    }
}

package phalanx.sound;

import java.util.Arrays;
import java.util.Optional;

/** What can be heard alone or left out. */
public enum Layer {
    THUMB("thumb", true),
    FINGERS("fingers", true),
    TUNE("tune", true),
    HITS("hits", true),
    /** A tune that is sung, as a plain tone. */
    VOICE("voice", false),
    CLICK("click", false);

    private final String label;
    private final boolean usual;

    Layer(String label, boolean usual) {
        this.label = label;
        this.usual = usual;
    }

    public String label() {
        return label;
    }

    /** Whether it is heard unless somebody says otherwise. */
    public boolean isUsual() {
        return usual;
    }

    /** The layer of a name. */
    public static Optional<Layer> parse(String name) {
        return Arrays.stream(values()).filter(layer -> layer.label.equals(name)).findFirst();
    }
}

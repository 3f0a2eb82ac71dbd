package phalanx.arrange.demand;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Who has the tune. */
public enum TuneUse {
    /** The hand plays it, above an accompaniment that makes room for it. */
    PLAYED("played"),
    /** A voice sings it: shown and kept, not played; the hand has the whole pattern. */
    SUNG("sung"),
    /** There is none: chords alone. */
    NONE("none");

    private final String label;

    TuneUse(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static TuneUse parse(String name) {
        return Arrays.stream(values())
                .filter(use -> use.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("tune \"" + name.trim() + "\" is not known; there are "
                        + Arrays.stream(values()).map(TuneUse::label).collect(Collectors.joining(", "))));
    }
}

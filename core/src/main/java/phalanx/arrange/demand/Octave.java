package phalanx.arrange.demand;

import java.util.Arrays;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** In which octave the tune is played. */
public enum Octave {
    /** Where the whole arrangement costs least; as written when that costs little more. */
    BEST("best", OptionalInt.empty()),
    AS_WRITTEN("as-written", OptionalInt.of(0)),
    DOWN("-1", OptionalInt.of(-1)),
    UP("+1", OptionalInt.of(1));

    private final String label;
    private final OptionalInt moved;

    Octave(String label, OptionalInt moved) {
        this.label = label;
        this.moved = moved;
    }

    public String label() {
        return label;
    }

    /** By how many octaves the tune moves; nothing where that is to be found out. */
    public OptionalInt moved() {
        return moved;
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static Octave parse(String name) {
        return Arrays.stream(values())
                .filter(octave -> octave.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("octave \"" + name.trim()
                        + "\" is not known; there are "
                        + Arrays.stream(values()).map(Octave::label).collect(Collectors.joining(", "))));
    }
}

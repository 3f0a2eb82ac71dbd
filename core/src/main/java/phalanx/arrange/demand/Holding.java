package phalanx.arrange.demand;

import java.util.Arrays;
import java.util.stream.Collectors;

/** What the left hand keeps down while a chord lasts. */
public enum Holding {
    /** Whole shapes of the chords where the tune is sung or there is none; by cost where it is played. */
    BY_TUNE("by tune"),
    /** Whole shapes of the chords, as players print them, with a finger moved, lifted or added for the tune. */
    CHORD("chord"),
    /** What tune, bass and inner notes need, and no more. */
    FREE("free");

    private final String label;

    Holding(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static Holding parse(String name) {
        return Arrays.stream(values())
                .filter(holding -> holding.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("hold \"" + name.trim() + "\" is not known; there are "
                        + Arrays.stream(values()).map(Holding::label).collect(Collectors.joining(", "))));
    }
}

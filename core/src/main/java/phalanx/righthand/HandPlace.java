package phalanx.righthand;

import java.util.Arrays;

/** Where the right hand rests while it plays. */
public enum HandPlace {
    FREE("free hand"),
    /** The heel lies on the bridge: the bass can be damped. */
    HEEL("heel on the bridge"),
    /** A digit rests on the top, or digits wait on their strings. */
    PLANTED("planted digits");

    private final String label;

    HandPlace(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** @throws IllegalArgumentException if there is no such place */
    public static HandPlace parse(String name) {
        return Arrays.stream(values())
                .filter(place -> place.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("\"" + name + "\" is no place of the right hand"));
    }
}

package phalanx.righthand;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Which string the thumb should go to between the roots, where the hand leaves it a choice. */
public enum BassStrings {
    /** Whichever is nearest and easiest. */
    AS_IT_LIES("as it lies"),
    ABOVE("neighbour above"),
    BELOW("neighbour below"),
    LOWEST("lowest string"),
    ANOTHER("another string");

    private final String label;

    BassStrings(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /**
     * Whether a step of the thumb is as it should be.
     *
     * @param before the string it comes from
     * @param after the one it goes to
     * @param strings how many the guitar has
     */
    public boolean agrees(int before, int after, int strings) {
        return switch (this) {
            case AS_IT_LIES -> true;
            case ABOVE -> after < before;
            case BELOW -> after > before || before == strings && after < before;
            case LOWEST -> after == strings || before == strings;
            case ANOTHER -> after != before;
        };
    }

    /** @throws IllegalArgumentException naming the choices there are */
    public static BassStrings parse(String name) {
        return Arrays.stream(values())
                .filter(choice -> choice.label.equalsIgnoreCase(name.trim()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("\"" + name.trim()
                        + "\" is no choice of bass strings; there are "
                        + Arrays.stream(values()).map(BassStrings::label).collect(Collectors.joining(", "))));
    }
}

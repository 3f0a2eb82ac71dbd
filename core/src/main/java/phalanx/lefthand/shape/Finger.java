package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

/** The digits of the left hand. */
public enum Finger {
    INDEX("1"),
    MIDDLE("2"),
    RING("3"),
    LITTLE("4"),
    THUMB("T");

    private final String symbol;

    Finger(String symbol) {
        this.symbol = symbol;
    }

    /** 1 to 4, or T for the thumb over the neck. */
    public String symbol() {
        return symbol;
    }

    /** 1 for the index to 4 for the little finger, 5 for the thumb. */
    public int number() {
        return ordinal() + 1;
    }

    /**
     * The finger of a symbol.
     *
     * @throws IllegalArgumentException if it is none of 1, 2, 3, 4, T
     */
    public static Finger of(String symbol) {
        for (Finger finger : values()) {
            if (finger.symbol.equalsIgnoreCase(symbol)) {
                return finger;
            }
        }
        throw new IllegalArgumentException(wording("Finger.is-not-a-finger-1", symbol));
    }
}

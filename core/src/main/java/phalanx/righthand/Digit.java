package phalanx.righthand;

import java.util.Arrays;
import java.util.Optional;

/** The digits of the right hand in string order: the thumb plucks the lowest string. */
public enum Digit {
    P("p", "thumb"),
    I("i", "index"),
    M("m", "middle"),
    A("a", "ring"),
    C("c", "little");

    private final String symbol;
    private final String word;

    Digit(String symbol, String word) {
        this.symbol = symbol;
        this.word = word;
    }

    public String symbol() {
        return symbol;
    }

    /** The finger's name, as counted aloud. */
    public String word() {
        return word;
    }

    static Optional<Digit> bySymbol(String text) {
        return Arrays.stream(values())
                .filter(digit -> digit.symbol.equals(text))
                .findFirst();
    }
}

package phalanx.righthand;

import java.util.Arrays;
import java.util.Optional;
import phalanx.words.Words;

/** The digits of the right hand in string order: the thumb plucks the lowest string. */
public enum Digit {
    P("p"),
    I("i"),
    M("m"),
    A("a"),
    C("c");

    private final String symbol;

    Digit(String symbol) {
        this.symbol = symbol;
    }

    public String symbol() {
        return symbol;
    }

    /** The finger's name, as counted aloud. */
    public String word() {
        return Words.name(this);
    }

    static Optional<Digit> bySymbol(String text) {
        return Arrays.stream(values())
                .filter(digit -> digit.symbol.equals(text))
                .findFirst();
    }
}

package phalanx.righthand;

import static phalanx.words.Words.wording;

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

    /**
     * The digit of a symbol.
     *
     * @throws IllegalArgumentException if it is none of p, i, m, a, c
     */
    public static Digit of(String symbol) {
        return bySymbol(symbol)
                .orElseThrow(() -> new IllegalArgumentException(wording("Digit.is-not-a-digit", symbol)));
    }

    static Optional<Digit> bySymbol(String text) {
        return Arrays.stream(values())
                .filter(digit -> digit.symbol.equals(text))
                .findFirst();
    }
}

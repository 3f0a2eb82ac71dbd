package phalanx.righthand;

/** The digits of the right hand in string order: the thumb plucks the lowest string. */
public enum Digit {
    P("p"),
    I("i"),
    M("m"),
    A("a");

    private final String symbol;

    Digit(String symbol) {
        this.symbol = symbol;
    }

    public String symbol() {
        return symbol;
    }
}

package phalanx.technique;

/** How a finger makes a note waver. Figures are our assumptions from common practice; no source. */
public final class Vibrato {
    /** For so long a note must ring, in milliseconds: one that is shorter sounds out of tune instead. */
    public static final double LEAST_MS = 300;

    /** How far the pitch goes up and down, in cents. */
    public static final double CENTS = 18;

    /** How many times a second. */
    public static final double HERTZ = 5.5;

    /** The note begins calmly for so long, in milliseconds. */
    public static final double CALM_MS = 150;

    private Vibrato() {}
}

package phalanx.theory;

/** The seven letters of the staff with their distance in semitones above C. */
public enum Step {
    C(0),
    D(2),
    E(4),
    F(5),
    G(7),
    A(9),
    B(11);

    private static final Step[] ALL = values();

    private final int semitones;

    Step(int semitones) {
        this.semitones = semitones;
    }

    /** Semitones above C, 0 to 11. */
    public int semitones() {
        return semitones;
    }

    /** The letter {@code steps} letters higher (lower if negative), wrapping at the octave. */
    public Step plus(int steps) {
        return ALL[Math.floorMod(ordinal() + steps, ALL.length)];
    }
}

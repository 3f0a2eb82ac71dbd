package phalanx.arrange;

/**
 * A note that is given with its place, as in tablature.
 *
 * @param tick where it is plucked
 * @param string 1 at the treble side
 * @param fret relative to the capo, 0 for open
 * @param slurred whether it is to be slurred from the note before on its string
 */
public record WrittenNote(int tick, int string, int fret, boolean slurred) {
    public WrittenNote {
        if (tick < 0 || string < 1 || fret < 0) {
            throw new IllegalArgumentException(
                    "a written note at tick " + tick + ", string " + string + ", fret " + fret);
        }
    }

    /** One that is plucked. */
    public WrittenNote(int tick, int string, int fret) {
        this(tick, string, fret, false);
    }

    /** The same at another time. */
    public WrittenNote at(int newTick) {
        return new WrittenNote(newTick, string, fret, slurred);
    }
}

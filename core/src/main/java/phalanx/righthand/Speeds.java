package phalanx.righthand;

/**
 * How fast the right hand goes. The usual values are from memory.
 *
 * @param repeatsASecond how often one digit plucks
 * @param rollASecond how fast different digits follow one another
 */
public record Speeds(double repeatsASecond, double rollASecond) {
    public static final Speeds USUAL = new Speeds(5, 13);

    public Speeds {
        if (!(repeatsASecond >= 1 && repeatsASecond <= 20 && rollASecond >= repeatsASecond && rollASecond <= 40)) {
            throw new IllegalArgumentException("a digit repeats 1 to 20 times a second and a roll is at least as fast,"
                    + " not " + repeatsASecond + " and " + rollASecond);
        }
    }

    /** The least time between two plucks of one digit, in milliseconds. */
    public double repeatMs() {
        return 1000 / repeatsASecond;
    }

    /** The least time between plucks of different digits, in milliseconds. */
    public double rollMs() {
        return 1000 / rollASecond;
    }
}

package phalanx.righthand;

import static phalanx.words.Words.wording;

/**
 * How fast the right hand goes. The usual values are from memory.
 *
 * @param repeatsASecond how often one digit plucks
 * @param rollASecond how fast different digits follow one another
 * @param upASecond how soon the thumb's upstroke follows its downstroke, as strokes a second; downstrokes are no nearer
 *     than one digit repeats
 */
public record Speeds(double repeatsASecond, double rollASecond, double upASecond) {
    public static final Speeds USUAL = new Speeds(5, 13, 10);

    private static final double FASTEST = 40;

    public Speeds {
        if (!(upASecond >= repeatsASecond && upASecond <= FASTEST)) {
            throw new IllegalArgumentException(
                    wording("Speeds.an-upstroke-follows-at-least", upASecond, repeatsASecond));
        }
        if (!(repeatsASecond >= 1 && repeatsASecond <= 20 && rollASecond >= repeatsASecond && rollASecond <= FASTEST)) {
            throw new IllegalArgumentException(wording("Speeds.a-digit-repeats-1-to", repeatsASecond, rollASecond));
        }
    }

    /** The least time between two plucks of one digit, in milliseconds. */
    public double repeatMs() {
        return 1000 / repeatsASecond;
    }

    /** The least time from the thumb's downstroke to its upstroke, and back, in milliseconds. */
    public double upMs() {
        return 1000 / upASecond;
    }

    public Speeds withRepeats(double aSecond) {
        return new Speeds(aSecond, rollASecond, upASecond);
    }

    public Speeds withRoll(double aSecond) {
        return new Speeds(repeatsASecond, aSecond, upASecond);
    }

    public Speeds withUp(double aSecond) {
        return new Speeds(repeatsASecond, rollASecond, aSecond);
    }

    /** The least time between plucks of different digits, in milliseconds. */
    public double rollMs() {
        return 1000 / rollASecond;
    }
}

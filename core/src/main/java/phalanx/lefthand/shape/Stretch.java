package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.words.Words;

/**
 * How far a hand is opened: the stretch term of its effort, and the pair that counts most in it.
 *
 * @param effort the term
 * @param widest the pair nearest to its greatest reach
 * @param mm how far that pair is apart
 * @param limitMm the greatest reach of that pair
 * @param spread whether some pair is further apart than one finger a fret
 */
public record Stretch(double effort, Reach.Pair widest, double mm, double limitMm, boolean spread) {
    /** From this share of a pair's greatest reach on any shape is a stretch. */
    private static final double NEARLY_ALL = 0.9;
    /** From this term on one finger a fret is a stretch: several pairs at four fifths of their greatest reach. */
    private static final double STRETCHED = 0.7;
    /** The same of a hand that is spread wider. */
    private static final double STRETCHED_SPREAD = 0.45;

    /** The term of one pair at a share of its greatest reach: convex, nothing much below a half. */
    static double term(double share) {
        double cube = share * share * share;
        return Weights.STRETCH * cube * cube;
    }

    /** Measures presses that are held at once; nothing when no two fingers are down. */
    public static Optional<Stretch> of(List<Press> presses, Instrument instrument, Hand hand) {
        double effort = 0;
        Stretch widest = null;
        double mostShare = -1;
        boolean spread = false;
        for (int a = 0; a < presses.size(); a++) {
            for (int b = a + 1; b < presses.size(); b++) {
                int first = presses.get(a).finger().number();
                int second = presses.get(b).finger().number();
                if (first != second && Math.max(first, second) <= 4) {
                    Reach.Pair pair = new Reach.Pair(Math.min(first, second), Math.max(first, second));
                    double mm = Fingering.reach(presses.get(a), presses.get(b), instrument);
                    double share = mm / hand.greatestMm(pair);
                    effort += term(share);
                    int frets = Math.abs(presses.get(a).fret() - presses.get(b).fret());
                    spread |= frets > pair.high() - pair.low();
                    if (share > mostShare) {
                        mostShare = share;
                        widest = new Stretch(0, pair, mm, hand.greatestMm(pair), false);
                    }
                }
            }
        }
        return widest == null
                ? Optional.empty()
                : Optional.of(new Stretch(effort, widest.widest, widest.mm, widest.limitMm, spread));
    }

    /** Whether the shape is a stretch, which asks for a warm hand. */
    public boolean isStretched() {
        return effort >= (spread ? STRETCHED_SPREAD : STRETCHED) || mm >= NEARLY_ALL * limitMm;
    }

    /** One plain sentence. */
    public String words() {
        return String.format(
                Words.figures(),
                wording("Stretch.stretch-fingers-and-reach-of"),
                widest.low(),
                widest.high(),
                mm,
                limitMm);
    }
}

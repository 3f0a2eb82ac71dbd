package phalanx.lefthand.shape;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;

/**
 * How far a hand is opened: the stretch term of its effort, and the pair that counts most in it.
 *
 * @param effort the term
 * @param widest the pair nearest to its greatest reach
 * @param mm how far that pair is apart
 * @param limitMm the greatest reach of that pair
 */
public record Stretch(double effort, Reach.Pair widest, double mm, double limitMm) {
    /** From this term on a shape is a stretch: one pair at about four fifths of its greatest reach, or several nearly. */
    private static final double STRETCHED = 0.45;

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
        for (int a = 0; a < presses.size(); a++) {
            for (int b = a + 1; b < presses.size(); b++) {
                int first = presses.get(a).finger().number();
                int second = presses.get(b).finger().number();
                if (first != second && Math.max(first, second) <= 4) {
                    Reach.Pair pair = new Reach.Pair(Math.min(first, second), Math.max(first, second));
                    double mm = Fingering.reach(presses.get(a), presses.get(b), instrument);
                    double share = mm / hand.greatestMm(pair);
                    effort += term(share);
                    if (share > mostShare) {
                        mostShare = share;
                        widest = new Stretch(0, pair, mm, hand.greatestMm(pair));
                    }
                }
            }
        }
        return widest == null
                ? Optional.empty()
                : Optional.of(new Stretch(effort, widest.widest, widest.mm, widest.limitMm));
    }

    /** Whether the shape is a stretch, which asks for a warm hand. */
    public boolean isStretched() {
        return effort >= STRETCHED;
    }

    /** One plain sentence. */
    public String words() {
        return String.format(
                Locale.ROOT,
                "stretch: fingers %d and %d reach %.0f of %.0f mm. Only with a warm hand; stop when it aches.",
                widest.low(),
                widest.high(),
                mm,
                limitMm);
    }
}

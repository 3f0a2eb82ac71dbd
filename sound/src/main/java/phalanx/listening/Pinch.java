package phalanx.listening;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * When one of several notes that are plucked together begins, told by those partials that it shares with none of them. Where
 * its string rang before, partials are disturbed, each by another time: what most of them agree on is believed. Numbers
 * were set on rendered takes.
 */
final class Pinch {
    private static final double REACH_SECONDS = 0.06;
    private static final int PARTIALS = 6;
    private static final double WIDTH_BINS = 1.2;
    private static final double APART_BINS = 2.2;
    /** Further apart than so it is none; what is measured there is something else. */
    private static final double LONGEST_SECONDS = 0.03;

    private static final double AGREE_SECONDS = 0.005;
    /** The least share of what the partials weigh that agrees. */
    private static final double AGREED = 0.5;
    /** A partial of a string that rang counts for little: it has only grown from there. */
    private static final int PURITY = 4;

    private final Flux flux;

    Pinch(Flux flux) {
        this.flux = flux;
    }

    /**
     * The seconds at which a note begins; nothing where its partials tell too little.
     *
     * @param hertz its own pitch
     * @param others those of the notes beside it
     * @param onset seconds, of all together
     */
    OptionalDouble begins(double hertz, double[] others, double onset) {
        double own = flux.bins(hertz);
        double[] beside = Arrays.stream(others).map(flux::bins).toArray();
        List<int[]> partials = IntStream.rangeClosed(1, PARTIALS)
                .mapToObj(partial -> bins(partial * own, beside))
                .filter(bins -> bins.length > 0)
                .toList();
        List<Flux.Growth> grown = flux.growth(onset, REACH_SECONDS, partials).stream()
                .sorted(Comparator.comparingDouble(Flux.Growth::seconds))
                .toList();
        double all = grown.stream().mapToDouble(Pinch::weight).sum();
        double passed = 0;
        for (Flux.Growth middle : grown) {
            passed += weight(middle);
            if (passed >= all / 2) {
                double agreed = grown.stream()
                        .filter(one -> Math.abs(one.seconds() - middle.seconds()) < AGREE_SECONDS)
                        .mapToDouble(Pinch::weight)
                        .sum();
                boolean told = agreed >= AGREED * all && Math.abs(middle.seconds() - onset) <= LONGEST_SECONDS;
                return told ? OptionalDouble.of(middle.seconds()) : OptionalDouble.empty();
            }
        }
        return OptionalDouble.empty();
    }

    private static double weight(Flux.Growth one) {
        return Math.pow(one.share(), PURITY) * Math.sqrt(one.size());
    }

    /** Around a partial, but for those that are near one of another note. */
    private static int[] bins(double partial, double[] beside) {
        return IntStream.rangeClosed((int) Math.ceil(partial - WIDTH_BINS), (int) (partial + WIDTH_BINS))
                .filter(bin -> Arrays.stream(beside).noneMatch(base -> isNearPartial(bin, base)))
                .toArray();
    }

    private static boolean isNearPartial(int bin, double base) {
        double k = Math.max(1, Math.round(bin / base));
        return Math.abs(bin - k * base) <= APART_BINS;
    }
}

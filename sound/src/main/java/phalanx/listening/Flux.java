package phalanx.listening;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Where notes begin: by how much a spectrum grows from one moment to the next, in logarithms, so that soft notes count too (J.
 * Bello and others, "A tutorial on onset detection in music signals", IEEE Transactions on Speech and Audio Processing 13(5),
 * 2005; from memory). Window, threshold and delay were set on rendered takes.
 */
final class Flux {
    private static final double WINDOW_SECONDS = 2048 / 44_100.0;
    private static final double HOP_SECONDS = 64 / 44_100.0;
    /** A spectrum is compared with the one so many hops before. */
    private static final int BACK = 8;

    /** The flux stands highest so long before a note is fully in the window. */
    private static final double DELAY_SECONDS = 0.0043;

    private static final double LOWEST_HERTZ = 60;
    private static final double HIGHEST_HERTZ = 5000;
    private static final double COMPRESSION = 30;
    private static final double MEDIAN_SHARE = 1.3;
    private static final double TOP_SHARE = 0.1;
    private static final double GAP_SECONDS = 0.03;
    private static final double MEDIAN_SECONDS = 0.12;
    private static final int REFERENCE_HOPS = 16;

    private final Take take;
    private final Spectra spectra;
    private final int window;
    private final int hop;
    private final int lowest;
    private final int highest;
    private final double reference;

    Flux(Take take) {
        this.take = take;
        window = (int) Math.round(WINDOW_SECONDS * take.rate());
        hop = Math.max(1, (int) Math.round(HOP_SECONDS * take.rate()));
        spectra = new Spectra(take, window, Integer.highestOneBit(2 * window - 1));
        lowest = (int) Math.ceil(spectra.bins(LOWEST_HERTZ));
        highest = (int) Math.min(spectra.bins(HIGHEST_HERTZ), spectra.bins(take.rate() / 2.0) - 1);
        reference = reference();
    }

    /** What a loud partial is in this take: the 99th of a hundred of each moment's largest. */
    private double reference() {
        List<Double> tops = new ArrayList<>();
        for (int from = 0; from < take.samples().length; from += REFERENCE_HOPS * hop) {
            double top = 0;
            double[] sizes = spectra.at(from);
            for (int bin = lowest; bin <= highest; bin++) {
                top = Math.max(top, sizes[bin]);
            }
            tops.add(top);
        }
        tops.sort(null);
        return Math.max(1e-6, tops.isEmpty() ? 0 : tops.get((int) (0.99 * (tops.size() - 1))));
    }

    double bins(double hertz) {
        return spectra.bins(hertz);
    }

    /** The middle of a spectrum that stands at a place of the row. */
    private double seconds(double at, int first) {
        return (first + at * hop + window / 2.0) / take.rate();
    }

    /** Its growth from a moment on, hop by hop. */
    private double[] row(int first, int hops) {
        double[] grown = new double[hops];
        double[][] before = new double[BACK][];
        for (int i = -BACK; i < hops; i++) {
            double[] sizes = spectra.at(first + i * hop);
            for (int bin = lowest; bin <= highest; bin++) {
                sizes[bin] = Math.log1p(COMPRESSION * sizes[bin] / reference);
            }
            int slot = Math.floorMod(i, BACK);
            if (i >= 0) {
                for (int bin = lowest; bin <= highest; bin++) {
                    grown[i] += Math.max(0, sizes[bin] - before[slot][bin]);
                }
            }
            before[slot] = sizes;
        }
        return grown;
    }

    /** Seconds at which notes begin, in order. */
    List<Double> onsets() {
        int first = -window;
        int hops = (take.samples().length + window) / hop + 1;
        double[] row = row(first, hops);
        double[] sorted = row.clone();
        Arrays.sort(sorted);
        double top = sorted[(int) (0.99 * (sorted.length - 1))];
        int around = (int) (MEDIAN_SECONDS * take.rate() / hop);
        int gap = (int) (GAP_SECONDS * take.rate() / hop);
        List<Double> onsets = new ArrayList<>();
        int last = -gap;
        for (int i = 1; i + 1 < hops; i++) {
            if (row[i] <= row[i - 1] || row[i] < row[i + 1] || !isHighest(row, i, gap / 2)) {
                continue;
            }
            double[] near = Arrays.copyOfRange(row, Math.max(0, i - around), Math.min(hops, i + around));
            Arrays.sort(near);
            if (row[i] > MEDIAN_SHARE * near[near.length / 2] + TOP_SHARE * top && i - last >= gap) {
                onsets.add(seconds(refined(row, i), first) + DELAY_SECONDS);
                last = i;
            }
        }
        return onsets;
    }

    private static boolean isHighest(double[] row, int at, int reach) {
        for (int i = Math.max(0, at - reach); i <= Math.min(row.length - 1, at + reach); i++) {
            if (row[i] > row[at]) {
                return false;
            }
        }
        return true;
    }

    /** The top of a parabola through three neighbours. */
    private static double refined(double[] row, int i) {
        double bend = row[i - 1] - 2 * row[i] + row[i + 1];
        return bend == 0 ? i : i + 0.5 * (row[i - 1] - row[i + 1]) / bend;
    }

    /**
     * How some bins have grown together.
     *
     * @param seconds when half of it was done: with a symmetric window that is when their note begins, however slowly the
     *     window lets it in
     * @param share of what they hold at last
     * @param size of the growth
     */
    record Growth(double seconds, double share, double size) {}

    /**
     * How each of several groups of bins grows around a moment; those that do not grow are left out.
     *
     * @param near the moment, in seconds
     * @param reach so many seconds before and after it
     */
    List<Growth> growth(double near, double reach, List<int[]> groups) {
        int first = (int) ((near - reach) * take.rate() - window / 2.0);
        int hops = (int) (2 * reach * take.rate() / hop);
        double[][] held = new double[groups.size()][hops];
        for (int i = 0; i < hops; i++) {
            double[] sizes = spectra.at(first + i * hop);
            for (int group = 0; group < held.length; group++) {
                for (int bin : groups.get(group)) {
                    held[group][i] += bin < sizes.length ? sizes[bin] : 0;
                }
            }
        }
        return Arrays.stream(held).flatMap(own -> growth(own, first).stream()).toList();
    }

    private Optional<Growth> growth(double[] held, int first) {
        int top = held.length / 2;
        for (int i = top; i < held.length; i++) {
            top = held[i] > held[top] ? i : top;
        }
        int bottom = top;
        for (int i = 0; i < top; i++) {
            bottom = held[i] <= held[bottom] ? i : bottom;
        }
        double half = (held[bottom] + held[top]) / 2;
        for (int i = top; i > bottom; i--) {
            if (held[i - 1] <= half && held[i] > half) {
                double at = i - 1 + (half - held[i - 1]) / (held[i] - held[i - 1]);
                double size = held[top] - held[bottom];
                return Optional.of(new Growth(seconds(at, first) + DELAY_SECONDS, size / held[top], size));
            }
        }
        return Optional.empty();
    }
}

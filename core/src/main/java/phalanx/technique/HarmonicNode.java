package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A place on a string where a light touch leaves a harmonic: k n-ths of its sounding length from the nut. Physics of the
 * ideal string: it lies {@code 12 * log2(n / (n - k))} frets from the nut and sounds n times the string's pitch.
 *
 * @param k from 1, less than n
 * @param n which harmonic, from 2
 */
public record HarmonicNode(int k, int n) implements Comparable<HarmonicNode> {
    /** Higher ones are too weak to be of use: common practice, no source. */
    public static final int HIGHEST = 6;

    private static final double NEAR_FRET = 1 / 3.0;

    /** In the middle of the string. */
    public static final HarmonicNode OCTAVE = new HarmonicNode(1, 2);

    private static final Pattern TEXT = Pattern.compile("(\\d{1,2})/(\\d{1,2})");

    public HarmonicNode {
        if (n < 2 || k < 1 || k >= n || gcd(k, n) > 1) {
            throw new IllegalArgumentException(wording("HarmonicNode.is-no-node-a-fraction", k, n));
        }
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** All up to the {@link #HIGHEST}, the lowest harmonic first, then from the nut. */
    public static List<HarmonicNode> all() {
        List<HarmonicNode> all = new ArrayList<>();
        for (int n = 2; n <= HIGHEST; n++) {
            for (int k = 1; k < n; k++) {
                if (gcd(k, n) == 1) {
                    all.add(new HarmonicNode(k, n));
                }
            }
        }
        return all;
    }

    /**
     * Reads {@code 1/3}.
     *
     * @throws IllegalArgumentException if it is none
     */
    public static HarmonicNode parse(String text) {
        Matcher match = TEXT.matcher(text.trim());
        if (!match.matches()) {
            throw new IllegalArgumentException(wording("HarmonicNode.is-no-node-write-it", text.trim()));
        }
        return new HarmonicNode(Integer.parseInt(match.group(1)), Integer.parseInt(match.group(2)));
    }

    /** The strongest node within a third of a fret of one; nothing where there is none. */
    public static Optional<HarmonicNode> over(int fret) {
        return all().stream()
                .filter(node -> Math.abs(node.frets() - fret) < NEAR_FRET)
                .findFirst();
    }

    /** Frets from where the string begins to sound: the nut, the capo or a held fret. */
    public double frets() {
        return 12 * log2(n / (double) (n - k));
    }

    /** Semitones above the string's own pitch. */
    public double semitones() {
        return 12 * log2(n);
    }

    /** The nearest note above the string's own, in semitones. */
    public int nearest() {
        return (int) Math.round(semitones());
    }

    /** How far it sounds from that note, in cents. */
    public double cents() {
        return 100 * (semitones() - nearest());
    }

    /** How loud it is beside the plain string, about: our assumption, by the share of the n-th partial. */
    public double strength() {
        return 2.0 / (n + 1);
    }

    private static double log2(double x) {
        return Math.log(x) / Math.log(2);
    }

    @Override
    public int compareTo(HarmonicNode other) {
        return n == other.n ? Integer.compare(k, other.k) : Integer.compare(n, other.n);
    }

    @Override
    public String toString() {
        return k + "/" + n;
    }
}

package phalanx.sound.guitar;

import java.util.Arrays;
import java.util.Random;

/**
 * What a finger puts into a string: one round of what an ideal string that is pulled aside and let go gives to the bridge, a
 * rectangle as wide as the place of the pluck, its edges rounded by flesh or nail, with a little noise. Their power is
 * set so that no note jumps out. (The rectangle: N. Fletcher and T. Rossing, The Physics of Musical Instruments,
 * chapter on plucked strings; from memory. Widths and brightness are ours, set on spectra.)
 */
final class Excitation {
    /** Where a finger plucks, as a share of the string from the bridge. */
    static final double PLACE = 0.17;

    /** An edge is rounded over so many periods of its softness. */
    private static final double EDGE = 0.7;

    private static final double NOISE = 0.25;
    private static final double NOISE_SECONDS = 0.004;
    /** Harmonics are touched softly. */
    private static final double HARMONIC_HERTZ = 2500;

    /** High strings die sooner, so they begin louder: with this power of their pitch a whole neck is about even. */
    private static final double EVEN = 0.22;

    private static final double EVEN_HERTZ = 220;

    private Excitation() {}

    /**
     * A pluck.
     *
     * @param hertz the string sounds
     * @param softness where it begins to lose its high partials, hertz
     * @param level its root mean square over one round at 220 Hz
     * @param place of the pluck, as a share of the string
     */
    static double[] pluck(double hertz, double softness, double level, double place, int rate, long seed) {
        double[] burst = round(hertz, 1, place, softness, rate);
        Random random = new Random(seed);
        int noisy = (int) Math.min(burst.length, NOISE_SECONDS * rate);
        double sum = 0;
        for (int i = 0; i < noisy; i++) {
            double fade = 1 - i / (double) noisy;
            double noise = NOISE * fade * fade * (2 * random.nextDouble() - 1);
            burst[i] += noise;
            sum += noise;
        }
        for (int i = 0; i < noisy; i++) {
            burst[i] -= sum / noisy;
        }
        return levelled(soft(burst, softness, rate), level, hertz, rate);
    }

    /** A pluck that leaves the n-th harmonic and its multiples alone: n of them, an n-th of the string apart. */
    static double[] harmonic(double hertz, int n, double level, int rate) {
        double[] burst = round(hertz, n, Math.min(PLACE, 1.0 / (3 * n)), HARMONIC_HERTZ, rate);
        return levelled(soft(burst, HARMONIC_HERTZ, rate), level, hertz, rate);
    }

    /** One round of the string with n rectangles, their mean taken out, so that nothing stands still on the string. */
    private static double[] round(double hertz, int n, double place, double softness, int rate) {
        double loop = rate / hertz;
        double edge = Math.min(place * loop, Math.max(1, EDGE * rate / softness));
        double[] burst = new double[(int) Math.ceil(loop + edge) + 1];
        for (int i = 0; i < burst.length; i++) {
            for (int k = 0; k < n; k++) {
                double t = i - k * loop / n;
                burst[i] += rise(t, edge) - rise(t - place * loop, edge);
            }
            burst[i] -= n * place * (rise(i, edge) - rise(i - loop, edge));
        }
        return burst;
    }

    /** From 0 to 1 over the width of an edge. */
    private static double rise(double t, double edge) {
        return t <= 0 ? 0 : t >= edge ? 1 : 0.5 - 0.5 * Math.cos(Math.PI * t / edge);
    }

    private static double[] soft(double[] burst, double hertz, int rate) {
        double share = 1 - Math.exp(-2 * Math.PI * hertz / rate);
        double[] longer = Arrays.copyOf(burst, burst.length + (int) (6 * rate / (2 * Math.PI * hertz)));
        double smooth = 0;
        for (int i = 0; i < longer.length; i++) {
            smooth += share * (longer[i] - smooth);
            longer[i] = smooth;
        }
        return longer;
    }

    private static double[] levelled(double[] burst, double level, double hertz, int rate) {
        double energy = 0;
        for (double sample : burst) {
            energy += sample * sample;
        }
        double factor = level * Math.pow(hertz / EVEN_HERTZ, EVEN) / Math.sqrt(energy * hertz / rate);
        for (int i = 0; i < burst.length; i++) {
            burst[i] *= factor;
        }
        return burst;
    }
}

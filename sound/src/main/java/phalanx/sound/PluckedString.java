package phalanx.sound;

import java.util.Random;

/**
 * One plucked string: a burst of noise runs round a delay line with a gentle low-pass, so that high partials die
 * first. An all-pass stage tunes the loop between whole samples. (K. Karplus and A. Strong, "Digital synthesis of
 * plucked-string and drum timbres", and D. Jaffe and J. Smith, "Extensions of the Karplus-Strong plucked-string
 * algorithm", both Computer Music Journal 7(2), 1983; from memory.)
 */
final class PluckedString {
    /** The low-pass averages two samples with these shares; nearer to a half is duller. */
    private static final double BRIGHTNESS = 0.62;
    /** Seconds after which A2 has fallen by 60 dB; higher strings fall faster. */
    private static final double DECAY_SECONDS = 6.0;

    private static final double REFERENCE_HERTZ = 110;
    /** Distance of the pluck from the saddle as a share of the string. */
    private static final double PLUCK_POINT = 0.18;

    private final double[] line;
    private final double loss;
    private final double tuning;
    private int at;
    private double lastOut;
    private double lastIn;
    private double lastTuned;

    PluckedString(double hertz, double sampleRate, double loudness, long seed) {
        double loop = sampleRate / hertz - (1 - BRIGHTNESS);
        int whole = (int) Math.floor(loop - 0.5);
        double fraction = loop - whole;
        this.tuning = (1 - fraction) / (1 + fraction);
        this.line = burst(whole, loudness, new Random(seed));
        double seconds = DECAY_SECONDS * Math.pow(REFERENCE_HERTZ / hertz, 0.6);
        this.loss = Math.pow(10, -3 / (hertz * seconds));
    }

    /** Noise, softened, with the partials missing that have a node where the string is plucked. */
    private static double[] burst(int length, double loudness, Random random) {
        double[] noise = new double[length];
        double smooth = 0;
        for (int i = 0; i < length; i++) {
            smooth += 0.5 * (random.nextDouble() * 2 - 1 - smooth);
            noise[i] = smooth;
        }
        int comb = Math.max(1, (int) Math.round(PLUCK_POINT * length));
        double[] burst = new double[length];
        double mean = 0;
        for (int i = 0; i < length; i++) {
            burst[i] = loudness * (noise[i] - noise[(i + length - comb) % length]);
            mean += burst[i] / length;
        }
        for (int i = 0; i < length; i++) {
            burst[i] -= mean;
        }
        return burst;
    }

    double next() {
        double out = line[at];
        double filtered = loss * (BRIGHTNESS * out + (1 - BRIGHTNESS) * lastOut);
        lastOut = out;
        double tuned = tuning * filtered + lastIn - tuning * lastTuned;
        lastIn = filtered;
        lastTuned = tuned;
        line[at] = tuned;
        at = at + 1 == line.length ? 0 : at + 1;
        return out;
    }
}

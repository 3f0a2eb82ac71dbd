package phalanx.sound.guitar;

/**
 * What a delay loop needs to sound a pitch and die away as wanted: loss filter {@code g (1 + a) / (1 + a z^-1)} and a delay
 * that makes up for it (J. O. Smith, Physical Audio Signal Processing, chapters on loop filters and Lagrange interpolation;
 * D. Jaffe and J. Smith, Computer Music Journal 7(2), 1983; from memory).
 */
final class LoopFilter {
    private static final double HIGH_HERTZ = 3000;
    private static final double MOST_GAIN = 0.99999;
    private static final int HALVINGS = 36;
    private static final int DELAY_STEPS = 4;

    /** What goes in is taken times this. */
    final double gain;
    /** The pole's share of what came out before, from 0: {@code -a}. */
    final double pole;
    /** Whole samples the line is read behind its newest by. */
    final int whole;
    /** What is left over, 1 to 2 samples, for the interpolator. */
    final double fraction;

    LoopFilter(double hertz, StringTone tone, int rate) {
        double w = 2 * Math.PI * hertz / rate;
        double highW = Math.min(0.95 * Math.PI, 2 * Math.PI * Math.max(HIGH_HERTZ, 3 * hertz) / rate);
        double kept = Math.pow(10, -3 / (hertz * tone.seconds()));
        double keptHigh = Math.pow(10, -3 / (hertz * Math.min(tone.seconds(), tone.highSeconds())));
        this.pole = pole(Math.cos(w), Math.cos(highW), keptHigh / kept);
        double lag = Math.atan2(pole * Math.sin(w), 1 - pole * Math.cos(w)) / w;
        double left = rate / hertz - lag;
        this.whole = (int) Math.floor(left - 1);
        double d = left - whole;
        for (int step = 0; step < DELAY_STEPS; step++) {
            d += left - whole - Lagrange.delay(d, w);
        }
        this.fraction = d;
        double through = size(Math.cos(w), pole) * kept / Lagrange.size(d, w);
        this.gain = Math.min(MOST_GAIN * (1 - pole), through);
    }

    /** The pole that makes the high gain the wanted share of the gain at the pitch, by bisection. */
    private static double pole(double cos, double highCos, double share) {
        double low = 0;
        double high = 0.999;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (size(cos, middle) / size(highCos, middle) > share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /** The size of {@code 1 - pole z^-1}. */
    private static double size(double cos, double pole) {
        return Math.sqrt(1 - 2 * pole * cos + pole * pole);
    }
}

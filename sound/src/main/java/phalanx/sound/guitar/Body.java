package phalanx.sound.guitar;

/**
 * The guitar's body and a small room for one side of the stereo picture: the strings' own sound, a few resonances of the box,
 * nothing below its lowest, and three early echoes. Band-passes and high-pass by R. Bristow-Johnson's "Cookbook formulae for
 * audio EQ biquad filter coefficients"; the resonances are ours.
 */
final class Body {
    private static final double[] HERTZ = {104, 212, 395, 560, 820};
    private static final double[] QUALITY = {8, 9, 10, 10, 10};
    private static final double[] GAIN = {0.45, 0.5, 0.45, 0.4, 0.35};
    private static final double LOWEST_HERTZ = 55;
    private static final double[] ECHO_SECONDS = {0.0113, 0.0179, 0.0261};
    private static final double[] ECHO = {0.11, 0.08, 0.06};
    private static final double ECHO_SOFTNESS = 0.35;

    private final Biquad[] bands = new Biquad[HERTZ.length];
    private final Biquad lowest;
    private final double[] room = new double[2048];
    private final int[] echoes = new int[ECHO_SECONDS.length];
    private int at;
    private double soft;

    /** @param shift by which all resonances lie higher, so that two sides differ a little */
    Body(int rate, double shift) {
        for (int i = 0; i < bands.length; i++) {
            bands[i] = Biquad.bandPass(HERTZ[i] * shift, QUALITY[i], GAIN[i], rate);
        }
        lowest = Biquad.highPass(LOWEST_HERTZ, Math.sqrt(0.5), rate);
        for (int i = 0; i < echoes.length; i++) {
            echoes[i] = (int) (ECHO_SECONDS[i] * shift * rate);
        }
    }

    double next(double in) {
        double sum = in;
        for (Biquad band : bands) {
            sum += band.next(in);
        }
        double dry = lowest.next(sum);
        double echo = 0;
        for (int i = 0; i < echoes.length; i++) {
            echo += ECHO[i] * room[at - echoes[i] & room.length - 1];
        }
        soft += ECHO_SOFTNESS * (dry - soft);
        room[at] = soft;
        at = at + 1 & room.length - 1;
        return dry + echo;
    }

    /** A second-order filter, direct form 2 transposed. */
    private static final class Biquad {
        private final double b0;
        private final double b1;
        private final double b2;
        private final double a1;
        private final double a2;
        private double s1;
        private double s2;

        private Biquad(double b0, double b1, double b2, double a0, double a1, double a2) {
            this.b0 = b0 / a0;
            this.b1 = b1 / a0;
            this.b2 = b2 / a0;
            this.a1 = a1 / a0;
            this.a2 = a2 / a0;
        }

        static Biquad bandPass(double hertz, double quality, double gain, int rate) {
            double w = 2 * Math.PI * hertz / rate;
            double alpha = Math.sin(w) / (2 * quality);
            return new Biquad(gain * alpha, 0, -gain * alpha, 1 + alpha, -2 * Math.cos(w), 1 - alpha);
        }

        static Biquad highPass(double hertz, double quality, int rate) {
            double w = 2 * Math.PI * hertz / rate;
            double alpha = Math.sin(w) / (2 * quality);
            double c = Math.cos(w);
            return new Biquad((1 + c) / 2, -(1 + c), (1 + c) / 2, 1 + alpha, -2 * c, 1 - alpha);
        }

        double next(double in) {
            double out = b0 * in + s1;
            s1 = b1 * in - a1 * out + s2;
            s2 = b2 * in - a2 * out;
            return out;
        }
    }
}

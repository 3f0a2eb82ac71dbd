package phalanx.sound.guitar;

/** Third-order Lagrange interpolation between samples: four taps for a delay of 1 to 2. */
final class Lagrange {
    private Lagrange() {}

    static double h0(double d) {
        return -(d - 1) * (d - 2) * (d - 3) / 6;
    }

    static double h1(double d) {
        return d * (d - 2) * (d - 3) / 2;
    }

    static double h2(double d) {
        return -d * (d - 1) * (d - 3) / 2;
    }

    static double h3(double d) {
        return d * (d - 1) * (d - 2) / 6;
    }

    /** Its phase delay in samples at a frequency in radians a sample. */
    static double delay(double d, double w) {
        return Math.atan2(sine(d, w), cosine(d, w)) / w;
    }

    /** Its gain at a frequency. */
    static double size(double d, double w) {
        return Math.hypot(sine(d, w), cosine(d, w));
    }

    private static double cosine(double d, double w) {
        return h0(d) + h1(d) * Math.cos(w) + h2(d) * Math.cos(2 * w) + h3(d) * Math.cos(3 * w);
    }

    private static double sine(double d, double w) {
        return h1(d) * Math.sin(w) + h2(d) * Math.sin(2 * w) + h3(d) * Math.sin(3 * w);
    }
}

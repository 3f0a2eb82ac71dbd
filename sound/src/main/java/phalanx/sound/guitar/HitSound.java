package phalanx.sound.guitar;

import java.util.Random;
import phalanx.technique.HitKind;

/**
 * A percussive sound: a few modes of the top or the strings that die away, and a short burst of noise. Modes are our
 * own, made so that all kinds peak alike.
 */
final class HitSound {
    private static final double PEAK = 0.55;
    private static final double NOISE_SECONDS = 0.012;
    private static final double LONGEST_SECONDS = 0.4;

    /** Hertz and the seconds in which a mode falls by 60 dB, by turns. */
    private static double[] modes(HitKind kind) {
        return switch (kind) {
            case HEEL -> new double[] {72, 0.22, 98, 0.30, 198, 0.16};
            case KNOCK -> new double[] {118, 0.16, 205, 0.15, 392, 0.10, 640, 0.06};
            case NAIL -> new double[] {410, 0.05, 980, 0.035, 2150, 0.022};
            case SLAP -> new double[] {820, 0.04, 2300, 0.05, 3400, 0.045};
            case TAP -> new double[] {236, 0.12, 540, 0.07, 910, 0.05};
            case CHUCK -> new double[] {196, 0.06, 392, 0.05, 700, 0.04};
            case DEAD -> new double[] {330, 0.035, 740, 0.03, 1480, 0.02};
            case STOP -> new double[0];
            case BELL -> new double[] {1150, 0.03, 2600, 0.03, 3900, 0.025};
        };
    }

    /** How loud the noise is beside the modes. */
    private static double noise(HitKind kind) {
        return switch (kind) {
            case HEEL, KNOCK -> 0.1;
            case NAIL, TAP -> 0.25;
            case STOP -> 0;
            case DEAD -> 0.5;
            case SLAP, CHUCK, BELL -> 0.9;
        };
    }

    private HitSound() {}

    /** The samples of a hit, its greatest swing {@value #PEAK}. */
    static float[] of(HitKind kind, int sampleRate, long seed) {
        float[] samples = new float[(int) (LONGEST_SECONDS * sampleRate)];
        Random random = new Random(seed);
        double[] modes = modes(kind);
        double noise = noise(kind);
        double high = 0;
        float peak = 0;
        for (int i = 0; i < samples.length; i++) {
            double seconds = i / (double) sampleRate;
            double swing = 0;
            for (int mode = 0; mode < modes.length; mode += 2) {
                swing += Math.sin(2 * Math.PI * modes[mode] * seconds) * Math.pow(10, -3 * seconds / modes[mode + 1]);
            }
            double white = 2 * random.nextDouble() - 1;
            swing += noise * (white - high) * Math.exp(-seconds / NOISE_SECONDS);
            high = white;
            samples[i] = (float) swing;
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        for (int i = 0; i < samples.length && peak > 0; i++) {
            samples[i] *= (float) (PEAK / peak);
        }
        return samples;
    }
}

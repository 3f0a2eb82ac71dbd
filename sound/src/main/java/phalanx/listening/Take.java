package phalanx.listening;

import static phalanx.words.Words.wording;

/**
 * A recording of one channel.
 *
 * @param samples between -1 and 1
 * @param rate samples a second
 */
public record Take(float[] samples, int rate) {
    /** Softer throughout is silence. */
    private static final float SILENT = 0.003f;

    private static final float FULL = 0.999f;
    /** So many samples in a row at the limit are clipped. */
    private static final int CLIPPED_RUN = 3;
    /** More than this share of a take clipped is said. */
    private static final double CLIPPED_SHARE = 0.0005;

    public Take {
        if (rate < 8_000) {
            throw new IllegalArgumentException(wording("Take.samples-a-second-are-too", rate));
        }
    }

    public double seconds() {
        return samples.length / (double) rate;
    }

    /** Whether nothing is to be heard. */
    public boolean isSilent() {
        for (float sample : samples) {
            if (Math.abs(sample) > SILENT) {
                return false;
            }
        }
        return true;
    }

    /** Whether it was recorded too loud. */
    public boolean isClipped() {
        int run = 0;
        long clipped = 0;
        for (float sample : samples) {
            run = Math.abs(sample) >= FULL ? run + 1 : 0;
            clipped += run >= CLIPPED_RUN ? 1 : 0;
        }
        return clipped > CLIPPED_SHARE * samples.length;
    }
}

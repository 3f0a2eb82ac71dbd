package phalanx.sound;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import phalanx.sound.guitar.GuitarSound;

/** Pulls a stretch to its end. */
public final class Rendering {
    private static final int CHUNK = 4096;

    private Rendering() {}

    /**
     * All that is heard of a stretch, what rings on at the end included.
     *
     * @param stretch that ends
     * @return frames of two samples; the first tick is heard in the first frame
     */
    public static float[] of(Performance performance, Transport.Stretch stretch, Mix mix, double speed) {
        Transport transport = new Transport(performance, stretch, mix, speed);
        if (!Double.isFinite(transport.seconds())) {
            throw new IllegalArgumentException(wording("Rendering.an-endless-loop-cannot-be"));
        }
        float[] all = pull(transport);
        return Arrays.copyOfRange(all, 2 * GuitarSound.LEAD, all.length);
    }

    private static float[] pull(SampleSource source) {
        float[] all = new float[2 * CHUNK];
        float[] chunk = new float[2 * CHUNK];
        int length = 0;
        for (int got = CHUNK; got == CHUNK; ) {
            got = source.read(chunk, CHUNK);
            if (length + 2 * got > all.length) {
                all = Arrays.copyOf(all, 2 * all.length);
            }
            System.arraycopy(chunk, 0, all, length, 2 * got);
            length += 2 * got;
        }
        return Arrays.copyOf(all, length);
    }
}

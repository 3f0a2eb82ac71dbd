package phalanx.sound;

/** Samples as 16-bit little-endian PCM. */
final class Pcm {
    private Pcm() {}

    /** The first frames of a buffer, two samples each; what lies beyond -1 and 1 is held there. */
    static byte[] of(float[] samples, int frames) {
        byte[] bytes = new byte[4 * frames];
        for (int i = 0; i < 2 * frames; i++) {
            int value = Math.round(Math.max(-1, Math.min(1, samples[i])) * Short.MAX_VALUE);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        return bytes;
    }
}

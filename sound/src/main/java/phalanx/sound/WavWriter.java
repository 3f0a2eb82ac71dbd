package phalanx.sound;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import phalanx.arrange.score.Arrangement;

/** Writes what an arrangement sounds like as a WAV file: one channel, 16 bits, 44,100 samples a second. */
public final class WavWriter {
    private static final int BITS = 16;

    /** The whole file, at the song's tempo, a sung tune softly with it. */
    public byte[] write(Arrangement arrangement) {
        return write(new Renderer().render(arrangement, 0, arrangement.song().tempo(), true));
    }

    /** The whole file of samples between -1 and 1. */
    byte[] write(float[] samples) {
        byte[] bytes = new byte[2 * samples.length];
        for (int i = 0; i < samples.length; i++) {
            int value = Math.round(Math.max(-1, Math.min(1, samples[i])) * Short.MAX_VALUE);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        AudioFormat format = new AudioFormat(Renderer.SAMPLE_RATE, BITS, 1, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length + 64);
        try (AudioInputStream in = new AudioInputStream(new ByteArrayInputStream(bytes), format, samples.length)) {
            AudioSystem.write(in, AudioFileFormat.Type.WAVE, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}

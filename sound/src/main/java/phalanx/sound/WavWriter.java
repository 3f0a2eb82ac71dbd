package phalanx.sound;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import phalanx.sound.guitar.GuitarSound;

/** Writes what is played as a WAV file: two channels, 16 bits, 44,100 frames a second. */
public final class WavWriter {
    private static final int BITS = 16;

    /** The whole file of a performance at its tempo. */
    public byte[] write(Performance performance, int endTick, Mix mix) {
        float[] samples = Rendering.of(performance, Transport.Stretch.once(0, endTick), mix, 1);
        return write(samples);
    }

    /** The whole file of frames of two samples. */
    byte[] write(float[] samples) {
        byte[] bytes = Pcm.of(samples, samples.length / 2);
        AudioFormat format = new AudioFormat(GuitarSound.RATE, BITS, 2, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length + 64);
        try (AudioInputStream in = new AudioInputStream(new ByteArrayInputStream(bytes), format, samples.length / 2)) {
            AudioSystem.write(in, AudioFileFormat.Type.WAVE, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}

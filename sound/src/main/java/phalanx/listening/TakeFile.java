package phalanx.listening;

import static phalanx.words.Words.wording;

import java.io.File;
import java.io.IOException;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;

/** Reads a take from a WAV file of 8 to 32 bits; several channels are heard together. */
public final class TakeFile {
    /** Longer takes are refused: nobody plays a passage for so long. */
    private static final double LONGEST_SECONDS = 1200;

    private TakeFile() {}

    /** @throws IOException with the reason, if it is no WAV file or cannot be read */
    public static Take read(File file) throws IOException {
        try (AudioInputStream in = AudioSystem.getAudioInputStream(file)) {
            AudioFormat format = in.getFormat();
            int bits = format.getSampleSizeInBits();
            boolean signed = format.getEncoding() == AudioFormat.Encoding.PCM_SIGNED;
            boolean real = format.getEncoding() == AudioFormat.Encoding.PCM_FLOAT && bits == 32;
            boolean bytes = format.getEncoding() == AudioFormat.Encoding.PCM_UNSIGNED && bits == 8;
            if (!real && !bytes && !(signed && (bits == 16 || bits == 24 || bits == 32))) {
                throw new IOException(wording("TakeFile.samples-of-bits-are-not", bits, format.getEncoding()));
            }
            double seconds = in.getFrameLength() / format.getFrameRate();
            if (seconds > LONGEST_SECONDS) {
                throw new IOException(wording("TakeFile.it-is-minutes-long-20", Math.round(seconds / 60)));
            }
            return new Take(mono(in.readAllBytes(), format), Math.round(format.getSampleRate()));
        } catch (UnsupportedAudioFileException e) {
            throw new IOException(wording("TakeFile.it-is-no-wav-file"), e);
        }
    }

    /** The samples of all channels together. */
    static float[] mono(byte[] bytes, AudioFormat format) {
        int size = format.getSampleSizeInBits() / 8;
        int channels = format.getChannels();
        float[] samples = new float[bytes.length / (size * channels)];
        for (int i = 0; i < samples.length; i++) {
            for (int channel = 0; channel < channels; channel++) {
                samples[i] += sample(bytes, (i * channels + channel) * size, size, format) / channels;
            }
        }
        return samples;
    }

    private static float sample(byte[] bytes, int at, int size, AudioFormat format) {
        int value = 0;
        for (int i = 0; i < size; i++) {
            int from = format.isBigEndian() ? at + i : at + size - 1 - i;
            value = value << 8 | bytes[from] & 0xff;
        }
        if (format.getEncoding() == AudioFormat.Encoding.PCM_FLOAT) {
            return Float.intBitsToFloat(value);
        }
        if (size == 1) {
            return (value - 128) / 128f;
        }
        int shift = 32 - 8 * size;
        return (value << shift) / (float) Integer.MAX_VALUE;
    }
}

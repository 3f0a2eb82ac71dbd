package phalanx.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;

class WavWriterTest {
    @Test
    void samplesComeBackToTheLastBit() throws Exception {
        float[] samples = new float[1000];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = (float) Math.sin(i / 7.0);
        }
        samples[0] = 2;
        samples[1] = -2;
        try (AudioInputStream in =
                AudioSystem.getAudioInputStream(new ByteArrayInputStream(new WavWriter().write(samples)))) {
            assertThat(in.getFormat().getSampleRate()).isEqualTo(44_100f);
            assertThat(in.getFormat().getChannels()).isEqualTo(1);
            byte[] bytes = in.readAllBytes();
            assertThat(bytes).hasSize(2 * samples.length);
            for (int i = 0; i < samples.length; i++) {
                int value = (bytes[2 * i] & 0xFF) | bytes[2 * i + 1] << 8;
                float clipped = Math.max(-1, Math.min(1, samples[i]));
                assertThat(value).isEqualTo(Math.round(clipped * 32_767));
            }
        }
    }
}

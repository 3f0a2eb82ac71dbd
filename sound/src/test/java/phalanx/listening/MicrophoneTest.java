package phalanx.listening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;
import org.junit.jupiter.api.Test;

/** Microphones that stand-ins play: this machine has none. */
class MicrophoneTest {
    private final TargetDataLine line = mock(TargetDataLine.class);
    private final AtomicInteger asked = new AtomicInteger();
    private final Microphone microphone = new Microphone(() -> {
        asked.incrementAndGet();
        return Optional.of(line);
    });
    private final CountDownLatch read = new CountDownLatch(4);

    /** Gives the numbers 0, 1, 2 and so on as samples, some at a time; after so many it is gone. */
    private void counts(int most) {
        AtomicInteger next = new AtomicInteger();
        when(line.read(any(), anyInt(), anyInt())).thenAnswer(call -> {
            ByteBuffer out = ByteBuffer.wrap(call.getArgument(0)).order(ByteOrder.LITTLE_ENDIAN);
            int samples = Math.min(most - next.get(), 100);
            for (int i = 0; i < samples; i++) {
                out.putShort((short) next.getAndIncrement());
            }
            read.countDown();
            return 2 * samples;
        });
    }

    @Test
    void nothingIsAskedOfItBeforeItIsSwitchedOn() {
        assertThat(microphone.isOn()).isFalse();
        assertThat(microphone.stop()).isEmpty();
        microphone.off();
        assertThat(asked).hasValue(0);
        verifyNoInteractions(line);
    }

    /** What comes in is a take, sample for sample; the line is closed, and the next time begins with nothing. */
    @Test
    void whatItHearsIsHandedOutOnce() throws Exception {
        counts(300);
        assertThat(microphone.start()).isTrue();
        assertThat(microphone.isOn()).isTrue();
        assertThat(read.await(10, TimeUnit.SECONDS)).isTrue();
        Take take = microphone.stop().orElseThrow();
        assertThat(take.rate()).isEqualTo(44_100);
        assertThat(take.samples()).hasSize(300);
        for (int i = 0; i < 300; i++) {
            assertThat(Math.round(take.samples()[i] * 32768)).isEqualTo(i);
        }
        verify(line).open(Microphone.FORMAT);
        verify(line, timeout(10_000)).close();
        assertThat(microphone.isOn()).isFalse();
        assertThat(microphone.stop()).isEmpty();
        assertThat(microphone.start()).isTrue();
        assertThat(microphone.stop().orElseThrow().samples()).isEmpty();
    }

    @Test
    void whereThereIsNoneItSaysSo() throws Exception {
        assertThat(new Microphone(Optional::empty).start()).isFalse();
        doThrow(new LineUnavailableException("busy")).when(line).open(any());
        assertThat(microphone.start()).isFalse();
        assertThat(microphone.isOn()).isFalse();
        // whatever this machine has
        assertThat(Microphone.ofTheSystem().isOn()).isFalse();
    }
}

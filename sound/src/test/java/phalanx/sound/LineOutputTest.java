package phalanx.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import javax.sound.sampled.SourceDataLine;
import org.junit.jupiter.api.Test;
import phalanx.sound.guitar.GuitarSound;

/** Sound cards that go away while something plays, played by stand-ins: this machine has none to pull out. */
class LineOutputTest {
    private static final long SECOND = 1_000_000_000L;

    private final AtomicLong now = new AtomicLong(7);
    private final AtomicLong frames = new AtomicLong();
    private final AtomicInteger told = new AtomicInteger();
    private final CountDownLatch gone = new CountDownLatch(1);

    /** A card that takes all it is given. */
    private SourceDataLine card() {
        SourceDataLine line = mock(SourceDataLine.class);
        when(line.getLongFramePosition()).thenAnswer(call -> frames.get());
        return line;
    }

    private LineOutput output(SourceDataLine first, Optional<SourceDataLine> next) {
        LineOutput output = new LineOutput(first, () -> next, now::get);
        output.whenAudibleChanges(() -> {
            told.incrementAndGet();
            gone.countDown();
        });
        return output;
    }

    /** Two seconds are heard, then the card takes no more: the clock goes on from there, and a new card is found. */
    @Test
    void aCardThatIsPulledOutIsFollowedByASilentClock() throws InterruptedException {
        SourceDataLine pulled = card();
        AtomicInteger writes = new AtomicInteger();
        when(pulled.write(any(), anyInt(), anyInt())).thenAnswer(call -> {
            if (writes.incrementAndGet() <= 3) {
                frames.set(2L * GuitarSound.RATE);
                return call.getArgument(2);
            }
            return 100;
        });
        SourceDataLine again = card();
        when(again.write(any(), anyInt(), anyInt())).thenAnswer(call -> call.getArgument(2));
        LineOutput output = output(pulled, Optional.of(again));
        assertThat(output.audible()).isTrue();
        output.start((out, wanted) -> wanted);
        assertThat(gone.await(10, TimeUnit.SECONDS)).isTrue();
        assertThat(output.audible()).isFalse();
        assertThat(output.seconds()).isCloseTo(2, within(1e-6));
        now.addAndGet(3 * SECOND);
        assertThat(output.seconds()).isCloseTo(5, within(1e-6));
        assertThat(output.isOver()).isFalse();
        verify(pulled, timeout(10_000)).close();
        output.stop();
        now.addAndGet(SECOND);
        assertThat(output.seconds()).isCloseTo(5, within(1e-6));
        output.start((out, wanted) -> 0);
        assertThat(output.audible()).isTrue();
        assertThat(told).hasValue(2);
        verify(again, timeout(10_000)).drain();
        output.stop();
    }

    /** A card that takes samples and stands still is one that is gone; for a moment it may. */
    @Test
    void aCardThatStandsStillIsGivenUp() throws InterruptedException {
        SourceDataLine stuck = card();
        CountDownLatch never = new CountDownLatch(1);
        when(stuck.write(any(), anyInt(), anyInt())).thenAnswer(call -> {
            never.await();
            return 0;
        });
        LineOutput output = output(stuck, Optional.empty());
        output.start((out, wanted) -> wanted);
        frames.set(GuitarSound.RATE);
        assertThat(output.seconds()).isCloseTo(1, within(1e-6));
        now.addAndGet(2 * SECOND);
        assertThat(output.seconds()).isCloseTo(1, within(1e-6));
        assertThat(output.audible()).isTrue();
        now.addAndGet(2 * SECOND);
        output.seconds();
        assertThat(output.audible()).isFalse();
        now.addAndGet(SECOND / 2);
        assertThat(output.seconds()).isCloseTo(1.5, within(1e-6));
        // no card comes back: the next playback is silent too
        output.start((out, wanted) -> 0);
        assertThat(output.audible()).isFalse();
        assertThat(output.seconds()).isCloseTo(0, within(1e-6));
        now.addAndGet(SECOND / 10);
        assertThat(output.seconds()).isCloseTo(0.1, within(1e-6));
        assertThat(output.isOver()).isTrue();
        assertThat(told).hasValue(1);
        never.countDown();
    }
}

package phalanx.sound;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import phalanx.sound.guitar.GuitarSound;

/**
 * Plays through the default sound card. A daemon thread feeds the line. Where the card goes away while something plays, a
 * silent clock goes on from there; the next start looks for a card again.
 */
public final class LineOutput implements Output {
    private static final AudioFormat FORMAT = new AudioFormat(GuitarSound.RATE, 16, 2, true, false);
    private static final int CHUNK = 1024;
    /** So many chunks wait in the line: 93 ms. */
    private static final int WAITING = 4;
    /** A line that takes samples and does not move for so long is gone. */
    private static final long STUCK_NANOS = 3_000_000_000L;

    private final Supplier<Optional<SourceDataLine>> cards;
    private final LongSupplier nanoTime;
    private final SilentOutput silence;
    private Optional<SourceDataLine> line;
    private Runnable told = () -> {};
    private SampleSource playing;
    private volatile Thread feeder;
    private boolean over;
    private long startFrame;
    private double heard;
    /** What was heard of this playback before its card went. */
    private double before;

    private double lastHeard;
    private long lastMoved;

    /**
     * @param line that is open
     * @param cards opens another one, if there is one
     * @param nanoTime a clock in nanoseconds
     */
    LineOutput(SourceDataLine line, Supplier<Optional<SourceDataLine>> cards, LongSupplier nanoTime) {
        this.line = Optional.of(line);
        this.cards = cards;
        this.nanoTime = nanoTime;
        this.silence = new SilentOutput(nanoTime);
    }

    /** The sound card's output, or a silent clock where there is none. */
    public static Output orSilence() {
        return open().<Output>map(line -> new LineOutput(line, LineOutput::open, System::nanoTime))
                .orElseGet(() -> new SilentOutput(System::nanoTime));
    }

    private static Optional<SourceDataLine> open() {
        try {
            SourceDataLine line = AudioSystem.getSourceDataLine(FORMAT);
            line.open(FORMAT, CHUNK * WAITING * FORMAT.getFrameSize());
            return Optional.of(line);
        } catch (LineUnavailableException | IllegalArgumentException e) {
            // no card: some systems say so with the one exception, some with the other
            return Optional.empty();
        }
    }

    @Override
    public synchronized boolean audible() {
        return line.isPresent();
    }

    @Override
    public synchronized void whenAudibleChanges(Runnable listener) {
        told = listener;
    }

    @Override
    public synchronized void start(SampleSource source) {
        stop();
        over = false;
        before = 0;
        playing = source;
        if (line.isEmpty()) {
            line = cards.get();
            line.ifPresent(found -> told.run());
        }
        if (line.isEmpty()) {
            silence.start(source);
            return;
        }
        SourceDataLine own = line.get();
        startFrame = own.getLongFramePosition();
        lastHeard = 0;
        lastMoved = nanoTime.getAsLong();
        own.start();
        Thread thread = new Thread(() -> feed(own, source), "sound");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        feeder = thread;
        thread.start();
    }

    private void feed(SourceDataLine own, SampleSource source) {
        float[] samples = new float[2 * CHUNK];
        int got = CHUNK;
        while (feeder == Thread.currentThread() && got == CHUNK) {
            got = source.read(samples, CHUNK);
            byte[] bytes = Pcm.of(samples, got);
            // a line that was not stopped and takes less than it is given is gone
            if (own.write(bytes, 0, bytes.length) < bytes.length) {
                loseBy(Thread.currentThread());
                return;
            }
        }
        if (feeder == Thread.currentThread()) {
            own.drain();
            end(Thread.currentThread());
        }
    }

    private synchronized void end(Thread fed) {
        // while the last was heard something else may have begun
        over |= feeder == fed;
    }

    private synchronized void loseBy(Thread fed) {
        if (feeder == fed) {
            lose(position());
        }
    }

    private void lose(double reached) {
        SourceDataLine gone = line.orElseThrow();
        before = Math.max(lastHeard, reached);
        feeder = null;
        line = Optional.empty();
        // closing may wait for a card that does not answer any more
        Thread closing = new Thread(gone::close, wording("LineOutput.sound-card-that-is-gone"));
        closing.setDaemon(true);
        closing.start();
        silence.start(playing);
        told.run();
    }

    @Override
    public synchronized void stop() {
        if (line.isEmpty()) {
            silence.stop();
        } else if (feeder != null) {
            heard = position();
            feeder = null;
            line.get().stop();
            line.get().flush();
        }
    }

    private double position() {
        return (line.orElseThrow().getLongFramePosition() - startFrame) / (double) GuitarSound.RATE;
    }

    @Override
    public synchronized double seconds() {
        if (line.isPresent() && feeder != null && !over) {
            double now = position();
            if (now > lastHeard) {
                lastHeard = now;
                lastMoved = nanoTime.getAsLong();
            } else if (nanoTime.getAsLong() - lastMoved > STUCK_NANOS) {
                lose(now);
            }
        }
        if (line.isEmpty()) {
            return before + silence.seconds();
        }
        return feeder == null ? heard : position();
    }

    @Override
    public synchronized boolean isOver() {
        return line.isEmpty() ? silence.isOver() : over;
    }
}

package phalanx.sound;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import phalanx.sound.guitar.GuitarSound;

/** Plays through the default sound card. A daemon thread feeds the line. */
public final class LineOutput implements Output {
    private static final AudioFormat FORMAT = new AudioFormat(GuitarSound.RATE, 16, 2, true, false);
    private static final int CHUNK = 1024;
    /** So many chunks wait in the line: 93 ms. */
    private static final int WAITING = 4;

    private final SourceDataLine line;
    private volatile Thread feeder;
    private volatile boolean over;
    private long startFrame;
    private double heard;

    private LineOutput(SourceDataLine line) {
        this.line = line;
    }

    /** The sound card's output, or a silent clock where there is none. */
    public static Output orSilence() {
        return open().<Output>map(LineOutput::new).orElseGet(() -> new SilentOutput(System::nanoTime));
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
    public boolean audible() {
        return true;
    }

    @Override
    public void start(SampleSource source) {
        stop();
        startFrame = line.getLongFramePosition();
        over = false;
        line.start();
        Thread thread = new Thread(() -> feed(source), "sound");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        feeder = thread;
        thread.start();
    }

    private void feed(SampleSource source) {
        float[] samples = new float[2 * CHUNK];
        int got = CHUNK;
        while (feeder == Thread.currentThread() && got == CHUNK) {
            got = source.read(samples, CHUNK);
            byte[] bytes = Pcm.of(samples, got);
            line.write(bytes, 0, bytes.length);
        }
        if (feeder == Thread.currentThread()) {
            line.drain();
            // while the last was heard something else may have begun
            over = over || feeder == Thread.currentThread();
        }
    }

    @Override
    public void stop() {
        if (feeder != null) {
            heard = seconds();
            feeder = null;
            line.stop();
            line.flush();
        }
    }

    @Override
    public double seconds() {
        return feeder == null ? heard : (line.getLongFramePosition() - startFrame) / (double) GuitarSound.RATE;
    }

    @Override
    public boolean isOver() {
        return over;
    }
}

package phalanx.sound;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;

/** Plays samples through the default sound card. A daemon thread feeds the line. */
public final class LineOutput implements Output {
    private static final AudioFormat FORMAT = new AudioFormat(Renderer.SAMPLE_RATE, 16, 1, true, false);
    private static final int CHUNK = 2048;

    private final SourceDataLine line;
    private volatile Thread feeder;
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
            line.open(FORMAT, CHUNK * 8);
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
    public void start(float[] samples) {
        stop();
        startFrame = line.getLongFramePosition();
        line.start();
        Thread thread = new Thread(() -> feed(samples), "sound");
        thread.setDaemon(true);
        feeder = thread;
        thread.start();
    }

    private void feed(float[] samples) {
        for (int from = 0; from < samples.length && feeder == Thread.currentThread(); from += CHUNK) {
            byte[] bytes = Renderer.pcm(samples, from, Math.min(samples.length, from + CHUNK));
            line.write(bytes, 0, bytes.length);
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
        return feeder == null ? heard : (line.getLongFramePosition() - startFrame) / (double) Renderer.SAMPLE_RATE;
    }
}

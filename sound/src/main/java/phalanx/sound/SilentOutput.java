package phalanx.sound;

import java.util.function.LongSupplier;
import phalanx.sound.guitar.GuitarSound;

/** A clock where there is no sound card: samples are pulled as they would be heard, and dropped. */
public final class SilentOutput implements Output {
    private static final double NANOS = 1e9;
    private static final int CHUNK = 1024;
    private static final double LONGEST_GAP_SECONDS = 60;

    private final LongSupplier nanoTime;
    private final float[] dropped = new float[2 * CHUNK];
    private SampleSource source;
    private boolean running;
    private boolean over;
    private long startedAt;
    private long pulled;
    private double heard;

    /** @param nanoTime such as {@code System::nanoTime} */
    public SilentOutput(LongSupplier nanoTime) {
        this.nanoTime = nanoTime;
    }

    @Override
    public boolean audible() {
        return false;
    }

    @Override
    public void start(SampleSource newSource) {
        source = newSource;
        startedAt = nanoTime.getAsLong();
        heard = 0;
        pulled = 0;
        over = false;
        running = true;
    }

    @Override
    public void stop() {
        heard = seconds();
        running = false;
    }

    @Override
    public double seconds() {
        if (!running) {
            return heard;
        }
        double seconds = (nanoTime.getAsLong() - startedAt) / NANOS;
        if (!over && seconds * GuitarSound.RATE - pulled > LONGEST_GAP_SECONDS * GuitarSound.RATE) {
            // the machine slept: nothing was heard meanwhile
            double slept = seconds - pulled / (double) GuitarSound.RATE - LONGEST_GAP_SECONDS;
            startedAt += (long) (slept * NANOS);
            seconds -= slept;
        }
        while (!over && pulled < seconds * GuitarSound.RATE) {
            int got = source.read(dropped, CHUNK);
            pulled += got;
            over = got < CHUNK;
        }
        return seconds;
    }

    @Override
    public boolean isOver() {
        return over && seconds() * GuitarSound.RATE >= pulled;
    }
}

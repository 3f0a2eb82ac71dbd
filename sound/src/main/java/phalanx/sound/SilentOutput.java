package phalanx.sound;

import java.util.function.LongSupplier;

/** A clock that keeps time where there is no sound card. */
public final class SilentOutput implements Output {
    private static final double NANOS = 1e9;

    private final LongSupplier nanoTime;
    private boolean running;
    private long startedAt;
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
    public void start(float[] samples) {
        startedAt = nanoTime.getAsLong();
        heard = 0;
        running = true;
    }

    @Override
    public void stop() {
        heard = seconds();
        running = false;
    }

    @Override
    public double seconds() {
        return running ? (nanoTime.getAsLong() - startedAt) / NANOS : heard;
    }
}

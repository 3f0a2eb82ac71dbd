package phalanx.sound;

import java.util.List;

/** Sources one after the other. */
public final class Sequence implements SampleSource {
    private final List<SampleSource> parts;
    private int at;

    public Sequence(List<? extends SampleSource> parts) {
        this.parts = List.copyOf(parts);
    }

    @Override
    public int read(float[] out, int frames) {
        int done = 0;
        while (done < frames && at < parts.size()) {
            float[] some = new float[2 * (frames - done)];
            int got = parts.get(at).read(some, frames - done);
            System.arraycopy(some, 0, out, 2 * done, 2 * got);
            if (got < frames - done) {
                at++;
            }
            done += got;
        }
        return done;
    }
}

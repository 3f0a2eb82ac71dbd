package phalanx.sound;

/** Something samples are pulled from: frames of a left and a right sample between -1 and 1. */
public interface SampleSource {
    /**
     * Fills a buffer from its start.
     *
     * @param out with room for two samples a frame
     * @param frames asked for
     * @return how many were given; fewer only when it is over
     */
    int read(float[] out, int frames);
}

package phalanx.sound;

/** Where samples go, and how far they have been heard. */
public interface Output {
    /** Whether anything can be heard; a silent output only keeps time. */
    boolean audible();

    /** Begins to play the samples from the start; a playback that is running ends. */
    void start(float[] samples);

    /** Stops at once. */
    void stop();

    /** Seconds heard since the start; stands still when stopped. */
    double seconds();
}

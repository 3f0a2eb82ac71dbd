package phalanx.sound;

/** Where samples go, and how far they have been heard. */
public interface Output {
    /** Whether anything can be heard; a silent output only keeps time. */
    boolean audible();

    /** Has a listener told, on any thread, when a sound card goes away or comes back; only the last one is. */
    default void whenAudibleChanges(Runnable listener) {}

    /** Begins to pull samples; a playback that is running ends. */
    void start(SampleSource source);

    /** Stops at once. */
    void stop();

    /** Seconds heard since the start; stands still when stopped. */
    double seconds();

    /** Whether the source is over and all of it was heard. */
    boolean isOver();
}

package phalanx.desktop.session;

import javafx.animation.PauseTransition;
import javafx.beans.value.ObservableBooleanValue;
import javafx.util.Duration;

/**
 * Gives memory back once nothing has been at work for a while: a search through a long song leaves hundreds of megabytes
 * behind, and the machine is the player's, not ours. It takes about a tenth of a second, when nobody waits for it.
 */
public final class Rest {
    private static final Duration AFTER = Duration.seconds(4);
    /** A heap that is smaller is left alone, in bytes. */
    private static final long LARGE = 96L << 20;

    private final PauseTransition pause = new PauseTransition(AFTER);

    /**
     * @param busy whether something is at work
     * @param playing whether the song is heard, which must not stumble
     * @param forget does it, in the background
     */
    public Rest(ObservableBooleanValue busy, ObservableBooleanValue playing, Runnable forget) {
        pause.setOnFinished(event -> {
            if (playing.get()) {
                pause.playFromStart();
            } else if (Runtime.getRuntime().totalMemory() > LARGE) {
                forget.run();
            }
        });
        busy.addListener((property, before, now) -> {
            if (now) {
                pause.stop();
            } else {
                pause.playFromStart();
            }
        });
    }

    /** Does nothing more. */
    public void stop() {
        pause.stop();
    }
}

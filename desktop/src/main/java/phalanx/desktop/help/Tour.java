package phalanx.desktop.help;

import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import phalanx.desktop.widget.Cards;

/**
 * Five steps through the window for a first start, in the bottom line. A step is over when the player has done what it
 * says, or goes on; the tour can be left at any time.
 */
public final class Tour extends HBox {
    private static final double GAP = 12;

    /** What the player does. */
    public enum Step {
        HEAR("This song is a demo, arranged for an average hand. Press space to hear it, and again to stop."),
        SELECT(
                "Click a note, or go with the arrow keys. At the right stands who plays it, how hard it is, and what else"
                        + " could be done."),
        HAND("Tell Phalanx your guitar and your hand: Guitar in the rail, or Ctrl+1. All is arranged anew for them."),
        PRACTISE("Practice, Ctrl+6, builds the song up layer by layer and keeps the record."),
        OPEN("Now yours: Ctrl+O opens a song, Ctrl+N begins one. Ctrl+P shows the pages for the stand, F1 helps"
                + " everywhere.");

        private final String words;

        Step(String words) {
            this.words = words;
        }
    }

    private final Runnable over;
    private final Label words = new Label();
    private final Button next = Cards.button("tour-next", "Next", "The next step of the tour", this::next);
    private int at = -1;

    /** @param over told when the tour ends or is left */
    public Tour(Runnable over) {
        this.over = over;
        setId("tour");
        setSpacing(GAP);
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("tour");
        words.setId("tour-words");
        words.setWrapText(true);
        words.setMinHeight(USE_PREF_SIZE);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        Button leave = Cards.button("tour-leave", "Leave the tour", "Ctrl+F, \"tour\" brings it back", this::leave);
        getChildren().addAll(words, next, leave);
        show();
    }

    public void begin() {
        at = 0;
        show();
    }

    /** Goes on where the player did what the step says. */
    public void did(Step step) {
        if (at == step.ordinal()) {
            next();
        }
    }

    private void next() {
        at++;
        if (at == Step.values().length) {
            leave();
        } else {
            show();
        }
    }

    private void leave() {
        at = -1;
        over.run();
        show();
    }

    private void show() {
        setVisible(at >= 0);
        setManaged(at >= 0);
        if (at >= 0) {
            Step[] steps = Step.values();
            words.setText(String.format(Locale.ROOT, "Tour, %d of %d.  %s", at + 1, steps.length, steps[at].words));
            next.setText(at + 1 < steps.length ? "Next" : "Done");
        }
    }
}

package phalanx.desktop.help;

import static phalanx.words.Words.wording;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import phalanx.desktop.widget.Cards;
import phalanx.words.Words;

/**
 * Five steps through the window for a first start, in the bottom line. A step is over when the player has done what it
 * says, or goes on; the tour can be left at any time.
 */
public final class Tour extends HBox {
    private static final double GAP = 12;

    /** What the player does. */
    public enum Step {
        HEAR,
        SELECT,
        HAND,
        PRACTISE,
        OPEN
    }

    private final Runnable over;
    private final Label words = new Label();
    private final Button next =
            Cards.button("tour-next", wording("Tour.next"), wording("Tour.the-next-step-of-the"), this::next);
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
        Button leave = Cards.button(
                "tour-leave", wording("Tour.leave-the-tour"), wording("Tour.ctrl-f-tour-brings-it"), this::leave);
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
            words.setText(String.format(
                    Words.figures(), wording("Tour.tour-of"), at + 1, steps.length, Words.name(steps[at])));
            next.setText(at + 1 < steps.length ? wording("Tour.next") : wording("Tour.done"));
        }
    }
}

package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.View;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.ChangeDrawing;
import phalanx.desktop.widget.ChangeWords;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Change;
import phalanx.words.Words;

/** The change between two shapes: drawn, and finger by finger in words with the time it needs and has. */
final class ChangeCard extends VBox {
    private final Label title = Cards.heading(wording("ChangeCard.change"));
    private final Label tempo = Cards.quiet("");
    private final ChangeDrawing drawing = new ChangeDrawing();
    private final VBox words = new VBox(2);

    ChangeCard() {
        super(4);
        getStyleClass().add("card");
        setId("change");
        title.setId("change-title");
        title.setWrapText(true);
        title.setMinHeight(Region.USE_PREF_SIZE);
        tempo.setMinWidth(Region.USE_PREF_SIZE);
        tempo.setWrapText(false);
        words.setId("change-moves");
        getChildren().addAll(new HBox(8, title, Cards.space(), tempo), drawing, words);
    }

    /**
     * Shows a change.
     *
     * @param heading from what to what
     * @param change the moves
     * @param instrument the guitar
     * @param songTempo quarter notes a minute
     */
    void show(String heading, Change change, Instrument instrument, double songTempo) {
        title.setText(heading);
        tempo.setText(String.format(Words.figures(), wording("ChangeCard.from-beat-to-beat-at"), songTempo));
        drawing.show(instrument, change);
        words.getChildren().setAll(ChangeWords.lines(change));
    }

    /** Leaves the drawing out, for low windows. */
    void setCompact(boolean compact) {
        drawing.setVisible(!compact);
        drawing.setManaged(!compact);
    }

    /** Shows nothing but why. */
    void showNone(String why) {
        title.setText(wording("ChangeCard.change"));
        tempo.setText("");
        drawing.clear();
        words.getChildren().setAll(Cards.quiet(why));
    }

    void useView(View view) {
        drawing.useView(view);
    }
}

package phalanx.desktop.help;

import static phalanx.words.Words.wording;

import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Veil;

/** What the place where the player is, is for, with its keys and those that go everywhere. */
public final class HelpPanel extends Veil {
    private static final double WIDTH = 760;
    private static final double HEIGHT = 600;
    private static final double KEYS = 240;
    private static final double GAP = 12;

    private final VBox lines = new VBox(GAP);
    private final Button close = Cards.button(
            "help-close", wording("HelpPanel.close-esc"), wording("HelpPanel.go-back-to-where-you"), this::escape);

    public HelpPanel() {
        super("help");
        ScrollPane scroll = new ScrollPane(lines);
        scroll.setId("help-text");
        scroll.setFitToWidth(true);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox card = new VBox(GAP, scroll, close);
        card.getStyleClass().addAll("card", "question");
        card.setPadding(new Insets(GAP * 2));
        card.setMaxSize(WIDTH, HEIGHT);
        getChildren().add(card);
    }

    /** Shows the help for a place. */
    public void show(String place) {
        lines.getChildren().clear();
        HelpText.of(place).ifPresent(this::add);
        HelpText.of(HelpText.EVERYWHERE).ifPresent(this::add);
        open(close);
    }

    private void add(HelpText.Part part) {
        Label words = Cards.quiet(part.words());
        words.setWrapText(true);
        words.setMinHeight(USE_PREF_SIZE);
        GridPane keys = new GridPane();
        keys.setHgap(GAP * 2);
        keys.setVgap(GAP / 2);
        keys.getColumnConstraints().addAll(new ColumnConstraints(KEYS), new ColumnConstraints());
        int row = 0;
        for (HelpText.Keys key : part.keys()) {
            Label name = new Label(key.keys());
            name.getStyleClass().add("help-key");
            name.setWrapText(true);
            name.setMinHeight(USE_PREF_SIZE);
            Label does = Cards.small(key.does());
            does.setMinHeight(USE_PREF_SIZE);
            keys.addRow(row++, name, does);
        }
        lines.getChildren().addAll(Cards.heading(part.place()), words, keys);
    }

    @Override
    public void escape() {
        close();
    }
}

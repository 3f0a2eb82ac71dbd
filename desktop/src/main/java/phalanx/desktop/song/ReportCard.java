package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;

/** What was mended, changed or left out when a file was opened, a line for each; closed when it has been read. */
final class ReportCard extends VBox {
    /** More lines than anybody reads. */
    private static final int MOST_LINES = 40;

    ReportCard() {
        super(6);
        setId("opening-report");
        getStyleClass().add("card");
        managedProperty().bind(visibleProperty());
        setVisible(false);
    }

    /** Shows the lines of a file; nothing where there are none. */
    void show(String file, List<String> lines) {
        getChildren().clear();
        setVisible(!lines.isEmpty());
        if (lines.isEmpty()) {
            return;
        }
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox head = new HBox(
                8,
                Cards.heading(wording("ReportCard.opening", file)),
                space,
                Cards.button(
                        "close-report",
                        wording("ReportCard.close"),
                        wording("ReportCard.put-the-report-away"),
                        () -> setVisible(false)));
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().add(head);
        for (String line : lines.subList(0, Math.min(MOST_LINES, lines.size()))) {
            Label label = new Label(Character.toUpperCase(line.charAt(0)) + line.substring(1) + ".");
            label.setWrapText(true);
            label.setMinHeight(USE_PREF_SIZE);
            getChildren().add(label);
        }
        if (lines.size() > MOST_LINES) {
            getChildren().add(new Label(wording("ReportCard.and-more", lines.size() - MOST_LINES)));
        }
    }
}

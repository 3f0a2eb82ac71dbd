package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import javafx.scene.control.CheckBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Playback;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.project.Project;

/**
 * The guitar station: the neck to scale across the whole width, with what its strings are and pull; below it the strings
 * in the order of retuning, and the hand that plays it.
 */
public final class GuitarStation extends ScrollPane implements Viewed {
    private static final double GAP = 12;
    private static final double HALF = 50;

    private final NeckMap neck = new NeckMap();
    private final CheckBox nodes = new CheckBox(wording("GuitarStation.harmonic-nodes"));
    private final GuitarBar guitar;
    private final RetuneCard retune;
    private final HandCard hand;

    public GuitarStation(Workbench workbench, Playback playback) {
        guitar = new GuitarBar(workbench, () -> neck.showNodes(nodes.isSelected()), nodes);
        retune = new RetuneCard(workbench, playback);
        hand = new HandCard(workbench);
        setId("guitar-station");
        getStyleClass().add("station-scroll");
        VBox neckCard = new VBox(4, guitar, neck);
        neckCard.getStyleClass().add("card");
        GridPane cards = new GridPane();
        cards.setHgap(GAP);
        cards.getColumnConstraints().addAll(half(), half());
        cards.add(filled(retune), 0, 0);
        cards.add(filled(hand), 1, 0);
        VBox content = new VBox(GAP, neckCard, cards);
        content.getStyleClass().add("station-content");
        setContent(content);
        setFitToWidth(true);
        setFocusTraversable(true);
        setAccessibleText(wording("GuitarStation.guitar-measures-strings-retuning-and"));
        setHbarPolicy(ScrollBarPolicy.NEVER);
        WhenShown.follow(this, workbench.projectProperty(), this::show);
    }

    private static ColumnConstraints half() {
        ColumnConstraints column = new ColumnConstraints();
        column.setPercentWidth(HALF);
        return column;
    }

    private static Region filled(Region card) {
        card.setMaxHeight(Double.MAX_VALUE);
        return card;
    }

    private void show(Project before, Project now) {
        if (before != null
                && !before.instrument().tuning().equals(now.instrument().tuning())) {
            retune.retuned(before.instrument().tuning());
        }
        neck.show(now);
        guitar.show(now);
        retune.show(now);
        hand.show(now);
    }

    @Override
    public void useView(View view) {
        neck.useView(view);
        hand.useView(view);
    }
}

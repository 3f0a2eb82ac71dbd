package phalanx.desktop.guitar;

import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Playback;
import phalanx.desktop.Theme;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Themed;
import phalanx.desktop.widget.WhenShown;
import phalanx.project.Project;

/** The guitar station: the neck to scale, its measures, strings and tuning, and the hand that plays it. */
public final class GuitarStation extends ScrollPane implements Themed {
    private static final double CARD_WIDTH = 272;
    private static final double WIDE_CARD_WIDTH = 318;
    private static final double GAP = 12;

    private final NeckMap neck = new NeckMap();
    private final GuitarCard guitar;
    private final StringsCard strings;
    private final RetuneCard retune;
    private final HandCard hand;

    public GuitarStation(Workbench workbench, Playback playback) {
        guitar = new GuitarCard(workbench);
        strings = new StringsCard(workbench);
        retune = new RetuneCard(workbench, playback);
        hand = new HandCard(workbench);
        setId("guitar-station");
        getStyleClass().add("station-scroll");
        VBox neckCard = new VBox(neck);
        neckCard.getStyleClass().add("card");
        FlowPane cards = new FlowPane(
                GAP,
                GAP,
                column(guitar, 224),
                column(strings, CARD_WIDTH),
                column(retune, WIDE_CARD_WIDTH),
                column(hand, CARD_WIDTH));
        VBox content = new VBox(GAP, neckCard, cards);
        content.getStyleClass().add("station-content");
        setContent(content);
        setFitToWidth(true);
        setFocusTraversable(true);
        setAccessibleText("Guitar: measures, strings, retuning and the left hand");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        WhenShown.follow(this, workbench.projectProperty(), this::show);
    }

    /** A card with room below it, so that it is no taller than what it holds. */
    private static Region column(Region card, double width) {
        VBox column = new VBox(card);
        column.setPrefWidth(width);
        column.setMinWidth(width);
        return column;
    }

    private void show(Project before, Project now) {
        if (before != null
                && !before.instrument().tuning().equals(now.instrument().tuning())) {
            retune.retuned(before.instrument().tuning());
        }
        neck.show(now.instrument());
        guitar.show(now);
        strings.show(now);
        retune.show(now);
        hand.show(now);
    }

    @Override
    public void useTheme(Theme theme) {
        neck.useTheme(theme);
    }
}

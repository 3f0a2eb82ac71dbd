package phalanx.desktop.guitar;

import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Playback;
import phalanx.desktop.Project;
import phalanx.desktop.Theme;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Cards;

/** The guitar station: the neck to scale, its measures, strings and tuning, and the hand that plays it. */
public final class GuitarStation extends ScrollPane {
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
        VBox neckCard = Cards.card("The neck, to scale", neck);
        FlowPane cards = new FlowPane(
                GAP,
                GAP,
                width(guitar, 224),
                width(strings, CARD_WIDTH),
                width(retune, WIDE_CARD_WIDTH),
                width(hand, 276));
        VBox content = new VBox(GAP, neckCard, cards);
        content.getStyleClass().add("station-content");
        setContent(content);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        workbench.projectProperty().addListener((property, before, now) -> show(before, now));
    }

    private static Region width(Region card, double width) {
        card.setPrefWidth(width);
        card.setMinWidth(width);
        card.setMaxWidth(width);
        return card;
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

    public void useTheme(Theme theme) {
        neck.useTheme(theme);
    }
}

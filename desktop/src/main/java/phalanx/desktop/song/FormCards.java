package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import phalanx.desktop.widget.Cards;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;

/** The form: a card for each section in the order of playing; one that comes again is played as before or varied. */
final class FormCards extends FlowPane {
    /** More sections go on below. */
    private static final double WIDTH = 230;

    private final IntConsumer goTo;
    private final IntConsumer vary;

    /**
     * @param goTo takes the tick of a section that was chosen
     * @param vary takes the index of one that is to be played otherwise, or as before again
     */
    FormCards(IntConsumer goTo, IntConsumer vary) {
        super(6, 4);
        setPrefWrapLength(WIDTH);
        this.goTo = goTo;
        this.vary = vary;
        setId("form");
        managedProperty().bind(visibleProperty());
    }

    void show(Song song) {
        getChildren().clear();
        setVisible(!song.sections().isEmpty());
        Reprises reprises = new Reprises(song);
        for (int i = 0; i < song.sections().size(); i++) {
            getChildren().add(card(song, i, reprises.comesAgain(i)));
        }
    }

    private HBox card(Song song, int index, boolean again) {
        Section section = song.sections().get(index);
        int end = song.sectionEnd(section.startTick());
        long bars = song.bars().stream()
                .filter(bar -> bar.startTick() >= section.startTick() && bar.startTick() < end)
                .count();
        Button name = Cards.button(
                "section-" + index,
                section.name() + "  " + bars + (bars == 1 ? wording("FormCards.bar") : wording("FormCards.bars")),
                wording("FormCards.go-to-bar", song.barAt(section.startTick()).number()),
                () -> goTo.accept(section.startTick()));
        name.getStyleClass().add("small");
        HBox card = new HBox(2, name);
        if (again) {
            ToggleButton varied =
                    new ToggleButton(section.varied() ? wording("FormCards.varied") : wording("FormCards.as-before"));
            varied.setId("vary-" + index);
            varied.setSelected(section.varied());
            varied.getStyleClass().addAll("plain", "small");
            varied.setTooltip(new Tooltip(wording("FormCards.as-before-held-as-the")));
            varied.setOnAction(event -> vary.accept(index));
            card.getChildren().add(varied);
        }
        return card;
    }

    /** The song with a section varied, or as before again. */
    static Song varied(Song song, int index) {
        List<Section> sections = new ArrayList<>(song.sections());
        Section section = sections.get(index);
        sections.set(index, new Section(section.name(), section.startTick(), !section.varied()));
        return song.withSections(sections);
    }
}

package phalanx.desktop.practice;

import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import phalanx.practice.Step;
import phalanx.righthand.Counting;
import phalanx.song.Bar;

/** The counting words of a bar, the one that is now set off. */
final class CountRow extends HBox {
    private static final PseudoClass NOW = PseudoClass.getPseudoClass("now");

    private List<Counting.Count> shown = List.of();

    CountRow() {
        super(4);
        setId("practice-count");
        setAlignment(Pos.CENTER_LEFT);
        setMinHeight(USE_PREF_SIZE);
    }

    /** The words of a step's bar. */
    void show(Step step, Bar bar) {
        List<Counting.Count> counts = step.counts(bar);
        if (!counts.equals(shown)) {
            shown = counts;
            getChildren()
                    .setAll(counts.stream()
                            .map(count -> {
                                Label word = new Label(count.word());
                                word.getStyleClass().add("practice-count");
                                return word;
                            })
                            .toList());
            setAccessibleText(
                    String.join(" ", counts.stream().map(Counting.Count::word).toList()));
        }
        mark(-1);
    }

    /** Sets off the word that is counted at a tick; none before the first. */
    void mark(int tick) {
        for (int i = 0; i < shown.size(); i++) {
            boolean last = i + 1 == shown.size() || shown.get(i + 1).tick() > tick;
            getChildren().get(i).pseudoClassStateChanged(NOW, shown.get(i).tick() <= tick && last);
        }
    }

    void clear() {
        shown = List.of();
        getChildren().clear();
        setAccessibleText("");
    }
}

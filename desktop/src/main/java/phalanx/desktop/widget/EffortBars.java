package phalanx.desktop.widget;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.desktop.View;
import phalanx.words.Words;

/** The named terms of an effort, a bar each. */
public final class EffortBars extends VBox {
    private static final double LABEL_WIDTH = 138;
    private static final double BAR_LENGTH = 72;
    private static final double BAR_HEIGHT = 10;
    private static final double FULL_BAR = 3;
    /** Terms below it, in hundredths, are shown together. */
    private static final int LEAST_ALONE = 8;
    /** So many terms are shown alone at most: what can be done about them stands below. */
    private static final int MOST_ALONE = 6;

    private static final double HARD = 1.5;
    private static final double NOTABLE = 0.5;

    public EffortBars() {
        super(3);
    }

    /** Shows an effort in the colours of a theme. The figures of the terms add up to the one above them. */
    public void show(Effort effort, View view) {
        int total = (int) Math.round(100 * effort.total());
        getChildren()
                .setAll(Cards.heading(String.format(Words.figures(), wording("EffortBars.effort"), total / 100.0)));
        int rest = 0;
        Map<Term, Integer> terms = hundredths(effort, total);
        int least = terms.values().stream()
                .sorted(Comparator.reverseOrder())
                .skip(MOST_ALONE)
                .findFirst()
                .map(next -> next + 1)
                .orElse(LEAST_ALONE);
        for (Map.Entry<Term, Integer> term : terms.entrySet()) {
            if (term.getValue() >= Math.max(least, LEAST_ALONE)) {
                getChildren().add(line(term.getKey().label(), term.getValue() / 100.0, view));
            } else {
                rest += term.getValue();
            }
        }
        if (rest > 0) {
            getChildren().add(line(wording("EffortBars.smaller-ones"), rest / 100.0, view));
        }
    }

    /** The terms in hundredths, rounded so that they add up to the total: what is over goes to the largest remainders. */
    private static Map<Term, Integer> hundredths(Effort effort, int total) {
        Map<Term, Integer> rounded = new LinkedHashMap<>();
        effort.terms().forEach((term, value) -> rounded.put(term, (int) Math.floor(100 * value)));
        int over = total - rounded.values().stream().mapToInt(Integer::intValue).sum();
        effort.terms().entrySet().stream()
                .sorted(Comparator.comparingDouble(term -> -(100 * term.getValue() % 1)))
                .limit(Math.max(0, over))
                .forEach(term -> rounded.merge(term.getKey(), 1, Integer::sum));
        return rounded;
    }

    private static Node line(String term, double value, View view) {
        Label name = new Label(term);
        name.setPrefWidth(LABEL_WIDTH);
        name.getStyleClass().add("quiet");
        Color colour = view.colour(value > HARD ? "alarm" : value > NOTABLE ? "bass" : "inner");
        Rectangle bar = new Rectangle(Math.max(3, BAR_LENGTH * Math.min(1, value / FULL_BAR)), BAR_HEIGHT, colour);
        Region space = new Region();
        space.setPrefWidth(BAR_LENGTH - bar.getWidth());
        Label figure = new Label(String.format(Words.figures(), "%.2f", value));
        figure.setMinWidth(Region.USE_PREF_SIZE);
        figure.getStyleClass().add("mono");
        HBox line = new HBox(8, name, bar, space, figure);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }
}

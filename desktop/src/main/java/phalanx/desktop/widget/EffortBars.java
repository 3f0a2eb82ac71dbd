package phalanx.desktop.widget;

import java.util.Locale;
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
import phalanx.desktop.Theme;

/** The named terms of an effort, a bar each. */
public final class EffortBars extends VBox {
    private static final double LABEL_WIDTH = 138;
    private static final double BAR_LENGTH = 84;
    private static final double BAR_HEIGHT = 10;
    private static final double FULL_BAR = 3;
    private static final double LEAST_SHOWN = 0.05;
    private static final double HARD = 1.5;
    private static final double NOTABLE = 0.5;

    public EffortBars() {
        super(6);
    }

    /** Shows an effort in the colours of a theme. */
    public void show(Effort effort, Theme theme) {
        getChildren().setAll(Cards.heading(String.format(Locale.ROOT, "Effort %.1f", effort.total())));
        for (Map.Entry<Term, Double> term : effort.terms().entrySet()) {
            if (term.getValue() >= LEAST_SHOWN) {
                getChildren().add(line(term.getKey(), term.getValue(), theme));
            }
        }
    }

    private static Node line(Term term, double value, Theme theme) {
        Label name = new Label(term.label());
        name.setPrefWidth(LABEL_WIDTH);
        name.getStyleClass().add("quiet");
        Color colour = theme.colour(value > HARD ? "alarm" : value > NOTABLE ? "bass" : "inner");
        Rectangle bar = new Rectangle(Math.max(3, BAR_LENGTH * Math.min(1, value / FULL_BAR)), BAR_HEIGHT, colour);
        Region space = new Region();
        space.setPrefWidth(BAR_LENGTH - bar.getWidth());
        Label figure = new Label(String.format(Locale.ROOT, "%.1f", value));
        figure.getStyleClass().add("mono");
        HBox line = new HBox(8, name, bar, space, figure);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }
}

package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.Locale;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import phalanx.desktop.View;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.SilentString;
import phalanx.lefthand.shape.Stretch;
import phalanx.words.Words;

/** One shape among the candidates. */
final class ShapeCard extends VBox {
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");
    private static final PseudoClass MARKED = PseudoClass.getPseudoClass("marked");
    static final double WIDTH = 198;
    private static final double BAR = 48;

    ShapeCard(PricedShape shape, Instrument instrument, Hand hand, View view) {
        getStyleClass().add("shape-card");
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setMaxWidth(WIDTH);
        HeldShape held = new HeldShape(shape.shape(), shape.fingering());
        Label frets = new Label(shape.shape().toString());
        frets.getStyleClass().addAll("mono", "strong-mono");
        if (shape.shape().frets().stream().anyMatch(fret -> fret > 9)) {
            frets.getStyleClass().add("narrow-mono");
        }
        Label effort =
                new Label(String.format(Words.figures(), "%.1f", shape.effort().total()));
        effort.getStyleClass().addAll("mono", "strong-mono");
        Label silent = new Label(silence(held));
        silent.getStyleClass().add("caution");
        getChildren()
                .addAll(
                        new ShapeDrawing(instrument, held, view),
                        new HBox(frets, Cards.space(), effort),
                        reach(shape, instrument, hand, view),
                        silent);
        setAccessibleText(wording("ShapeCard.shape-fingers", shape.shape(), String.join(" ", shape.fingers())));
    }

    private static HBox reach(PricedShape shape, Instrument instrument, Hand hand, View view) {
        double widest = ShapeFinder.widestMm(shape.fingering(), instrument);
        boolean stretched = Stretch.of(shape.fingering().presses(), instrument, hand)
                .filter(Stretch::isStretched)
                .isPresent();
        Label words = new Label(
                String.format(Locale.ROOT, "%.0f mm%s", widest, stretched ? wording("ShapeCard.stretch") : ""));
        words.getStyleClass().add("caution");
        Rectangle ground = new Rectangle(BAR, 7, view.colour("rule"));
        Rectangle bar = new Rectangle(
                Math.max(1, BAR * Math.min(1, widest / hand.spanMm())), 7, view.colour(stretched ? "bass" : "inner"));
        ground.setArcWidth(7);
        ground.setArcHeight(7);
        bar.setArcWidth(7);
        bar.setArcHeight(7);
        StackPane gauge = new StackPane(ground, bar);
        gauge.setAlignment(Pos.CENTER_LEFT);
        gauge.setMinWidth(Region.USE_PREF_SIZE);
        HBox line = new HBox(8, words, Cards.space(), gauge);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private static String silence(HeldShape held) {
        String words = SilentString.of(held).stream().map(SilentString::words).collect(Collectors.joining("; "));
        return words.isEmpty() ? wording("ShapeCard.all-strings-sound") : words;
    }

    void setSelected(boolean selected) {
        pseudoClassStateChanged(SELECTED, selected);
    }

    void setMarked(boolean marked) {
        pseudoClassStateChanged(MARKED, marked);
    }
}

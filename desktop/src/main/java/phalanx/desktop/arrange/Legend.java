package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.TreeSet;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.View;
import phalanx.desktop.widget.Cards;
import phalanx.technique.Attack;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;
import phalanx.words.Words;

/** What the signs in the score mean: those that occur in it. */
final class Legend extends VBox {
    private static final double SIGN = 12;

    private View view;
    private Arrangement shown;
    private boolean pins;

    Legend() {
        super(4);
    }

    /** @param decided whether the player has decided anything */
    void show(Arrangement arrangement, boolean decided, View next) {
        if (arrangement == shown && next == view && decided == pins) {
            return;
        }
        shown = arrangement;
        pins = decided;
        view = next;
        getChildren()
                .setAll(
                        Cards.heading(wording("Legend.in-the-score")),
                        line(new Rectangle(SIGN, SIGN), "bass", wording("Legend.square-bass-with-the-thumb")),
                        line(new Circle(SIGN / 2), "melody", wording("Legend.round-the-tune")),
                        line(new Rectangle(SIGN, 4), "good", wording("Legend.above-the-hand-on-the")),
                        line(new Rectangle(SIGN, 3), "inner", wording("Legend.bare-figure-inner-note-bar")));
        if (decided) {
            getChildren().add(line(new Circle(3.5), "ink", wording("Legend.pin-or-bracket-with-one")));
        }
        if (has(arrangement, Attack.Brush.class)) {
            getChildren().add(line(new Line(0, 0, SIGN / 2, SIGN), "inner", wording("Legend.below-slanted-a-brush")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.UPSTROKE))) {
            getChildren()
                    .add(line(new Line(0, SIGN, SIGN / 2, 0), "bass", wording("Legend.below-a-triangle-the-thumb")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.SNAP))) {
            getChildren().add(line(new Circle(SIGN / 2), "inner", wording("Legend.below-a-dot-with-a")));
        }
        if (arrangement.notes().stream()
                .anyMatch(note -> note.attack() instanceof Attack.Brush brush && brush.nails())) {
            getChildren().add(line(new Line(0, 0, SIGN / 2, SIGN), "inner", wording("Legend.below-two-slanted-lines")));
        }
        String slurs = arrangement.slurred().keySet().stream()
                .map(ArrangedNote::attack)
                .map(Attack.Slur.class::cast)
                .map(Attack.Slur::kind)
                .distinct()
                .sorted()
                .map(Legend::words)
                .collect(Collectors.joining(", "));
        if (!slurs.isEmpty()) {
            getChildren()
                    .add(line(
                            new Line(0, SIGN / 2, SIGN, SIGN / 2), "ink", wording("Legend.arc-not-plucked-s", slurs)));
        }
        if (has(arrangement, Attack.Graced.class)) {
            getChildren().add(line(new Circle(SIGN / 4), "ink", wording("Legend.small-figures-before")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.ARRIVED))) {
            getChildren()
                    .add(line(new Line(0, SIGN, SIGN, 0), "ink", wording("Legend.slant-before-slid-to-then-plucked")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.CURL))) {
            getChildren().add(line(new Line(0, SIGN, SIGN / 2, 0), "ink", wording("Legend.arrow-up-bent-by-a")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.VIBRATO))) {
            getChildren().add(line(new Line(0, SIGN / 2, SIGN, SIGN / 2), "ink", wording("Legend.wave-vibrato")));
        }
        if (arrangement.notes().stream().anyMatch(note -> isNatural(note, true))) {
            getChildren().add(line(diamond(), "good", wording("Legend.diamond-harmonic-the-left-hand")));
        }
        if (arrangement.notes().stream().anyMatch(note -> isNatural(note, false))) {
            getChildren().add(line(diamond(), "good", wording("Legend.diamond-p-or-a-below")));
        }
        arrangement.notes().stream()
                .filter(note -> note.fret() > 0)
                .map(ArrangedNote::attack)
                .filter(attack -> attack instanceof Attack.Touched touched && !touched.slapped())
                .map(attack -> ((Attack.Touched) attack).node())
                .distinct()
                .sorted()
                .map(node -> String.format(
                        Words.figures(),
                        wording("Legend.diamond-index-touches-frets-above"),
                        node.frets(),
                        node.nearest()))
                .forEach(words -> getChildren().add(line(diamond(), "good", words)));
        TreeSet<HitKind> hits = new TreeSet<>();
        arrangement.hits().forEach(hit -> hits.add(hit.kind()));
        if (!hits.isEmpty()) {
            String words = hits.stream()
                    .map(kind -> kind.letter() + " " + kind.label())
                    .collect(Collectors.joining(", "));
            getChildren().add(line(new Rectangle(SIGN, SIGN), "alarm", wording("Legend.hit", words)));
        }
    }

    private static boolean isNatural(ArrangedNote note, boolean left) {
        return note.fret() == 0
                && note.attack() instanceof Attack.Touched touched
                && !touched.slapped()
                && touched.left() == left;
    }

    private static Shape diamond() {
        double half = SIGN / 2;
        return new Polygon(half, 0, SIGN, half, half, SIGN, 0, half);
    }

    private static String words(SlurKind kind) {
        return kind.sign() + " " + kind.label();
    }

    private static boolean has(Arrangement arrangement, Class<? extends Attack> kind) {
        return arrangement.notes().stream().anyMatch(note -> kind.isInstance(note.attack()));
    }

    private HBox line(Shape sign, String token, String words) {
        sign.setFill(view.colour(token));
        if (sign instanceof Line) {
            sign.setStroke(view.colour(token));
            sign.setStrokeWidth(2.5);
        }
        StackPane place = new StackPane(sign);
        place.setMinWidth(SIGN + 6);
        Label text = new Label(words);
        text.setWrapText(true);
        text.getStyleClass().add("caution");
        HBox line = new HBox(8, place, text);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }
}

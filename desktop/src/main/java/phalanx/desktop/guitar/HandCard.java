package phalanx.desktop.guitar;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Chip;
import phalanx.desktop.widget.ChoiceEditor;
import phalanx.guitar.Hand;
import phalanx.guitar.Reach;
import phalanx.project.Project;

/** The left hand: measured on a picture of the neck, the thumb, what is hard for it, how fast it is. */
final class HandCard extends VBox {
    private static final double SECOND_COLUMN = 40;
    private static final double[] WORK = {0.7, 1, 1.5, 2, 3};

    private final Workbench workbench;
    private final HandPicture picture = new HandPicture((ring, little) -> showMeasure());
    private final GridPane pairs = new GridPane();
    private final Button use;
    private final Chip thumb = new Chip("thumb", "thumb", "Where the thumb may press over the edge of the neck");
    private final MeasureChip span;
    private final MeasureChip littleEffort;
    private final MeasureChip barreEffort;
    private final MeasureChip reaction;
    private final MeasureChip difficulty;
    private Optional<Project> shown = Optional.empty();

    HandCard(Workbench workbench) {
        this.workbench = workbench;
        pairs.setId("pairs");
        pairs.setHgap(10);
        pairs.setVgap(2);
        span = measure(
                "span",
                "1 to 4 reach",
                "mm",
                "greatest reach of fingers 1 to 4 along a string, 60 to 220 mm",
                new double[] {105, 115, 125, 135},
                (hand, mm) -> hand.withReach(new Reach(mm, hand.reach().measuredMm())));
        littleEffort = measure(
                "little-effort",
                "finger 4 works",
                "\u00d7",
                "work of finger 4: 1 is average; more makes the engine spare it",
                WORK,
                (hand, factor) ->
                        hand.withComfort(new Hand.Comfort(factor, hand.comfort().barre())));
        barreEffort = measure(
                "barre-effort",
                "a barre works",
                "\u00d7",
                "work of a barre: 1 is average; more makes the engine avoid it",
                WORK,
                (hand, factor) ->
                        hand.withComfort(new Hand.Comfort(hand.comfort().littleFinger(), factor)));
        reaction = measure(
                "reaction",
                "to start a move",
                "ms",
                "what a finger needs before it travels",
                new double[] {40, 50, 70, 100},
                (hand, ms) -> hand.withSpeed(new Hand.Speed(ms, hand.speed().difficultyMs())));
        difficulty = measure(
                "difficulty",
                "twice the way",
                "ms",
                "how much longer twice the way takes",
                new double[] {45, 60, 80, 110},
                (hand, ms) -> hand.withSpeed(new Hand.Speed(hand.speed().reactionMs(), ms)));
        thumb.getStyleClass().add("measure");
        thumb.setEditor(this::thumbs);
        use = Cards.button("measure", "Use", "Take the reach from these frets", this::measure);
        use.setMaxWidth(Double.MAX_VALUE);
        getStyleClass().add("card");
        setSpacing(8);
        HBox.setHgrow(picture, Priority.ALWAYS);
        VBox limits = new VBox(8, Cards.before("reach in mm"), pairs, use);
        limits.setMinWidth(Region.USE_PREF_SIZE);
        HBox both = new HBox(16, picture, limits);
        FlowPane chips = new FlowPane(
                8, 8, thumb, span.chip(), littleEffort.chip(), barreEffort.chip(), reaction.chip(), difficulty.chip());
        getChildren()
                .addAll(
                        Cards.heading("Your left hand"),
                        Cards.quiet("Lay finger 1 on fret " + HandPicture.INDEX_FRET
                                + " of string 3. Drag 3 and 4 to the highest fret that each reaches without pain."),
                        both,
                        chips,
                        Cards.caution("Measure with a warm hand and an easy wrist; stretch shapes ask for the same. "
                                + "Aching means stop for now; pain, numbness or tingling means see a clinician."));
    }

    private interface Measure {
        Hand apply(Hand hand, double value);
    }

    private MeasureChip measure(String id, String name, String unit, String help, double[] usual, Measure measure) {
        return new MeasureChip(id, name, unit, help, usual, workbench, value -> {
            // an impossible hand is refused here, before anything is changed
            workbench.project().ifPresent(project -> measure.apply(project.hand(), value));
            change(hand -> measure.apply(hand, value), name + " " + MeasureChip.number(value) + " " + unit);
        });
    }

    private void change(UnaryOperator<Hand> change, String what) {
        workbench.setHand(change, what);
    }

    private Node thumbs() {
        List<Hand.Thumb> choices = List.of(Hand.Thumb.values());
        ChoiceEditor editor = new ChoiceEditor(
                "the thumb",
                shown.map(project -> project.hand().thumb().label()).orElse(""),
                text -> choices.stream()
                        .filter(choice -> choice.label().equals(text.trim()))
                        .findFirst()
                        .ifPresentOrElse(
                                choice -> {
                                    thumb.close();
                                    change(hand -> hand.withThumb(choice), "thumb " + choice.label());
                                },
                                () -> workbench.say(Message.error(
                                        "\"" + text + "\" is none of the choices. Nothing was changed."))));
        choices.forEach(choice -> editor.addChoice(choice.label(), choice.label()));
        return editor;
    }

    private void measure() {
        measured().ifPresent(reach -> change(hand -> hand.withReach(reach), "reach as measured"));
    }

    private Optional<Reach> measured() {
        return shown.flatMap(project -> {
            try {
                return Optional.of(
                        Reach.measured(project.instrument(), HandPicture.INDEX_FRET, picture.ring(), picture.little()));
            } catch (IllegalArgumentException e) {
                workbench.say(Message.error(e.getMessage() + ". Nothing was changed."));
                return Optional.empty();
            }
        });
    }

    private void showMeasure() {
        shown.ifPresent(project -> {
            double index = project.instrument().alongMm(HandPicture.INDEX_FRET);
            use.setText(String.format(
                    Locale.ROOT,
                    "Use %.0f and %.0f mm",
                    project.instrument().alongMm(picture.ring()) - index,
                    project.instrument().alongMm(picture.little()) - index));
        });
    }

    void show(Project project) {
        shown = Optional.of(project);
        Hand hand = project.hand();
        picture.show(project.instrument());
        showMeasure();
        thumb.valueProperty().set(hand.thumb().label());
        span.show(hand.spanMm());
        littleEffort.show(hand.comfort().littleFinger());
        barreEffort.show(hand.comfort().barre());
        reaction.show(hand.speed().reactionMs());
        difficulty.show(hand.speed().difficultyMs());
        pairs.getChildren().clear();
        int half = Reach.PAIRS.size() / 2;
        for (int i = 0; i < Reach.PAIRS.size(); i++) {
            Reach.Pair pair = Reach.PAIRS.get(i);
            boolean measured = hand.reach().measuredMm().containsKey(pair);
            Label name = new Label(pair.low() + "-" + pair.high());
            name.getStyleClass().addAll("mono", "quiet");
            Label mm = new Label(String.format(Locale.ROOT, "%.0f", hand.greatestMm(pair)));
            mm.getStyleClass().addAll(measured ? "strong-mono" : "mono");
            mm.setAccessibleText(
                    name.getText() + " " + mm.getText() + " mm, " + (measured ? "measured" : "our assumption"));
            mm.setTooltip(new Tooltip(measured ? "as measured" : "not measured: our assumption, in proportion to 1-4"));
            GridPane.setHalignment(mm, HPos.RIGHT);
            name.setMinWidth(i < half ? 0 : SECOND_COLUMN);
            pairs.add(name, 2 * (i / half), i % half);
            pairs.add(mm, 2 * (i / half) + 1, i % half);
        }
    }

    void useView(View view) {
        picture.useView(view);
    }
}

package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

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
import phalanx.words.Words;

/** The left hand: measured on a picture of the neck, the thumb, what is hard for it, how fast it is. */
final class HandCard extends VBox {
    private static final double SECOND_COLUMN = 40;
    private static final double[] WORK = {0.7, 1, 1.5, 2, 3};

    private final Workbench workbench;
    private final HandPicture picture = new HandPicture((ring, little) -> showMeasure());
    private final GridPane pairs = new GridPane();
    private final Button use;
    private final Chip thumb =
            new Chip("thumb", wording("HandCard.thumb-word"), wording("HandCard.where-the-thumb-may-press"));
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
                wording("HandCard.1-to-4-reach"),
                "mm",
                wording("HandCard.greatest-reach-of-fingers-1"),
                new double[] {105, 115, 125, 135},
                (hand, mm) -> hand.withReach(new Reach(mm, hand.reach().measuredMm())));
        littleEffort = measure(
                "little-effort",
                wording("HandCard.finger-4-works"),
                "\u00d7",
                wording("HandCard.work-of-finger-4-1"),
                WORK,
                (hand, factor) ->
                        hand.withComfort(new Hand.Comfort(factor, hand.comfort().barre())));
        barreEffort = measure(
                "barre-effort",
                wording("HandCard.a-barre-works"),
                "\u00d7",
                wording("HandCard.work-of-a-barre-1"),
                WORK,
                (hand, factor) ->
                        hand.withComfort(new Hand.Comfort(hand.comfort().littleFinger(), factor)));
        reaction = measure(
                "reaction",
                wording("HandCard.to-start-a-move"),
                "ms",
                wording("HandCard.what-a-finger-needs-before"),
                new double[] {40, 50, 70, 100},
                (hand, ms) -> hand.withSpeed(new Hand.Speed(ms, hand.speed().difficultyMs())));
        difficulty = measure(
                "difficulty",
                wording("HandCard.twice-the-way"),
                "ms",
                wording("HandCard.how-much-longer-twice-the"),
                new double[] {45, 60, 80, 110},
                (hand, ms) -> hand.withSpeed(new Hand.Speed(hand.speed().reactionMs(), ms)));
        thumb.getStyleClass().add("measure");
        thumb.setEditor(this::thumbs);
        use = Cards.button(
                "measure", wording("HandCard.use"), wording("HandCard.take-the-reach-from-these"), this::measure);
        use.setMaxWidth(Double.MAX_VALUE);
        getStyleClass().add("card");
        setSpacing(8);
        HBox.setHgrow(picture, Priority.ALWAYS);
        VBox limits = new VBox(8, Cards.before(wording("HandCard.reach-in-mm")), pairs, use);
        limits.setMinWidth(Region.USE_PREF_SIZE);
        HBox both = new HBox(16, picture, limits);
        FlowPane chips = new FlowPane(
                8, 8, thumb, span.chip(), littleEffort.chip(), barreEffort.chip(), reaction.chip(), difficulty.chip());
        getChildren()
                .addAll(
                        Cards.heading(wording("HandCard.your-left-hand")),
                        Cards.quiet(wording("HandCard.lay-finger-1-on-fret", HandPicture.INDEX_FRET)),
                        both,
                        chips,
                        Cards.caution(wording("HandCard.measure-with-a-warm-hand")));
    }

    private interface Measure {
        Hand apply(Hand hand, double value);
    }

    private MeasureChip measure(String id, String name, String unit, String help, double[] usual, Measure measure) {
        return new MeasureChip(id, name, unit, help, usual, workbench, value -> {
            // an impossible hand is refused here, before anything is changed
            workbench.project().ifPresent(project -> measure.apply(project.hand(), value));
            change(hand -> measure.apply(hand, value), name + " " + Words.figure(value) + " " + unit);
        });
    }

    private void change(UnaryOperator<Hand> change, String what) {
        workbench.setHand(change, what);
    }

    private Node thumbs() {
        List<Hand.Thumb> choices = List.of(Hand.Thumb.values());
        ChoiceEditor editor = new ChoiceEditor(
                wording("HandCard.the-thumb"),
                shown.map(project -> project.hand().thumb().label()).orElse(""),
                text -> choices.stream()
                        .filter(choice -> choice.label().equals(text.trim()))
                        .findFirst()
                        .ifPresentOrElse(
                                choice -> {
                                    thumb.close();
                                    change(hand -> hand.withThumb(choice), wording("HandCard.thumb", choice.label()));
                                },
                                () -> workbench.say(Message.error(wording("HandCard.is-none-of-the-choices", text)))));
        choices.forEach(choice -> editor.addChoice(choice.label(), choice.label()));
        return editor;
    }

    private void measure() {
        measured().ifPresent(reach -> change(hand -> hand.withReach(reach), wording("HandCard.reach-as-measured")));
    }

    private Optional<Reach> measured() {
        return shown.flatMap(project -> {
            try {
                return Optional.of(
                        Reach.measured(project.instrument(), HandPicture.INDEX_FRET, picture.ring(), picture.little()));
            } catch (IllegalArgumentException e) {
                workbench.say(Message.error(wording("HandCard.nothing-was-changed", e.getMessage())));
                return Optional.empty();
            }
        });
    }

    private void showMeasure() {
        shown.ifPresent(project -> {
            double index = project.instrument().alongMm(HandPicture.INDEX_FRET);
            use.setText(String.format(
                    Words.figures(),
                    wording("HandCard.use-and-mm"),
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
            mm.setAccessibleText(name.getText() + " " + mm.getText() + " mm, "
                    + (measured ? wording("HandCard.measured") : wording("HandCard.our-assumption")));
            mm.setTooltip(new Tooltip(
                    measured ? wording("HandCard.as-measured") : wording("HandCard.not-measured-our-assumption-in")));
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

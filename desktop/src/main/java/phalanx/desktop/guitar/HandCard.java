package phalanx.desktop.guitar;

import java.util.Arrays;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.NumberField;
import phalanx.guitar.Hand;
import phalanx.guitar.Reach;
import phalanx.project.Project;

/** The left hand: two measurements at the guitar, the thumb, what is hard for it, how fast it is. */
final class HandCard extends VBox {
    private static final int INDEX_FRET = 5;
    private static final int USUAL_RING = 8;
    private static final int USUAL_LITTLE = 9;

    private final Workbench workbench;
    private final NumberField ring =
            new NumberField("ring-fret", "finger 3 reaches fret", "", "Highest fret without pain", fret -> {});
    private final NumberField little =
            new NumberField("little-fret", "finger 4 reaches fret", "", "Highest fret without pain", fret -> {});
    private final Label pairs = Cards.quiet("");
    private final ComboBox<String> thumb = new ComboBox<>();
    private final NumberField span;
    private final NumberField littleEffort;
    private final NumberField barreEffort;
    private final NumberField reaction;
    private final NumberField difficulty;
    private boolean showing;

    HandCard(Workbench workbench) {
        this.workbench = workbench;
        pairs.setId("pairs");
        span = new NumberField(
                "span",
                "fingers 1 to 4 reach",
                "mm",
                "Greatest reach along a string, 60 to 220 mm",
                mm -> change(
                        hand -> hand.withReach(new Reach(mm, hand.reach().measuredMm())), "reach of fingers 1 to 4"));
        littleEffort = new NumberField(
                "little-effort",
                "work of finger 4",
                "times",
                "1 is average; more makes the engine spare it",
                factor -> change(
                        hand -> hand.withComfort(
                                new Hand.Comfort(factor, hand.comfort().barre())),
                        "work of finger 4"));
        barreEffort = new NumberField(
                "barre-effort",
                "work of a barre",
                "times",
                "1 is average; more makes the engine avoid barres",
                factor -> change(
                        hand -> hand.withComfort(new Hand.Comfort(hand.comfort().littleFinger(), factor)),
                        "work of a barre"));
        reaction = new NumberField(
                "reaction",
                "time to start a move",
                "ms",
                "What a finger needs before it travels",
                ms -> change(
                        hand -> hand.withSpeed(new Hand.Speed(ms, hand.speed().difficultyMs())),
                        "time to start a move"));
        difficulty = new NumberField(
                "difficulty",
                "for each doubling of the way",
                "ms",
                "How much longer twice the way takes",
                ms -> change(
                        hand -> hand.withSpeed(new Hand.Speed(hand.speed().reactionMs(), ms)), "time for the way"));
        thumb.setId("thumb");
        thumb.setMaxWidth(Double.MAX_VALUE);
        thumb.setAccessibleText("Thumb over the neck");
        Arrays.stream(Hand.Thumb.values())
                .map(choice -> "thumb " + choice.label())
                .forEach(thumb.getItems()::add);
        thumb.setOnAction(event -> chooseThumb());
        ring.show(USUAL_RING);
        little.show(USUAL_LITTLE);
        getStyleClass().add("card");
        setSpacing(8);
        getChildren()
                .addAll(
                        Cards.heading("Left hand"),
                        Cards.quiet("Lay finger 1 on fret " + INDEX_FRET
                                + " of string 3. Which is the highest fret that fingers 3 and 4 reach"
                                + " on that string without pain?"),
                        ring,
                        little,
                        Cards.button(
                                "measure",
                                "Use these two measurements",
                                "Take the reach from these frets",
                                this::measure),
                        pairs,
                        span,
                        thumb,
                        littleEffort,
                        barreEffort,
                        reaction,
                        difficulty,
                        Cards.caution(
                                "Measure with a warm hand and an easy wrist. Aching means stop for now; pain, numbness"
                                        + " or tingling means see a clinician."));
    }

    private void change(UnaryOperator<Hand> change, String what) {
        workbench.setHand(change, what);
        workbench.project().ifPresent(this::show);
    }

    private void chooseThumb() {
        int index = thumb.getSelectionModel().getSelectedIndex();
        if (!showing && index >= 0) {
            Hand.Thumb choice = Hand.Thumb.values()[index];
            change(hand -> hand.withThumb(choice), "thumb " + choice.label());
        }
    }

    private void measure() {
        workbench.project().ifPresent(project -> {
            try {
                Reach reach =
                        Reach.measured(project.instrument(), INDEX_FRET, (int) ring.value(), (int) little.value());
                change(hand -> hand.withReach(reach), "reach as measured");
            } catch (IllegalArgumentException e) {
                workbench.say(Message.error(e.getMessage() + ". Nothing was changed."));
            }
        });
    }

    void show(Project project) {
        Hand hand = project.hand();
        showing = true;
        thumb.getSelectionModel().select(hand.thumb().ordinal());
        showing = false;
        span.show(hand.spanMm());
        littleEffort.show(hand.comfort().littleFinger());
        barreEffort.show(hand.comfort().barre());
        reaction.show(hand.speed().reactionMs());
        difficulty.show(hand.speed().difficultyMs());
        String limits = Reach.PAIRS.stream()
                .map(pair -> String.format(
                        Locale.ROOT,
                        "%d-%d %.0f%s",
                        pair.low(),
                        pair.high(),
                        hand.greatestMm(pair),
                        hand.reach().measuredMm().containsKey(pair) ? " measured" : ""))
                .collect(Collectors.joining(",  "));
        pairs.setText("Reach in mm: " + limits + ". What was not measured is our assumption, in proportion to 1-4.");
    }
}

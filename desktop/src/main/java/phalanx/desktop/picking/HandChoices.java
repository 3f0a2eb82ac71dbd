package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.Wishes;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Choices;
import phalanx.desktop.widget.NumberField;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.righthand.PlantingChart;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.HitKind;

/** What the player chooses for the hand and the thumb. */
final class HandChoices extends VBox {
    private static final double GAP = 6;

    private final ComboBox<School> school = box("school", School.values(), School::label);
    private final ComboBox<HandPlace> place = box("hand-place", HandPlace.values(), HandPlace::label);
    private final ComboBox<BassLine> bass = box("bass-line", BassLine.values(), BassLine::label);
    private final ComboBox<BassStrings> strings = box("bass-strings", BassStrings.values(), BassStrings::label);
    private final ComboBox<Level> level = box("plan-level", Level.values(), Level::label);
    private final ComboBox<Optional<Groove>> groove = new ComboBox<>();
    private final ComboBox<PlantingChart.Manner> planting =
            box("planting", PlantingChart.Manner.values(), PlantingChart.Manner::label);
    private final ComboBox<Holding> hold = box("hold", Holding.values(), Holding::label);
    private final CheckBox ends = new CheckBox(wording("HandChoices.phrases-end-fuller"));
    private final CheckBox slurs = new CheckBox(wording("HandChoices.slurs-where-they-help"));
    private final Label bassWords = Cards.small("");
    private final NumberField repeats;
    private final NumberField rolls;
    private final NumberField ups;
    private boolean showing;

    /** What choices are told to. */
    interface Listener {
        void school(School chosen);

        void place(HandPlace chosen);

        void speeds(UnaryOperator<Speeds> change);

        /** Bass line, level or groove has changed. */
        void plan();

        void planting();

        void hold(Holding chosen);

        void fullEnds(boolean full);

        void slurs(boolean wanted);
    }

    HandChoices(Listener listener) {
        super(GAP);
        getStyleClass().add("card");
        List<Optional<Groove>> grooves = new ArrayList<>(List.of(Optional.empty()));
        Grooves.shipped().all().forEach(one -> grooves.add(Optional.of(one)));
        groove.setAccessibleText(wording("HandChoices.groove"));
        fill(groove, "groove", grooves, one -> one.map(own -> own.label() + "  " + own.meter())
                .orElse(wording("HandChoices.none")));
        planting.setValue(PlantingChart.Manner.FULL);
        repeats = new NumberField(
                "repeats",
                wording("HandChoices.one-digit"),
                "/s",
                wording("HandChoices.how-often-one-digit-plucks"),
                value -> listener.speeds(now -> now.withRepeats(value)));
        rolls = new NumberField(
                "rolls",
                wording("HandChoices.a-roll"),
                "/s",
                wording("HandChoices.how-fast-different-digits-follow"),
                value -> listener.speeds(now -> now.withRoll(value)));
        ups = new NumberField(
                "upstrokes",
                wording("HandChoices.thumb-up"),
                "/s",
                wording("HandChoices.how-soon-the-thumb-s"),
                value -> listener.speeds(now -> now.withUp(value)));
        getChildren()
                .addAll(
                        Cards.heading(wording("HandChoices.hand")),
                        named(wording("HandChoices.school"), school),
                        named(wording("HandChoices.where-it-rests"), place),
                        named(wording("HandChoices.planting-shown"), planting),
                        repeats,
                        rolls,
                        ups,
                        Cards.heading(wording("HandChoices.thumb-and-level")),
                        named(wording("HandChoices.bass-line"), bass),
                        named(wording("HandChoices.the-thumb-s-other-string"), strings),
                        named(wording("HandChoices.level-how-much-is-played"), level),
                        bassWords,
                        Cards.heading(wording("HandChoices.what-stays-down")),
                        hold,
                        ends,
                        slurs,
                        Cards.heading(wording("HandChoices.keys-in-the-grid")),
                        Cards.small(wording("HandChoices.x-stroke-p-i-m", HitKind.legend())));
        listen(school, listener::school);
        listen(place, listener::place);
        listen(bass, chosen -> listener.plan());
        listen(strings, chosen -> listener.plan());
        listen(level, chosen -> listener.plan());
        listen(groove, chosen -> listener.plan());
        listen(planting, chosen -> listener.planting());
        listen(hold, listener::hold);
        hold.setAccessibleText(wording("HandChoices.what-stays-down"));
        slurs.setId("slurs");
        slurs.setTooltip(new Tooltip(wording("HandChoices.where-the-left-hand-can")));
        slurs.setOnAction(event -> listener.slurs(slurs.isSelected()));
        ends.setId("full-ends");
        ends.setOnAction(event -> listener.fullEnds(ends.isSelected()));
    }

    private static VBox named(String words, ComboBox<?> box) {
        box.setAccessibleText(words);
        return new VBox(GAP, Cards.small(words), box);
    }

    private static <T> ComboBox<T> box(String id, T[] values, Function<T, String> label) {
        ComboBox<T> box = new ComboBox<>();
        fill(box, id, List.of(values), label);
        return box;
    }

    private static <T> void fill(ComboBox<T> box, String id, List<T> values, Function<T, String> label) {
        box.setId(id);
        box.getItems().setAll(values);
        box.setMaxWidth(Double.MAX_VALUE);
        Choices.shownAs(box, label);
    }

    private <T> void listen(ComboBox<T> box, Consumer<T> listener) {
        box.valueProperty().addListener((property, before, now) -> {
            if (!showing && now != null && before != null) {
                listener.accept(now);
            }
        });
    }

    void show(Picking picking, Picking.Plan plan, Wishes wishes) {
        showing = true;
        school.setValue(picking.school());
        repeats.show(picking.speeds().repeatsASecond());
        rolls.show(picking.speeds().rollASecond());
        ups.show(picking.speeds().upASecond());
        place.setValue(picking.place());
        bass.setValue(plan.bass());
        bassWords.setText(plan.bass().label() + ": " + plan.bass().words());
        strings.setValue(plan.strings());
        level.setValue(plan.level());
        if (!groove.getItems().contains(plan.groove())) {
            // one of the player's own, from the project
            groove.getItems().add(plan.groove());
        }
        groove.setValue(plan.groove());
        hold.setValue(wishes.holding());
        ends.setSelected(wishes.fullEnds());
        slurs.setSelected(wishes.slurs());
        showing = false;
    }

    BassLine bass() {
        return bass.getValue();
    }

    BassStrings strings() {
        return strings.getValue();
    }

    Level level() {
        return level.getValue();
    }

    /** The choice of a groove, for where the pattern is put on. */
    ComboBox<Optional<Groove>> grooves() {
        return groove;
    }

    Optional<Groove> groove() {
        return groove.getValue();
    }

    PlantingChart.Manner planting() {
        return planting.getValue();
    }
}

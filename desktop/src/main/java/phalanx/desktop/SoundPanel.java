package phalanx.desktop;

import static phalanx.words.Words.wording;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Choices;
import phalanx.sound.Layer;

/** How it is played: speed, loop, count-in, and how loud each layer is. Count-in and faster rounds hold from the next start on. */
final class SoundPanel extends VBox {
    private static final double WIDTH = 360;
    private static final double GAP = 8;
    private static final int[] SPEEDS = {30, 50, 60, 70, 80, 90, 100, 120, 150};

    private final Playback playback;
    private final Label speed = Cards.heading("");
    private final GridPane layers = new GridPane();

    SoundPanel(Playback playback) {
        this.playback = playback;
        getStyleClass().add("editor");
        setId("sound-panel");
        setPrefWidth(WIDTH);
        setSpacing(GAP);
        speed.setId("speed-now");
        FlowPane speeds = new FlowPane(4, 4);
        for (int percent : SPEEDS) {
            Button button = Cards.button(
                    "speed-" + percent,
                    String.valueOf(percent),
                    wording("SoundPanel.of-the-song-s-tempo", percent),
                    () -> set(habits().atPercent(percent)));
            speeds.getChildren().add(button);
        }
        layers.setHgap(GAP);
        layers.setVgap(4);
        int row = 0;
        for (Layer layer : Layer.values()) {
            layer(layer, row++);
        }
        getChildren()
                .addAll(
                        speed,
                        speeds,
                        check(
                                "sound-loop",
                                wording("SoundPanel.over-and-over-the-marked"),
                                habits().loop(),
                                on -> set(habits().looped(on))),
                        faster(),
                        check(
                                "sound-count",
                                wording("SoundPanel.a-bar-of-clicks-first"),
                                habits().countIn(),
                                on -> set(habits().countedIn(on))),
                        Cards.heading(wording("SoundPanel.what-sounds")),
                        layers,
                        check(
                                "sound-nails",
                                wording("SoundPanel.fingers-with-nails-else-with"),
                                habits().mix().nails(),
                                on -> set(habits().with(habits().mix().withNails(on)))),
                        Cards.small(wording("SoundPanel.keys-in-score-and-the")));
        tell();
        setFocusTraversable(true);
        focusedProperty().addListener((property, before, now) -> {
            if (now) {
                lookup("#speed-" + nearest()).requestFocus();
            }
        });
    }

    private int nearest() {
        int best = SPEEDS[0];
        for (int percent : SPEEDS) {
            best = Math.abs(percent - habits().percent()) < Math.abs(best - habits().percent()) ? percent : best;
        }
        return best;
    }

    private Playback.Habits habits() {
        return playback.habitsProperty().get();
    }

    private void set(Playback.Habits habits) {
        playback.habitsProperty().set(habits);
        tell();
    }

    private void tell() {
        speed.setText(wording("SoundPanel.speed", habits().percent()));
    }

    private interface Switch {
        void turn(boolean on);
    }

    private static CheckBox check(String id, String text, boolean on, Switch turned) {
        CheckBox box = new CheckBox(text);
        box.setId(id);
        box.setSelected(on);
        box.setWrapText(true);
        box.setOnAction(event -> turned.turn(box.isSelected()));
        return box;
    }

    private HBox faster() {
        ComboBox<Integer> by = new ComboBox<>();
        by.setId("sound-faster");
        by.setAccessibleText(wording("SoundPanel.faster-each-round-percent-of"));
        by.getItems().setAll(0, 1, 2, 3, 5, 10);
        Choices.shownAs(
                by, percent -> percent == 0 ? wording("SoundPanel.as-it-is") : wording("SoundPanel.faster", percent));
        by.setValue(habits().fasterBy());
        by.setOnAction(event -> set(habits().faster(by.getValue())));
        HBox line = new HBox(GAP, Cards.before(wording("SoundPanel.each-round-of-a-loop")), by);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private void layer(Layer layer, int row) {
        Label name = new Label(layer == Layer.VOICE ? wording("SoundPanel.sung-tune") : layer.label());
        Slider slider = new Slider(0, 1, habits().mix().level(layer));
        slider.setId("level-" + layer.word());
        slider.setAccessibleText(wording("SoundPanel.how-loud", name.getText()));
        slider.setBlockIncrement(0.1);
        slider.valueProperty().addListener((property, before, now) -> set(habits().with(layer, now.doubleValue())));
        GridPane.setHgrow(slider, Priority.ALWAYS);
        layers.add(name, 0, row);
        layers.add(slider, 1, row);
        name.setLabelFor(slider);
        if (layer.isUsual()) {
            Button alone = Cards.button(
                    "only-" + layer.word(),
                    wording("SoundPanel.alone"),
                    wording("SoundPanel.only-the", layer.label()),
                    () -> {
                        set(habits().with(habits().mix().solo(layer)));
                        showLevels();
                    });
            alone.setTooltip(new Tooltip(wording("SoundPanel.only-the", layer.label())));
            layers.add(alone, 2, row);
        }
    }

    private void showLevels() {
        for (Layer layer : Layer.values()) {
            ((Slider) layers.lookup("#level-" + layer.word()))
                    .setValue(habits().mix().level(layer));
        }
    }
}

package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/** The stations, in working order. */
final class Rail extends VBox {
    /** In a lower window all stands closer. */
    private static final double HIGH = 760;

    private static final PseudoClass TIGHT = PseudoClass.getPseudoClass("tight");

    private final Map<Station, ToggleButton> buttons = new EnumMap<>(Station.class);

    Rail(Consumer<Station> show, Runnable looks, Runnable help) {
        getStyleClass().add("rail");
        sceneProperty().flatMap(Scene::heightProperty).addListener((property, before, now) -> {
            pseudoClassStateChanged(TIGHT, now != null && now.doubleValue() < HIGH);
        });
        for (Station station : Station.values()) {
            SVGPath icon = new SVGPath();
            icon.setContent(station.icon());
            icon.getStyleClass().add("icon");
            ToggleButton button = new ToggleButton(station.label(), icon);
            button.setId("station-" + station.word().toLowerCase(Locale.ROOT));
            button.getStyleClass().add("station");
            button.setTooltip(new Tooltip(wording("Rail.ctrl", station.label(), station.digit())));
            button.setOnAction(event -> show.accept(station));
            buttons.put(station, button);
            getChildren().add(button);
        }
        Region space = new Region();
        setVgrow(space, Priority.ALWAYS);
        getChildren()
                .addAll(
                        space,
                        small("help-open", wording("Rail.help-f1"), wording("Rail.what-this-place-is-for"), help),
                        small("looks-open", wording("Rail.look"), wording("Rail.how-it-looks-size-theme"), looks));
    }

    private static Button small(String id, String text, String help, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.getStyleClass().add("station");
        button.setTooltip(new Tooltip(help));
        button.setOnAction(event -> action.run());
        return button;
    }

    /** Marks where the player is; nothing while that is no station. */
    void mark(Optional<Station> shown) {
        buttons.forEach((station, button) ->
                button.setSelected(shown.filter(station::equals).isPresent()));
    }
}

package phalanx.desktop;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/** The stations, in working order. */
final class Rail extends VBox {
    private final Map<Station, ToggleButton> buttons = new EnumMap<>(Station.class);

    Rail(Consumer<Station> show, Runnable switchTheme) {
        getStyleClass().add("rail");
        for (Station station : Station.values()) {
            SVGPath icon = new SVGPath();
            icon.setContent(station.icon());
            icon.getStyleClass().add("icon");
            ToggleButton button = new ToggleButton(station.label(), icon);
            button.setId("station-" + station.label().toLowerCase(Locale.ROOT));
            button.getStyleClass().add("station");
            button.setTooltip(new Tooltip(station.label() + " (Ctrl+" + station.digit() + ")"));
            button.setOnAction(event -> show.accept(station));
            buttons.put(station, button);
            getChildren().add(button);
        }
        Region space = new Region();
        setVgrow(space, Priority.ALWAYS);
        Button theme = new Button("Light\nor dark");
        theme.setId("theme");
        theme.getStyleClass().add("station");
        theme.setTooltip(new Tooltip("Switch between the light and the dark theme (F9)"));
        theme.setOnAction(event -> switchTheme.run());
        getChildren().addAll(space, theme);
    }

    void mark(Station shown) {
        buttons.forEach((station, button) -> button.setSelected(station == shown));
    }
}

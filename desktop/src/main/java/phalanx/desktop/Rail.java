package phalanx.desktop;

import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.SVGPath;

/** The stations, in working order; so far the score. */
final class Rail extends VBox {
    private static final String SCORE_ICON = "M0 4 H24 M0 10 H24 M0 16 H24 M4 20 V24 M12 20 V24 M20 20 V24";

    Rail(Runnable switchTheme) {
        getStyleClass().add("rail");
        SVGPath icon = new SVGPath();
        icon.setContent(SCORE_ICON);
        icon.getStyleClass().add("icon");
        ToggleButton score = new ToggleButton("Score", icon);
        score.getStyleClass().add("station");
        score.setSelected(true);
        score.setOnAction(event -> score.setSelected(true));
        score.setTooltip(new Tooltip("Score (Ctrl+5)"));
        Region space = new Region();
        setVgrow(space, Priority.ALWAYS);
        Button theme = new Button("Light\nor dark");
        theme.setId("theme");
        theme.getStyleClass().add("station");
        theme.setTooltip(new Tooltip("Switch between the light and the dark theme (F9)"));
        theme.setOnAction(event -> switchTheme.run());
        getChildren().addAll(score, space, theme);
    }
}

package phalanx.desktop.widget;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.StringProperty;
import javafx.geometry.Bounds;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.transform.Scale;
import javafx.stage.Popup;

/** A named value that opens its own small editor below itself. */
public final class Chip extends Button {
    private static final double GAP = 4;
    private static final double SPACING = 8;

    private final Label nameLabel = new Label();
    private final Label value = new Label();
    private Supplier<Node> editor;
    private Optional<Popup> popup = Optional.empty();

    /**
     * @param id for style sheets and tests
     * @param name shown before the value
     * @param help shown when the mouse rests on it, and read to screen readers
     */
    public Chip(String id, String name, String help) {
        setId(id);
        getStyleClass().add("chip");
        setMinWidth(USE_PREF_SIZE);
        nameLabel.setText(name);
        nameLabel.getStyleClass().add("name");
        value.getStyleClass().add("value");
        HBox content = new HBox(SPACING, nameLabel, value);
        content.setAlignment(Pos.BASELINE_LEFT);
        setGraphic(content);
        setTooltip(new Tooltip(help));
        value.textProperty().addListener((property, before, now) -> setAccessibleText(name + " " + now));
        setOnAction(event -> toggle());
    }

    /** Shows the value alone where room is short; the tip and screen readers still say what it is. */
    public void showName(boolean shown) {
        nameLabel.setVisible(shown);
        nameLabel.setManaged(shown);
    }

    public StringProperty valueProperty() {
        return value.textProperty();
    }

    /** What makes the editor, anew each time it opens. */
    public void setEditor(Supplier<Node> maker) {
        editor = maker;
    }

    private void toggle() {
        if (popup.isPresent()) {
            close();
        } else if (editor != null) {
            show(editor.get());
        }
    }

    private void show(Node content) {
        Popup opened = new Popup();
        opened.setAutoHide(true);
        // it stands in a window of its own, and is to be as large as what it belongs to
        double times = getLocalToSceneTransform().getMxx();
        content.getTransforms().add(new Scale(times, times));
        opened.getContent().add(new Group(content));
        opened.setOnHidden(event -> popup = Optional.empty());
        Bounds place = localToScreen(getBoundsInLocal());
        opened.getScene().getStylesheets().setAll(getScene().getStylesheets());
        opened.show(this, place.getMinX(), place.getMaxY() + GAP);
        // an editor at the right edge stays inside the window
        double right =
                getScene().getWindow().getX() + getScene().getX() + getScene().getWidth() - GAP;
        opened.setX(Math.min(place.getMinX(), right - opened.getWidth()));
        popup = Optional.of(opened);
        content.requestFocus();
    }

    /** Closes the editor if it is open. */
    public void close() {
        popup.ifPresent(Popup::hide);
    }
}

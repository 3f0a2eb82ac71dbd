package phalanx.desktop.widget;

import java.util.function.DoubleConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import phalanx.words.Words;

/** A named number with its unit, taken over on Enter or when the field is left; what is no number is put back. */
public final class NumberField extends HBox {
    private static final double FIELD_WIDTH = 66;
    private static final double UNIT_WIDTH = 26;

    private final TextField field = new TextField();
    private String shown = "";

    /**
     * @param id of the text field, for tests
     * @param name before the field
     * @param unit after it
     * @param help shown when the mouse rests on it
     * @param apply takes a new number
     */
    public NumberField(String id, String name, String unit, String help, DoubleConsumer apply) {
        super(8);
        setAlignment(Pos.CENTER_LEFT);
        Label label = new Label(name);
        label.getStyleClass().add("caution");
        label.setWrapText(true);
        label.setLabelFor(field);
        Label after = new Label(unit);
        after.getStyleClass().add("caution");
        after.setMinWidth(UNIT_WIDTH);
        field.setId(id);
        field.setPrefWidth(FIELD_WIDTH);
        field.setMinWidth(FIELD_WIDTH);
        field.setAlignment(Pos.CENTER_RIGHT);
        field.setAccessibleText(name + ", " + unit);
        field.setTooltip(new Tooltip(help));
        field.setOnAction(event -> {
            take(apply);
            Cards.leave(field);
        });
        field.focusedProperty().addListener((property, before, now) -> {
            if (!now) {
                take(apply);
            }
        });
        getChildren().addAll(label, Cards.space(), field, after);
    }

    private void take(DoubleConsumer apply) {
        String text = field.getText().trim().replace(',', '.');
        if (text.equals(shown)) {
            return;
        }
        if (text.matches("-?\\d{1,6}(\\.\\d{1,4})?")) {
            shown = text;
            apply.accept(Double.parseDouble(text));
        } else {
            field.setText(shown);
        }
    }

    /** Shows a number, with as many decimals as it needs, two at most. */
    public void show(double value) {
        shown = Words.figure(value);
        field.setText(shown);
    }

    /** The number that stands in the field; what was shown last while that is none. */
    public double value() {
        String text = field.getText().trim().replace(',', '.');
        return Double.parseDouble(text.matches("-?\\d{1,6}(\\.\\d{1,4})?") ? text : shown);
    }
}

package phalanx.desktop.widget;

import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** A text field with the usual choices as buttons under it. */
public final class ChoiceEditor extends VBox {
    private static final double WIDTH = 264;
    private static final double GAP = 6;

    private final TextField field;
    private final FlowPane choices = new FlowPane(GAP, GAP);
    private final Consumer<String> apply;

    /**
     * @param prompt what to type
     * @param value what stands in the field first
     * @param apply takes the typed text on Enter, or the chosen value
     */
    public ChoiceEditor(String prompt, String value, Consumer<String> apply) {
        this.apply = apply;
        getStyleClass().add("editor");
        setPrefWidth(WIDTH);
        Label label = new Label(prompt);
        label.getStyleClass().add("quiet");
        field = new TextField(value);
        field.setId("editor-field");
        field.setAccessibleText(prompt);
        field.setOnAction(event -> apply.accept(field.getText()));
        label.setLabelFor(field);
        getChildren().addAll(label, field, choices);
        focusedProperty().addListener((property, before, now) -> {
            if (now) {
                field.requestFocus();
                field.selectAll();
            }
        });
        setFocusTraversable(true);
    }

    /** Adds a choice. */
    public void addChoice(String text, String value) {
        Button button = new Button(text);
        button.getStyleClass().add("plain");
        button.setOnAction(event -> apply.accept(value));
        choices.getChildren().add(button);
    }

    /** Adds a button of its own line, for what is done elsewhere. */
    public void addAction(String text, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("plain");
        button.setMaxWidth(Double.MAX_VALUE);
        button.setOnAction(event -> action.run());
        getChildren().add(button);
    }

    /** Adds a short caution under the choices. */
    public void addCaution(String text) {
        Label caution = new Label(text);
        caution.setWrapText(true);
        caution.getStyleClass().add("caution");
        getChildren().add(caution);
    }
}

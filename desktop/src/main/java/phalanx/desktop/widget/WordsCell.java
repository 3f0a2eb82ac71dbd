package phalanx.desktop.widget;

import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;

/**
 * An entry of a list in as many lines as its words take.
 *
 * @param <T> what is listed
 */
public class WordsCell<T> extends ListCell<T> {
    private final Label label = new Label();
    private final Function<T, String> words;
    private final double width;

    /**
     * @param width the lines may have
     * @param words for an entry, never null
     */
    public WordsCell(double width, Function<T, String> words) {
        this.words = words;
        this.width = width;
        label.setWrapText(true);
        label.setPrefWidth(width);
        label.setMinHeight(USE_PREF_SIZE);
    }

    /** As many lines as there are at its width; by itself a cell is as high as if none were wrapped. */
    @Override
    protected double computePrefHeight(double any) {
        return getGraphic() == null
                ? super.computePrefHeight(any)
                : snappedTopInset() + label.prefHeight(width) + snappedBottomInset();
    }

    @Override
    protected void updateItem(T item, boolean empty) {
        super.updateItem(item, empty);
        boolean shown = !empty && item != null;
        label.setText(shown ? words.apply(item) : "");
        setGraphic(shown ? label : null);
        setAccessibleText(label.getText());
    }
}

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

    /**
     * @param width the lines may have
     * @param words for an entry, never null
     */
    public WordsCell(double width, Function<T, String> words) {
        this.words = words;
        label.setWrapText(true);
        label.setPrefWidth(width);
        label.setMinHeight(USE_PREF_SIZE);
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

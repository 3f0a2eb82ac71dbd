package phalanx.desktop.widget;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;

/** Something over the whole window; while it is there nothing else can be done. Esc takes it away. */
public abstract class Veil extends StackPane {
    private Optional<Node> before = Optional.empty();

    protected Veil(String id) {
        setId(id);
        getStyleClass().add("veil");
        setVisible(false);
        addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                escape();
                event.consume();
            }
        });
    }

    /** What Esc does. */
    protected abstract void escape();

    public final boolean isOpen() {
        return isVisible();
    }

    /** Comes up, with the keys going to a node of its own. */
    protected final void open(Node focused) {
        before = before.or(() -> Optional.ofNullable(getScene()).map(scene -> scene.getFocusOwner()));
        setVisible(true);
        focused.requestFocus();
    }

    /** Goes away; the keys go where they went before. */
    protected final void close() {
        setVisible(false);
        before.ifPresent(Node::requestFocus);
        before = Optional.empty();
    }
}

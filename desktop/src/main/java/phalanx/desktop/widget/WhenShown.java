package phalanx.desktop.widget;

import java.util.function.BiConsumer;
import javafx.beans.value.ObservableValue;
import javafx.scene.Node;

/**
 * Lets a view follow a value only while it is in the window. What is not seen costs nothing; a view that is shown again
 * catches up in one step.
 *
 * @param <T> of the value
 */
public final class WhenShown<T> {
    private final Node view;
    private final ObservableValue<T> value;
    private final BiConsumer<T, T> show;
    private T shown;

    private WhenShown(Node view, ObservableValue<T> value, BiConsumer<T, T> show) {
        this.view = view;
        this.value = value;
        this.show = show;
    }

    /**
     * Begins to follow.
     *
     * @param show takes the value shown before, null at first, and the one to show, never null
     */
    public static <T> void follow(Node view, ObservableValue<T> value, BiConsumer<T, T> show) {
        WhenShown<T> follower = new WhenShown<>(view, value, show);
        // told of an equal value, too: what stands beside it may have changed
        value.addListener(property -> follower.catchUp());
        view.sceneProperty().addListener((property, before, now) -> follower.catchUp());
        follower.catchUp();
    }

    private void catchUp() {
        T now = value.getValue();
        if (view.getScene() != null && now != null && now != shown) {
            T before = shown;
            shown = now;
            show.accept(before, now);
        }
    }
}

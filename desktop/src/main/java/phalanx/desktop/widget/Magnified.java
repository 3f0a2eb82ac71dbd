package phalanx.desktop.widget;

import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.transform.Scale;

/**
 * Shows its content larger or smaller than usual, text and drawings alike. The content is laid out for the room that is
 * left; where that is less than it can do with, it is scrolled, and follows the keys.
 */
public class Magnified extends Region {
    private static final double BAR = 14;

    private final StackPane content = new StackPane();
    private final ScrollBar across = new ScrollBar();
    private final ScrollBar down = new ScrollBar();
    private final Scale scale = new Scale(1, 1);
    private final double leastWidth;
    private final double leastHeight;

    /**
     * @param leastWidth that the content can do with, in its own pixels
     * @param leastHeight likewise
     */
    protected Magnified(double leastWidth, double leastHeight) {
        this.leastWidth = leastWidth;
        this.leastHeight = leastHeight;
        content.getTransforms().add(scale);
        down.setOrientation(Orientation.VERTICAL);
        across.setId("view-across");
        down.setId("view-down");
        for (ScrollBar bar : new ScrollBar[] {across, down}) {
            bar.setVisible(false);
            bar.valueProperty().addListener((property, before, now) -> requestLayout());
        }
        getChildren().addAll(content, across, down);
        addEventHandler(ScrollEvent.SCROLL, event -> {
            move(down, -event.getDeltaY());
            move(across, -event.getDeltaX());
        });
        sceneProperty().addListener((property, before, now) -> {
            if (now != null) {
                now.focusOwnerProperty().addListener((owner, last, next) -> follow(next));
            }
        });
    }

    /** What is shown, one above the other. */
    protected final StackPane content() {
        return content;
    }

    /** Shows everything so many hundredths of its usual size. */
    protected final void magnify(int percent) {
        scale.setX(percent / 100.0);
        scale.setY(percent / 100.0);
        // drawings have to become as sharp as the rest
        layAnew(this);
    }

    private static void layAnew(Parent parent) {
        parent.requestLayout();
        for (Node child : parent.getChildrenUnmodifiable()) {
            if (child instanceof Parent inner) {
                layAnew(inner);
            }
        }
    }

    private static void move(ScrollBar bar, double by) {
        if (bar.isVisible()) {
            bar.setValue(Math.max(0, Math.min(bar.getMax(), bar.getValue() + by)));
        }
    }

    @Override
    protected void layoutChildren() {
        double times = scale.getX();
        double least = times > 1 ? 1 : 0;
        boolean wide = least * leastWidth * times > getWidth();
        boolean high = least * leastHeight * times > getHeight() - (wide ? BAR : 0);
        wide |= least * leastWidth * times > getWidth() - (high ? BAR : 0);
        double roomX = getWidth() - (high ? BAR : 0);
        double roomY = getHeight() - (wide ? BAR : 0);
        double width = wide ? leastWidth : roomX / times;
        double height = high ? leastHeight : roomY / times;
        set(across, wide, width * times - roomX, roomX);
        set(down, high, height * times - roomY, roomY);
        content.resizeRelocate(-across.getValue(), -down.getValue(), width, height);
        across.resizeRelocate(0, roomY, roomX, BAR);
        down.resizeRelocate(roomX, 0, BAR, roomY);
    }

    private static void set(ScrollBar bar, boolean shown, double most, double room) {
        bar.setVisible(shown);
        bar.setMax(shown ? most : 0);
        bar.setVisibleAmount(shown ? most * room / (most + room) : 0);
        bar.setUnitIncrement(room / 10);
        bar.setBlockIncrement(room * 0.8);
        bar.setValue(Math.min(bar.getValue(), bar.getMax()));
    }

    /** Brings what has the keys into sight. */
    private void follow(Node focused) {
        boolean inside = false;
        for (Node node = focused; node != null; node = node.getParent()) {
            inside |= node == content;
        }
        if (inside && (across.isVisible() || down.isVisible())) {
            Bounds at = sceneToLocal(focused.localToScene(focused.getBoundsInLocal()));
            move(across, missing(at.getMinX(), at.getMaxX(), getWidth() - BAR));
            move(down, missing(at.getMinY(), at.getMaxY(), getHeight() - BAR));
        }
    }

    /** How far to go so that a stretch is in sight; of one longer than the room, some of it. */
    private static double missing(double from, double to, double room) {
        if (to - from > room) {
            return from < room && to > 0 ? 0 : from;
        }
        return from < 0 ? from : Math.max(0, to - room);
    }
}

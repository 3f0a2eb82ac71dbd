package phalanx.desktop.widget;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The small parts that stations are put together from. */
public final class Cards {
    private static final double GAP = 8;

    private Cards() {}

    /** A raised area with a heading. */
    public static VBox card(String heading, Node... content) {
        VBox card = new VBox(GAP);
        card.getStyleClass().add("card");
        card.getChildren().add(heading(heading));
        card.getChildren().addAll(content);
        return card;
    }

    public static Label heading(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("heading");
        return label;
    }

    /** Text in the quiet colour, wrapped. */
    public static Label quiet(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("quiet");
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** The same in small type. */
    public static Label small(String text) {
        Label label = quiet(text);
        label.getStyleClass().setAll("label", "caution");
        return label;
    }

    /** A small hint on one line, cut off where there is no room for it. */
    public static Label hint(String text) {
        Label label = small(text);
        label.setWrapText(false);
        label.setMinWidth(0);
        return label;
    }

    /** A small word before a control, never cut off. */
    public static Label before(String text) {
        Label label = small(text);
        label.setWrapText(false);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    /** A caution: short, wrapped, marked at its side. */
    public static VBox caution(String text) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        VBox box = new VBox(label);
        box.getStyleClass().addAll("finding", "low");
        return box;
    }

    /** A name at the left and a value at the right. */
    public static HBox line(String name, String value) {
        Label left = new Label(name);
        left.getStyleClass().add("quiet");
        left.setMinWidth(Region.USE_PREF_SIZE);
        Label right = new Label(value);
        right.getStyleClass().add("mono");
        right.setWrapText(true);
        right.setMinHeight(Region.USE_PREF_SIZE);
        HBox line = new HBox(GAP, left, space(), right);
        line.setAlignment(Pos.TOP_LEFT);
        return line;
    }

    /** Takes what room is left. */
    public static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        VBox.setVgrow(space, Priority.ALWAYS);
        return space;
    }

    /** A button with its help. */
    public static Button button(String id, String text, String help, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.getStyleClass().add("plain");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(help));
        button.setOnAction(event -> action.run());
        return button;
    }

    /** Scrolls as far as is needed to show a part of a content that is higher than its window. */
    public static void scrollTo(ScrollPane scroll, Region content, Node part) {
        double window = scroll.getViewportBounds().getHeight();
        double room = content.getHeight() - window;
        double top = part.getBoundsInParent().getMinY();
        double bottom = part.getBoundsInParent().getMaxY() - window;
        double at = scroll.getVvalue() * Math.max(0, room);
        if (room > 0 && (top < at || bottom > at)) {
            scroll.setVvalue((top < at ? top : bottom) / room);
        }
    }

    /** Gives the focus from an entry that was made back to what it stands in, so that undo takes the entry back. */
    public static void leave(Node entry) {
        Node around = entry.getParent();
        while (around != null && !around.isFocusTraversable()) {
            around = around.getParent();
        }
        if (around != null) {
            around.requestFocus();
        }
    }
}

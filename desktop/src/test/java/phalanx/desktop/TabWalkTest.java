package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.geometry.Bounds;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.SnapshotParameters;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;

/** Every control can be come to with Tab, has a name for who cannot see it, and shows where the keys go. */
class TabWalkTest extends OpenWindow {
    /** All of them in the deep run: a hundred keys a station take their time. */
    private static final List<Station> STATIONS =
            Boolean.getBoolean("phalanx.deep") ? List.of(Station.values()) : List.of(Station.PICKING);

    private static final int MOST_STOPS = 150;
    private static final double AROUND = 4;
    private static final int RING = 20;

    @Test
    void everyStopHasANameAndARing() {
        List<String> wrong = new ArrayList<>();
        // the bars are the same everywhere
        Set<Node> seen = new HashSet<>();
        for (Station station : STATIONS) {
            push(KeyCode.CONTROL, KeyCode.getKeyCode(String.valueOf(station.digit())));
            settle();
            Set<Node> stops = new HashSet<>();
            for (int i = 0; i < MOST_STOPS; i++) {
                push(KeyCode.TAB);
                Node owner = focused();
                if (owner == null || !stops.add(owner)) {
                    break;
                }
                if (!seen.add(owner)) {
                    continue;
                }
                if (name(owner).isBlank()) {
                    wrong.add(station.label() + ": no name: " + owner);
                }
                if (!ringed(owner)) {
                    wrong.add(station.label() + ": no ring: " + owner);
                }
            }
            assertThat(stops).as(station.label()).hasSizeGreaterThan(8);
        }
        assertThat(wrong).isEmpty();
    }

    private Node focused() {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> shell.getScene().getFocusOwner());
    }

    private String name(Node node) {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            if (node.getAccessibleText() != null) {
                return node.getAccessibleText();
            }
            boolean labelled = shell.lookupAll(".label").stream()
                    .anyMatch(label -> label instanceof Label of && of.getLabelFor() == node);
            if (labelled) {
                return "labelled";
            }
            return node instanceof Labeled labeled && labeled.getText() != null
                    ? labeled.getText()
                    : node instanceof TextInputControl field && field.getPromptText() != null
                            ? field.getPromptText()
                            : "";
        });
    }

    /** Whether what is drawn at the control changes when the keys go elsewhere. */
    private boolean ringed(Node node) {
        return WaitForAsyncUtils.waitForAsyncFx(20_000, () -> {
            Scene scene = shell.getScene();
            WritableImage with = around(node);
            Node elsewhere = node == shell ? scene.getRoot() : shell;
            shell.setFocusTraversable(true);
            elsewhere.requestFocus();
            WritableImage without = around(node);
            node.requestFocus();
            shell.setFocusTraversable(false);
            return differences(with, without) >= RING;
        });
    }

    private WritableImage around(Node node) {
        shell.applyCss();
        shell.layout();
        Bounds at = node.localToScene(node.getLayoutBounds());
        SnapshotParameters part = new SnapshotParameters();
        part.setViewport(new Rectangle2D(
                at.getMinX() - AROUND,
                at.getMinY() - AROUND,
                Math.max(1, at.getWidth() + 2 * AROUND),
                Math.max(1, at.getHeight() + 2 * AROUND)));
        return shell.getScene().getRoot().snapshot(part, null);
    }

    private static int differences(WritableImage one, WritableImage other) {
        PixelReader a = one.getPixelReader();
        PixelReader b = other.getPixelReader();
        int different = 0;
        for (int y = 0; y < Math.min(one.getHeight(), other.getHeight()); y++) {
            for (int x = 0; x < Math.min(one.getWidth(), other.getWidth()); x++) {
                different += a.getArgb(x, y) == b.getArgb(x, y) ? 0 : 1;
            }
        }
        return different;
    }
}

package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.TimeoutException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Every filter of Shapes and every key, on the chord D of the demo song. */
class ShapesFiltersTest extends OpenWindow {
    private static final Pattern COUNT = Pattern.compile("D: (\\d+) shapes? in .*");

    @BeforeEach
    void goThere() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT3);
        waitForText("#shape-count", "D: ");
    }

    private int count() {
        Matcher count = COUNT.matcher(text("#shape-count").lines().findFirst().orElse(""));
        return count.lookingAt() ? Integer.parseInt(count.group(1)) : -1;
    }

    private void filter(String chip, String typed) {
        clickOn("#filter-" + chip);
        enter("#editor-field", typed);
    }

    private void refused(String chip, String typed, String why) {
        int before = count();
        filter(chip, typed);
        waitForText("#message", why + ". The filter is as it was.");
        assertThat(count()).isEqualTo(before);
    }

    @Test
    void everyFilterNarrowsAndGivesBack() throws TimeoutException {
        int all = count();
        assertThat(all).isPositive();
        // with any tone of the chord at the bottom there are more, with a given one fewer
        filter("bass", "any");
        waitFor(() -> count() > all);
        int any = count();
        filter("bass", "F#2");
        waitFor(() -> count() > 0 && count() < any);
        assertThat(shows("#shape-drawer", "F♯2")).isTrue();
        refused("bass", "H#9", "\"H#9\" is not a pitch such as F#4: a note, then an octave");
        filter("bass", "written");
        waitFor(() -> count() == all);

        filter("strings", "5 4 3 2");
        waitFor(() -> count() > 0 && count() < all);
        refused("strings", "9", "string 9 is outside 1 to 6");
        refused("strings", "low", "\"low\" is not the number of a string");
        filter("strings", "any");
        waitFor(() -> count() == all);

        filter("frets", "7 12");
        waitFor(() -> count() > 0 && count() < all);
        filter("frets", "");
        waitFor(() -> count() == all);

        clickOn("#filter-kind");
        clickOn("whole shapes");
        waitFor(() -> count() > 0 && count() < all);
        refused(
                "kind",
                "half a shape",
                "\"half a shape\" is no kind of shape; there are any, whole shapes, triad on 4 3 2 over the bass,"
                        + " triad on 3 2 1 over the bass");
        filter("kind", "any");
        waitFor(() -> count() == all);

        filter("thumb", "no");
        waitFor(() -> count() > 0 && count() < all);
        filter("thumb", "yes");
        waitFor(() -> count() == all);
    }

    @Test
    void shapesAreOrderedByReachAndUse() throws TimeoutException {
        assertThat(shows("#shape-drawer", "x x 0 2 3 2")).isTrue();
        filter("order", "place");
        waitFor(() -> lookup("#filter-order").query().getAccessibleText().contains("place"));
        int all = count();
        filter("order", "reach");
        waitFor(() -> lookup("#filter-order").query().getAccessibleText().contains("reach"));
        waitFor(() -> !shows("#shape-drawer", "x x 0 2 3 2"));
        assertThat(count()).isEqualTo(all);
        refused("order", "beauty", "\"beauty\" is not an order: use, effort, reach, place or way from before");
        filter("order", "use");
        waitFor(() -> shows("#shape-drawer", "x x 0 2 3 2"));
    }

    @Test
    void theKeysMoveHearMarkAndTakeTheNextChord() throws TimeoutException {
        assertThat(shows("#shape-drawer", "x x 0 2 3 2")).isTrue();
        type(KeyCode.RIGHT);
        waitFor(() -> !shows("#shape-drawer", "x x 0 2 3 2"));
        type(KeyCode.LEFT);
        waitFor(() -> shows("#shape-drawer", "x x 0 2 3 2"));
        type(KeyCode.DOWN);
        waitFor(() -> !shows("#shape-drawer", "x x 0 2 3 2"));
        type(KeyCode.UP);
        waitFor(() -> shows("#shape-drawer", "x x 0 2 3 2"));
        type(KeyCode.H);
        waitForText("#message", "No sound card: the shape cannot be heard here.");
        type(KeyCode.C);
        waitForText("#message", "Changes are shown from x x 0 2 3 2.");
        type(KeyCode.C);
        waitForText("#message", "Changes are shown from the song again.");
        type(KeyCode.U);
        waitForText("#message", "No lock holds on this chord.");
        interact(() -> lookup("#cascade-hear").<Button>query().fire());
        waitForText("#message", "No sound card: the cascade cannot be heard here.");
        ListView<?> chords = lookup("#song-chords").query();
        int first = chords.getSelectionModel().getSelectedIndex();
        type(KeyCode.CLOSE_BRACKET);
        waitFor(() -> chords.getSelectionModel().getSelectedIndex() == first + 1);
        type(KeyCode.OPEN_BRACKET);
        waitFor(() -> chords.getSelectionModel().getSelectedIndex() == first);
    }
}

package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.embed.swing.SwingFXUtils;
import javafx.event.ActionEvent;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.formats.page.Page;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;
import phalanx.song.ChartText;
import phalanx.song.Meter;

/** Pages looked at, laid out otherwise, and saved, in the real window. */
class PagesViewTest extends OpenWindow {
    @Test
    void barsThatComeAgainAreOnlyNamedOnWish() throws Exception {
        interact(() -> {
            workbench.newSong();
            workbench.editChart(ChartText.parse(
                    "[A] | C | F | G | C | [B] | Am | [A] | C | F | G | C | [end] | C |", Meter.COMMON));
        });
        waitFor(() -> workbench
                .arrangement()
                .filter(shown -> shown.song().bars().size() == 10)
                .isPresent());
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.P);
        ListView<Page> pages = lookup("#pages").queryListView();
        waitFor(() -> !pages.getItems().isEmpty());
        int whole = pages.getItems().get(0).marks().size();
        clickOn("#page-once");
        waitFor(() -> pages.getItems().get(0).marks().size() < whole);
        clickOn("#page-once");
        waitFor(() -> pages.getItems().get(0).marks().size() == whole);
    }

    @Test
    void pagesAreSeenChangedAndSaved() throws Exception {
        push(KeyCode.CONTROL, KeyCode.DIGIT3);
        push(KeyCode.CONTROL, KeyCode.P);
        ListView<Page> pages = lookup("#pages").queryListView();
        waitFor(() -> !pages.getItems().isEmpty());
        assertThat(marked()).isEmpty();
        int before = pages.getItems().size();
        // the first page is drawn, dark on white, not left empty
        waitFor(() -> canvas().isPresent());
        Canvas canvas = canvas().orElseThrow();
        BufferedImage drawn = WaitForAsyncUtils.waitForAsyncFx(
                10_000, () -> SwingFXUtils.fromFXImage(canvas.snapshot(null, null), null));
        assertThat(ink(drawn)).isBetween(0.01, 0.3);

        int plain = pages.getItems().get(0).marks().size();
        clickOn("#page-staff");
        waitFor(() -> pages.getItems().get(0).hasStaff());
        clickOn("#page-staff");
        waitFor(() -> pages.getItems().get(0).marks().size() == plain
                && !pages.getItems().get(0).hasStaff());

        TextField space = lookup("#page-space").queryAs(TextField.class);
        interact(() -> {
            space.setText("4");
            space.fireEvent(new ActionEvent());
        });
        waitFor(() -> pages.getItems().size() > before);
        ComboBox<PageSetup.Paper> paper = lookup("#page-paper").queryComboBox();
        interact(() -> paper.setValue(PageSetup.Paper.PHONE));
        waitFor(() -> pages.getItems().size() == 1);
        // a phone is 90 mm wide: a margin of 30 leaves nothing, is refused and put back
        TextField margin = lookup("#page-margin").queryAs(TextField.class);
        interact(() -> {
            margin.setText("30");
            margin.fireEvent(new ActionEvent());
        });
        assertThat(margin.getText()).startsWith("5");
        assertThat(text("#message")).contains("too little of a page");
        ComboBox<Sheet> sheet = lookup("#page-sheet").queryComboBox();
        interact(() -> {
            paper.setValue(PageSetup.Paper.LETTER);
            sheet.setValue(Sheet.WORDS);
        });
        Path file = folder.resolve("words.pdf");
        toSave = Optional.of(file);
        clickOn("#page-save");
        waitFor(() -> Files.exists(file) && text("#message").startsWith("Wrote "));
        assertThat(Files.readAllBytes(file)).startsWith('%', 'P', 'D', 'F');
        type(KeyCode.ESCAPE);
        assertThat(lookup("#shapes-station").tryQuery()).isPresent();
        assertThat(marked()).containsExactly("station-shapes");
    }

    /** The stations that the rail marks. */
    private List<String> marked() {
        return lookup(".rail .toggle-button").queryAllAs(ToggleButton.class).stream()
                .filter(ToggleButton::isSelected)
                .map(ToggleButton::getId)
                .toList();
    }

    private Optional<Canvas> canvas() {
        return lookup("#pages .list-cell").queryAll().stream()
                .map(cell -> ((ListCell<?>) cell).getGraphic())
                .filter(Group.class::isInstance)
                .map(page -> (Canvas) ((Group) page).getChildren().get(0))
                .findFirst();
    }

    private static double ink(BufferedImage image) {
        double dark = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                dark += 1 - (image.getRGB(x, y) >> 8 & 0xFF) / 255.0;
            }
        }
        return dark / image.getWidth() / image.getHeight();
    }
}

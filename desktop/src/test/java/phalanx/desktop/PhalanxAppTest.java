package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Platform;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.desktop.session.OpenFiles;
import phalanx.formats.library.Library;
import phalanx.formats.library.SettingsFile;
import phalanx.formats.project.ProjectFile;
import phalanx.project.Project;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/** The whole program: closing it with changes, and how it looks at the next start. The data folder is the build's. */
class PhalanxAppTest {
    private static final Path HOME = Path.of(System.getenv("PHALANX_HOME"));

    private final FxRobot robot = new FxRobot();
    private PhalanxApp app;

    @BeforeEach
    void firstStart() throws IOException {
        Files.deleteIfExists(HOME.resolve("settings.json"));
    }

    private Stage start() throws TimeoutException {
        return start(Optional.empty());
    }

    private Stage start(Optional<Path> song) throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        Platform.setImplicitExit(false);
        Stage stage = FxToolkit.registerStage(Stage::new);
        app = new PhalanxApp();
        FxToolkit.setupFixture(() -> app.show(stage, new Opening(song, true, Optional.empty())));
        WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> stage.getTitle().contains("\u2013"));
        return stage;
    }

    private void close(Stage stage) {
        robot.interact(() -> stage.fireEvent(new WindowEvent(stage, WindowEvent.WINDOW_CLOSE_REQUEST)));
    }

    private boolean asked() {
        return robot.lookup("#question").query().isVisible();
    }

    @AfterEach
    void end() throws TimeoutException {
        robot.interact(app::stop);
        FxToolkit.cleanupStages();
    }

    @Test
    void closingWithChangesAsksAndTheNextStartLooksTheSame() throws Exception {
        Stage stage = start();
        robot.interact(() -> {
            stage.setWidth(1100);
            stage.setHeight(760);
        });
        robot.type(KeyCode.F9);
        Playback before = ((Shell) stage.getScene().getRoot()).playback();
        robot.interact(() -> before.habitsProperty()
                .set(before.habitsProperty().get().atPercent(70).countedIn(true).looped(true)));
        robot.clickOn(OpenWindow.middle(robot, "#tempo")).write("123").type(KeyCode.ENTER);
        WaitForAsyncUtils.waitFor(10, TimeUnit.SECONDS, () -> stage.getTitle().contains("*"));
        close(stage);
        assertThat(asked()).isTrue();
        assertThat(robot.lookup("#question-words").<Labeled>query().getText()).contains("not saved");
        robot.type(KeyCode.ESCAPE);
        assertThat(stage.isShowing()).isTrue();
        close(stage);
        robot.clickOn(OpenWindow.middle(robot, "#answer-drop"));
        assertThat(stage.isShowing()).isFalse();
        robot.interact(app::stop);
        assertThat(new SettingsFile(HOME.resolve("settings.json"))
                        .read()
                        .looks()
                        .theme())
                .isEqualTo("Rosewood");
        try (var left = Files.walk(HOME.resolve("unsaved"))) {
            assertThat(left.filter(Files::isRegularFile))
                    .as("nothing is offered")
                    .isEmpty();
        }
        Stage next = start();
        assertThat(next.getWidth()).isEqualTo(1100);
        assertThat(next.getHeight()).isEqualTo(760);
        assertThat(next.getTitle()).doesNotContain("*");
        assertThat(next.getScene().getStylesheets()).anyMatch(sheet -> sheet.endsWith("rosewood.css"));
        Playback.Habits habits =
                ((Shell) next.getScene().getRoot()).playback().habitsProperty().get();
        assertThat(habits).isEqualTo(Playback.Habits.USUAL.atPercent(70).countedIn(true));
        close(next);
        assertThat(next.isShowing()).as("nothing to ask about").isFalse();
    }

    /** A first start shows round: each step is over when it is done; the tour does not come a second time. */
    @Test
    void aFirstStartHasATour() throws Exception {
        Stage stage = start();
        assertThat(stage.getTitle()).contains("Slate Harbour");
        WaitForAsyncUtils.waitFor(
                60,
                TimeUnit.SECONDS,
                () -> !robot.lookup("#song-figures").<Labeled>query().getText().isEmpty());
        assertThat(tour()).startsWith("Tour, 1 of 5").contains("space");
        robot.type(KeyCode.SPACE);
        WaitForAsyncUtils.waitFor(
                20, TimeUnit.SECONDS, () -> robot.lookup("#silent").query().isVisible());
        robot.type(KeyCode.SPACE);
        WaitForAsyncUtils.waitFor(10, TimeUnit.SECONDS, () -> tour().startsWith("Tour, 2 of 5"));
        robot.type(KeyCode.RIGHT);
        assertThat(tour()).startsWith("Tour, 3 of 5").contains("Ctrl+1");
        // another place is not what the step says
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT3);
        assertThat(tour()).startsWith("Tour, 3 of 5");
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT1);
        assertThat(tour()).startsWith("Tour, 4 of 5");
        robot.clickOn(OpenWindow.middle(robot, "#tour-next"));
        assertThat(tour()).startsWith("Tour, 5 of 5");
        robot.clickOn(OpenWindow.middle(robot, "#tour-next"));
        assertThat(robot.lookup("#tour").query().isVisible()).isFalse();
        close(stage);
        robot.interact(app::stop);
        Stage next = start();
        assertThat(robot.from(next.getScene().getRoot()).lookup("#tour").query().isVisible())
                .isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.F);
        robot.write("the tour");
        robot.type(KeyCode.ENTER);
        assertThat(robot.from(next.getScene().getRoot()).lookup("#tour").query().isVisible())
                .isTrue();
        robot.clickOn(OpenWindow.middle(robot, "#tour-leave"));
        close(next);
    }

    private String tour() {
        WaitForAsyncUtils.waitForFxEvents();
        return robot.lookup("#tour-words").<Labeled>query().getText();
    }

    @Test
    void aSongThatIsOpenInAnotherWindowIsSaidToBe() throws Exception {
        Path song = HOME.resolve("twin.phalanx.json");
        Song empty = TuneEdit.empty("Twin", Key.C_MAJOR, 90, Meter.COMMON, 2);
        new ProjectFile().write(Project.of(empty, Library.FIRST.setup()), song);
        try (OpenFiles other = new OpenFiles(HOME.resolve("open"))) {
            other.take(Optional.of(song));
            start(Optional.of(song));
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> robot.lookup("#message")
                    .<Labeled>query()
                    .getText()
                    .startsWith("twin.phalanx.json is open in another window"));
            assertThat(robot.lookup("#tour").query().isVisible())
                    .as("the tour goes through the demo song")
                    .isFalse();
        } finally {
            Files.delete(song);
        }
    }
}

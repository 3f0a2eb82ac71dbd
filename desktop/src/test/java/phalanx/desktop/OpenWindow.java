package phalanx.desktop;

import java.nio.file.Path;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import javafx.stage.Window;
import javax.sound.sampled.TargetDataLine;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.robot.KeyboardRobot;
import org.testfx.robot.MouseRobot;
import org.testfx.util.NodeQueryUtils;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.desktop.session.Journal;
import phalanx.desktop.session.Rescue;
import phalanx.formats.library.LibraryFile;
import phalanx.listening.Microphone;
import phalanx.project.Answers;
import phalanx.project.Project;
import phalanx.sound.SilentOutput;
import phalanx.words.Words;

/** The real window on the demo song, with what flows through it need to act and to wait. */
abstract class OpenWindow extends ApplicationTest {
    /** In the clock's nanoseconds. */
    static final double SECOND = 1e9;

    /** The demo song is arranged once for all tests of a process. */
    private static final Answers ANSWERS = new Answers();

    final ExecutorService background = new ThreadPoolExecutor(
            // what a closing window still asks for is dropped
            1, 1, 0, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), new ThreadPoolExecutor.DiscardPolicy());
    /** What is heard does not wait for an arrangement. */
    private final ExecutorService sounding = Executors.newSingleThreadExecutor();

    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor();
    final AtomicLong clock = new AtomicLong();
    /** The player's own time, by the same clock. */
    private final InstantSource days =
            () -> Instant.parse("2026-03-02T18:00:00Z").plusNanos(clock.get());

    Optional<Path> toOpen = Optional.empty();
    Optional<Path> toSave = Optional.empty();
    /** What stands in for a microphone. */
    Optional<TargetDataLine> heard = Optional.empty();

    Workbench workbench;
    Journal journal;
    Shell shell;

    @TempDir
    Path folder;

    @Override
    public void start(Stage stage) {
        workbench = new Workbench(
                background,
                Platform::runLater,
                new LibraryFile(folder.resolve("library/library.json")),
                new Rescue(folder.resolve("unsaved"), timer, words -> {}),
                ANSWERS);
        Playback playback = new Playback(new SilentOutput(clock::get), sounding, Platform::runLater);
        journal = new Journal(
                folder.resolve("practice.db"),
                background,
                Platform::runLater,
                workbench::say,
                days.withZone(ZoneOffset.UTC));
        shell = new Shell(
                workbench,
                playback,
                new Microphone(() -> heard),
                new FileDialogs() {
                    @Override
                    public Optional<Path> open() {
                        return toOpen;
                    }

                    @Override
                    public Optional<Path> take() {
                        return toOpen;
                    }

                    @Override
                    public Optional<Chosen> save(String title) {
                        return toSave.map(file -> new Chosen(file, false));
                    }

                    @Override
                    public Optional<Chosen> savePages(String name) {
                        return toSave.map(file -> new Chosen(file, false));
                    }

                    @Override
                    public Optional<Chosen> saveProject(String title) {
                        return toSave.map(file -> new Chosen(file, false));
                    }
                },
                background,
                journal);
        Scene scene = new Scene(shell, 1280, 800);
        shell.useView(View.FIRST);
        shell.bindKeys(scene);
        stage.setScene(scene);
        stage.show();
        stage.toFront();
        shell.focusStation();
    }

    @BeforeEach
    void demo() throws TimeoutException {
        clickOn(Words.wording("ScoreStation.show-the-demo-song"));
        // the quick answer and then the full one: nothing is at work when a test begins
        waitFor(() ->
                workbench.arrangement().isPresent() && !workbench.busyProperty().get());
    }

    @AfterEach
    void end() {
        // what is still searched for would take the next test's time
        interact(workbench::stop);
        background.shutdownNow();
        sounding.shutdownNow();
        timer.shutdownNow();
    }

    @Override
    public FxRobot clickOn(String query, MouseButton... buttons) {
        return clickOn(middle(this, query), buttons);
    }

    /** At once where it is wanted: the library's mouse walks there in up to 200 steps and rests after each. */
    @Override
    public FxRobot clickOn(Point2D at, MouseButton... buttons) {
        MouseRobot mouse = robotContext().getMouseRobot();
        mouse.moveNoWait(at);
        mouse.pressNoWait(buttons);
        mouse.releaseNoWait(buttons);
        settle();
        return this;
    }

    @Override
    public FxRobot push(KeyCode... keys) {
        KeyboardRobot keyboard = robotContext().getKeyboardRobot();
        keyboard.pressNoWait(keys);
        List<KeyCode> lastFirst = new ArrayList<>(List.of(keys));
        Collections.reverse(lastFirst);
        keyboard.releaseNoWait(lastFirst.toArray(KeyCode[]::new));
        settle();
        return this;
    }

    @Override
    public FxRobot type(KeyCode... keys) {
        for (KeyCode key : keys) {
            push(key);
        }
        return this;
    }

    @Override
    public FxRobot write(String text) {
        settle();
        Scene typed = Window.getWindows().stream()
                .filter(Window::isFocused)
                .findFirst()
                .map(Window::getScene)
                .orElseGet(shell::getScene);
        text.chars().mapToObj(Character::toString).forEach(letter -> robotContext()
                .getBaseRobot()
                .typeKeyboard(typed, letter.equals("\n") ? KeyCode.ENTER : KeyCode.UNDEFINED, letter));
        settle();
        return this;
    }

    /**
     * Waits until what was done has arrived, was handled and is laid out: the next pulse and what it left to be done.
     * The library's own wait sleeps for a twentieth of a second.
     */
    static void settle() {
        CompletableFuture<Void> laidOut = new CompletableFuture<>();
        Platform.runLater(() -> new AnimationTimer() {
            @Override
            public void handle(long now) {
                stop();
                Platform.runLater(() -> Platform.runLater(() -> laidOut.complete(null)));
            }
        }.start());
        laidOut.orTimeout(60, TimeUnit.SECONDS).join();
    }

    /**
     * Where a visible node's middle is on the screen. The bounds are asked for on the window's thread: reckoned on the
     * test's, beside a layout, they spoil the scene graph for good.
     */
    static Point2D middle(FxRobot robot, String query) {
        settle();
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            Node node = robot.lookup(query)
                    .match(NodeQueryUtils.isVisible())
                    .tryQuery()
                    .orElseThrow(() -> new AssertionError("nothing to be seen at " + query));
            Bounds bounds = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(bounds.getCenterX(), bounds.getCenterY());
        });
    }

    /** The condition is asked on the interface thread: what is shown must not change while it is looked through. */
    static void waitFor(BooleanSupplier condition) throws TimeoutException {
        WaitForAsyncUtils.waitFor(
                60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.waitForAsyncFx(30_000, condition::getAsBoolean));
        settle();
    }

    String text(String id) {
        return lookup(id).<Labeled>query().getText();
    }

    /** Replaces what stands in a field and presses Enter. */
    void enter(String id, String text) {
        clickOn(id);
        push(KeyCode.CONTROL, KeyCode.A);
        write(text);
        type(KeyCode.ENTER);
    }

    Project project() {
        return workbench.project().orElseThrow();
    }

    void waitUntilArranged() throws TimeoutException {
        waitFor(() -> !workbench.busyProperty().get());
    }

    void waitForText(String id, String part) {
        try {
            waitFor(() -> text(id).contains(part));
        } catch (TimeoutException e) {
            throw new AssertionError(id + " says \"" + text(id) + "\", not \"" + part + "\"", e);
        }
    }

    /** What labels and buttons in sight show only in part: an ellipsis stands where their words go on. The song's title gives way. */
    final List<String> cut() {
        settle();
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            List<String> cut = new ArrayList<>();
            collectCut(shell, cut);
            return cut;
        });
    }

    private static void collectCut(Node node, List<String> cut) {
        if (!node.isVisible()) {
            return;
        }
        if (node instanceof Labeled labeled
                && labeled.getText() != null
                && labeled.lookup(".text") instanceof Text text) {
            String end = labeled.getEllipsisString();
            boolean named = "title".equals(labeled.getId());
            if (!named && text.getText().endsWith(end) && !labeled.getText().endsWith(end)) {
                cut.add(labeled.getText());
            }
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> collectCut(child, cut));
        }
    }

    final boolean shows(String id, String part) {
        return from(lookup(id)).lookup(".label").<Labeled>queryAll().stream()
                .anyMatch(label -> label.getText().contains(part));
    }
}

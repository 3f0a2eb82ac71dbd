package phalanx.desktop;

import java.nio.file.Path;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import phalanx.formats.library.LibraryFile;
import phalanx.sound.LineOutput;

/** The JavaFX application: one window with the shell in it. */
public final class PhalanxApp extends Application {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;

    private final ExecutorService background = Executors.newSingleThreadExecutor(PhalanxApp::daemon);
    /** What is heard does not wait for the full answer. */
    private final ExecutorService sounding = Executors.newSingleThreadExecutor(PhalanxApp::daemon);

    private final ExecutorService searches = Executors.newSingleThreadExecutor(PhalanxApp::daemon);

    private static Thread daemon(Runnable work) {
        Thread thread = new Thread(work, "solver");
        thread.setDaemon(true);
        return thread;
    }

    @Override
    public void start(Stage stage) {
        Opening opening = Opening.of(getParameters().getRaw());
        Path home = Path.of(System.getProperty("user.home"));
        LibraryFile library =
                new LibraryFile(DataFolder.of(System.getenv(), home).resolve("library.json"));
        Workbench workbench = new Workbench(background, Platform::runLater, library);
        Playback playback = new Playback(LineOutput.orSilence(), sounding, Platform::runLater);
        Shell shell = new Shell(workbench, playback, FileDialogs.system(() -> stage), searches);
        Scene scene = new Scene(shell, WIDTH, HEIGHT);
        Theme.SPRUCE.apply(scene);
        shell.bindKeys(scene);
        stage.setTitle("Phalanx");
        stage.setScene(scene);
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
        stage.show();
        shell.focusStation();
        opening.song().ifPresentOrElse(workbench::open, workbench::openDemo);
        opening.shots().ifPresent(folder -> new Shots(scene, workbench, shell).write(folder));
    }

    @Override
    public void stop() {
        background.shutdownNow();
        sounding.shutdownNow();
        searches.shutdownNow();
    }
}

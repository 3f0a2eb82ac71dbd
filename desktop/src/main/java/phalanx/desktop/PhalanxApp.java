package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import phalanx.desktop.session.DataFolder;
import phalanx.desktop.session.Document;
import phalanx.desktop.session.FaultLog;
import phalanx.desktop.session.Journal;
import phalanx.desktop.session.Message;
import phalanx.desktop.session.OpenFiles;
import phalanx.desktop.session.Rescue;
import phalanx.desktop.session.Rest;
import phalanx.desktop.widget.Fonts;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.library.SettingsFile;
import phalanx.listening.Microphone;
import phalanx.project.Answers;
import phalanx.sound.LineOutput;

/** The JavaFX application: one window with the shell in it. */
public final class PhalanxApp extends Application {
    private static final long LAST_WRITES_MS = 1000;

    private final ExecutorService background = new ThreadPoolExecutor(
            1,
            1,
            0,
            TimeUnit.SECONDS,
            new LinkedBlockingQueue<>(),
            PhalanxApp::daemon,
            // what a closing window still asks for is dropped
            new ThreadPoolExecutor.DiscardPolicy());
    /** What is heard does not wait for the full answer. */
    private final ExecutorService sounding = Executors.newSingleThreadExecutor(PhalanxApp::daemon);

    private final ExecutorService searches = Executors.newSingleThreadExecutor(PhalanxApp::daemon);

    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor(PhalanxApp::daemon);
    private Rescue rescue;
    private Rest rest;
    private OpenFiles openFiles;
    private Workbench workbench;
    private WindowPlace place;
    private FaultLog faults;

    private static Thread daemon(Runnable work) {
        Thread thread = new Thread(work, "solver");
        thread.setDaemon(true);
        return thread;
    }

    @Override
    public void start(Stage stage) {
        show(stage, Opening.of(getParameters().getRaw()));
    }

    /** Fills a window and shows it. */
    void show(Stage stage, Opening opening) {
        Path data = DataFolder.of(System.getenv(), Path.of(System.getProperty("user.home")));
        SafeFile.sweep(data);
        Fonts.load(data.resolve("fonts"));
        faults = new FaultLog(data.resolve("faults"));
        SettingsFile settings = new SettingsFile(data.resolve("settings.json"));
        rescue = new Rescue(
                data.resolve("unsaved"), timer, words -> Platform.runLater(() -> workbench.say(Message.error(words))));
        workbench = new Workbench(
                background, Platform::runLater, new LibraryFile(data.resolve("library.json")), rescue, new Answers());
        openFiles = new OpenFiles(data.resolve("open"));
        workbench.file().documentProperty().addListener((property, before, now) -> noticeTwins(before, now));
        // the first answer is looked for while the window is made
        opening.song().ifPresentOrElse(workbench::open, workbench::openDemo);
        Playback playback = new Playback(LineOutput.orSilence(), sounding, Platform::runLater);
        rest = new Rest(workbench.busyProperty(), playback.playingProperty(), workbench.solver()::rest);
        Journal journal = new Journal(
                data.resolve("practice.db"), searches, Platform::runLater, workbench::say, Clock.systemDefaultZone());
        Shell shell = new Shell(
                workbench, playback, Microphone.ofTheSystem(), FileDialogs.system(() -> stage), searches, journal);
        place = new WindowPlace(stage, settings, opening.shots().isPresent());
        Scene scene = new Scene(shell, place.width(), place.height());
        shell.useView(View.FIRST);
        shell.bindKeys(scene);
        stage.titleProperty().bind(workbench.file().titleProperty());
        stage.getIcons().add(new Image(PhalanxApp.class.getResourceAsStream("icon.png")));
        stage.setScene(scene);
        place.restore(shell, workbench);
        stage.setOnCloseRequest(event -> {
            event.consume();
            shell.documents().leave(() -> {
                workbench.dropChanges();
                stage.close();
            });
        });
        stage.focusedProperty().addListener((property, before, now) -> {
            if (now) {
                workbench.file().noticeOthers();
            }
        });
        stage.show();
        shell.focusStation();
        if (opening.shots().isEmpty()) {
            shell.documents().offer(rescue.found());
            // it goes through the demo song
            if (opening.song().isEmpty()) {
                place.tour(shell);
            }
        }
        opening.shots().ifPresent(folder -> new Shots(scene, workbench, shell).write(folder));
    }

    /** Said once, when a file is opened; later than what is said of the opening itself. */
    private void noticeTwins(Document before, Document now) {
        boolean another = openFiles.take(now.file());
        if (another && (before == null || !before.file().equals(now.file()))) {
            String name = String.valueOf(now.file().orElseThrow().getFileName());
            Platform.runLater(
                    () -> workbench.say(Message.plain(wording("PhalanxApp.is-open-in-another-window", name))));
        }
    }

    @Override
    public void stop() {
        rest.stop();
        faults.close();
        place.keep();
        workbench.stop();
        background.shutdown();
        timer.shutdown();
        rescue.close();
        openFiles.close();
        sounding.shutdownNow();
        searches.shutdownNow();
        try {
            // the library may still be on its way to the disk
            background.awaitTermination(LAST_WRITES_MS, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}

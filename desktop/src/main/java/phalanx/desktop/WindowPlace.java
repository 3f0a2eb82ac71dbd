package phalanx.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.stage.Screen;
import javafx.stage.Stage;
import phalanx.formats.library.Settings;
import phalanx.formats.library.SettingsFile;

/** Where the window stands, how large it is, how it looks and sounds and which songs were open: kept from start to start. */
final class WindowPlace {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;

    private final Stage stage;
    private final SettingsFile file;
    private final boolean forPictures;
    private Settings settings;

    /** @param forPictures whether the window has its first size and keeps nothing */
    WindowPlace(Stage stage, SettingsFile file, boolean forPictures) {
        this.stage = stage;
        this.file = file;
        this.forPictures = forPictures;
        this.settings = forPictures ? Settings.FIRST : file.read();
    }

    double width() {
        return WIDTH;
    }

    double height() {
        return HEIGHT;
    }

    /** Puts the window where it was, unless no screen is there any more. */
    void restore(Shell shell, Workbench workbench) {
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
        boolean seen = settings.width() >= LEAST_WIDTH
                && settings.height() >= LEAST_HEIGHT
                && !Screen.getScreensForRectangle(settings.x(), settings.y(), settings.width(), settings.height())
                        .isEmpty();
        if (seen) {
            stage.setX(settings.x());
            stage.setY(settings.y());
            stage.setWidth(settings.width());
            stage.setHeight(settings.height());
        }
        stage.setMaximized(settings.maximised());
        shell.useView(View.of(settings.looks()));
        shell.playback().take(settings.hearing());
        shell.practiceKeys().use(settings.practiceKeys());
        workbench.file().sourceProperty().addListener((property, before, now) -> {
            if (now != null && !forPictures) {
                settings = settings.opened(now.file());
                file.write(settings);
            }
        });
        shell.useRecent(this::recent);
    }

    /** The songs that were open lately and are still there, the last one first. */
    private List<Path> recent() {
        return settings.recent().stream().map(Path::of).filter(Files::exists).toList();
    }

    /** Shows a newcomer round, once. */
    void tour(Shell shell) {
        if (!settings.toured()) {
            shell.tour(() -> {
                settings = settings.afterTour();
                file.write(settings);
            });
        }
    }

    /** Keeps all of it for the next start. */
    void keep() {
        if (!forPictures && stage.getWidth() > 0) {
            Shell shell = (Shell) stage.getScene().getRoot();
            settings = settings.with(shell.view().toKeep())
                    .with(shell.playback().toKeep())
                    .withKeys(shell.practiceKeys().toKeep())
                    .at(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized());
            file.write(settings);
        }
    }
}

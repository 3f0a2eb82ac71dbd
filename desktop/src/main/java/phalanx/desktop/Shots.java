package phalanx.desktop;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Scene;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import phalanx.arrange.Arrangement;

/** Writes a picture of every main view, then closes the window. */
final class Shots {
    private static final Duration SETTLE = Duration.millis(700);

    private final Scene scene;
    private final Workbench workbench;
    private final Shell shell;

    Shots(Scene scene, Workbench workbench, Shell shell) {
        this.scene = scene;
        this.workbench = workbench;
        this.shell = shell;
    }

    /** Waits for the arrangement, then takes the pictures one after another. */
    void write(Path folder) {
        workbench.arrangementProperty().addListener((property, before, now) -> take(folder, now));
        workbench.arrangement().ifPresent(now -> take(folder, now));
    }

    private void take(Path folder, Arrangement arrangement) {
        shell.score().select(arrangement.song().bars().get(2).startTick());
        after(() -> {
            save(folder.resolve("score.png"));
            shell.useTheme(Theme.ROSEWOOD);
            after(() -> {
                save(folder.resolve("score-dark.png"));
                Platform.exit();
            });
        });
    }

    private static void after(Runnable next) {
        PauseTransition pause = new PauseTransition(SETTLE);
        pause.setOnFinished(event -> next.run());
        pause.play();
    }

    private void save(Path file) {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
            BufferedImage picture = SwingFXUtils.fromFXImage(scene.snapshot(null), null);
            ImageIO.write(picture, "png", file.toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.event.ActionEvent;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.stage.PopupWindow;
import javafx.stage.Window;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.widget.Chip;
import phalanx.formats.page.Page;
import phalanx.project.Project;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;

/** Writes a picture of every main view that the song has, says which are left out, then closes the window. */
final class Shots {
    private static final Duration SETTLE = Duration.millis(700);
    /** How often a view is asked whether it is ready. */
    private static final int MOST_WAITS = 90;
    /** The bar that is selected, from 0: in a song the hand has settled by then. */
    private static final int BAR = 2;

    private final Scene scene;
    private final Workbench workbench;
    private final Shell shell;
    private boolean begun;

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
        if (begun) {
            // a view that changes the song has it arranged again
            return;
        }
        begun = true;
        int bar = Math.min(BAR, arrangement.song().bars().size() - 1);
        shell.score().select(arrangement.song().bars().get(bar).startTick());
        boolean written = workbench.project().flatMap(Project::written).isPresent();
        List<Picture> all = List.of(
                // the full answer, as a player has it in front of them
                new Picture("score.png", () -> shell.show(Station.SCORE), () -> !workbench
                        .busyProperty()
                        .get()),
                new Picture("staff.png", () -> shell.score().toggleStaff()),
                new Picture("guitar.png", () -> shell.show(Station.GUITAR)),
                new Picture("song.png", this::showAdvice, () -> scene.lookup("#advise-use") != null).ofArranged(),
                new Picture("shapes.png", () -> shell.show(Station.SHAPES)),
                new Picture(
                        "chain.png",
                        this::showChain,
                        () -> ((Labeled) scene.lookup("#chain-why")).getText().length() > 1),
                new Picture("picking.png", this::showPattern).ofArranged(),
                new Picture("score-dark.png", () -> {
                    shell.show(Station.SCORE);
                    shell.score().toggleStaff();
                    shell.useView(shell.view().with(Theme.ROSEWOOD));
                }),
                new Picture("transport.png", () -> {
                    shell.useView(shell.view().with(Theme.SPRUCE));
                    ((Chip) scene.lookup("#speed")).fire();
                }),
                new Picture(
                        "practice.png",
                        () -> {
                            popups().forEach(Window::hide);
                            shell.show(Station.PRACTICE);
                            shell.applyCss();
                            ((ListView<?>) scene.lookup("#ladder"))
                                    .getSelectionModel()
                                    .select(6);
                        },
                        () -> !((ListView<?>) scene.lookup("#today")).getItems().isEmpty()),
                new Picture("pages.png", this::showPages, () -> ((ListView<?>) scene.lookup("#pages"))
                        .getItems().stream().anyMatch(page -> page instanceof Page laid && laid.hasStaff())),
                new Picture("help.png", () -> {
                    shell.show(Station.PRACTICE);
                    shell.toggleHelp();
                }),
                new Picture("looks.png", () -> {
                    shell.toggleHelp();
                    shell.show(Station.GUITAR);
                    shell.useView(shell.view().leftHanded(true));
                    ((Button) scene.lookup("#looks-open")).fire();
                }),
                // last: they make a version and change the tempo
                new Picture("versions.png", this::showVersions, () -> !((ListView<?>) scene.lookup("#compared-bars"))
                                .getItems()
                                .isEmpty())
                        .ofArranged(),
                new Picture(
                        "findings.png",
                        this::showFindings,
                        () -> !workbench.busyProperty().get()
                                && workbench.arrangement().stream()
                                        .anyMatch(now -> !now.findings().isEmpty())));
        take(folder, all.stream().filter(view -> !written || view.written).toList(), 0);
    }

    /** A view, how to come to it, when it can be seen, and whether there is one of notes that are kept as written. */
    private record Picture(String file, Runnable show, BooleanSupplier ready, boolean written) {
        Picture(String file, Runnable show) {
            this(file, show, () -> true);
        }

        Picture(String file, Runnable show, BooleanSupplier ready) {
            this(file, show, ready, true);
        }

        Picture ofArranged() {
            return new Picture(file, show, ready, false);
        }
    }

    /** A pattern on the second section, as a player would put it there. */
    private void showPattern() {
        shell.show(Station.PICKING);
        PatternLibrary.standard().find("Long Lane").ifPresent(shell.picking()::showOnSection);
    }

    @SuppressWarnings("unchecked")
    private void showVersions() {
        showScoreAgain();
        ((Button) scene.lookup("#all-versions")).fire();
        shell.applyCss();
        ComboBox<String> tries = (ComboBox<String>) scene.lookup("#what-if");
        tries.getItems().stream()
                .filter(name -> name.endsWith(" " + Level.FULL.label()))
                .findFirst()
                .ifPresent(tries::setValue);
    }

    private void showScoreAgain() {
        ((Button) scene.lookup("#looks-close")).fire();
        shell.useView(shell.view().leftHanded(false));
        shell.show(Station.SCORE);
    }

    /** At a tempo at which hands come too late. */
    private void showFindings() {
        if (scene.lookup("#versions-close") instanceof Button close) {
            close.fire();
        } else {
            showScoreAgain();
        }
        workbench.decide("tempo 160", now -> now.withSong(now.song().withTempo(160)));
        ((Button) scene.lookup("#all-findings")).fire();
    }

    private void showChain() {
        ((Button) scene.lookup("#open-chain")).fire();
        shell.applyCss();
        ((TextField) scene.lookup("#chain-field")).setText("D A/C# Bm7 x02220 G x5777x");
        ((TextField) scene.lookup("#chain-field")).fireEvent(new ActionEvent());
    }

    private void showPages() {
        shell.showPages();
        shell.applyCss();
        ((CheckBox) scene.lookup("#page-staff")).fire();
    }

    private void showAdvice() {
        shell.show(Station.SONG);
        shell.applyCss();
        shell.layout();
        ((Button) scene.lookup("#advise")).fire();
    }

    private void take(Path folder, List<Picture> views, int next) {
        if (next == views.size()) {
            Platform.exit();
            return;
        }
        try {
            views.get(next).show.run();
        } catch (RuntimeException e) {
            // a view that cannot be made must not leave the window open for ever
            Platform.exit();
            throw e;
        }
        saveWhenReady(folder, views.get(next), MOST_WAITS, () -> take(folder, views, next + 1));
    }

    private void saveWhenReady(Path folder, Picture view, int waits, Runnable next) {
        PauseTransition pause = new PauseTransition(SETTLE);
        pause.setOnFinished(event -> {
            boolean still = !workbench.busyProperty().get();
            if (still && view.ready.getAsBoolean()) {
                save(folder.resolve(view.file));
                next.run();
            } else if (waits == 0) {
                System.err.println(wording(
                        "Shots.phalanx-left-out-there-is", view.file, Math.round(MOST_WAITS * SETTLE.toSeconds())));
                next.run();
            } else {
                saveWhenReady(folder, view, waits - 1, next);
            }
        });
        pause.play();
    }

    private void save(Path file) {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
            BufferedImage picture = SwingFXUtils.fromFXImage(scene.snapshot(null), null);
            popups().forEach(popup -> paint(popup, picture));
            ImageIO.write(picture, "png", file.toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Window> popups() {
        return Window.getWindows().stream()
                .filter(PopupWindow.class::isInstance)
                .toList();
    }

    /** What stands over the window in one of its own. */
    private void paint(Window popup, BufferedImage picture) {
        int x = (int) (popup.getX() - scene.getWindow().getX() - scene.getX());
        int y = (int) (popup.getY() - scene.getWindow().getY() - scene.getY());
        picture.createGraphics()
                .drawImage(SwingFXUtils.fromFXImage(popup.getScene().snapshot(null), null), x, y, null);
    }
}

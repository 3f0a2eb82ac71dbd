package phalanx.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.stage.FileChooser;
import javafx.stage.Window;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.formats.ArrangementFiles;

/** The frame: rail, top bar, station and bottom line; the keys that work everywhere; files by dialog and drop. */
public final class Shell extends BorderPane {
    private final Workbench workbench;
    private final Playback playback;
    private final Supplier<Window> window;
    private final ScoreStation score;
    private Theme theme = Theme.SPRUCE;

    Shell(Workbench workbench, Playback playback, Supplier<Window> window) {
        this.workbench = workbench;
        this.playback = playback;
        this.window = window;
        this.score = new ScoreStation(workbench, playback);
        setLeft(new Rail(this::switchTheme));
        setTop(new TopBar(
                workbench, playback, new TopBar.Actions(this::chooseSong, this::chooseExport, score::togglePlay)));
        setCenter(score);
        setBottom(new BottomLine(workbench, playback));
        setOnDragOver(event -> {
            if (event.getDragboard().hasFiles()) {
                event.acceptTransferModes(TransferMode.COPY);
                setDropMark(true);
            }
            event.consume();
        });
        setOnDragExited(event -> setDropMark(false));
        setOnDragDropped(event -> {
            event.setDropCompleted(drop(event.getDragboard()));
            event.consume();
        });
    }

    private void setDropMark(boolean on) {
        score.getStyleClass().remove("drop");
        if (on) {
            score.getStyleClass().add("drop");
        }
    }

    private boolean drop(Dragboard board) {
        setDropMark(false);
        List<File> files = board.getFiles();
        if (!board.hasFiles() || files.isEmpty()) {
            return false;
        }
        openDropped(files.stream().map(File::toPath).toList());
        return true;
    }

    /** Opens the first of the files dropped; the others are named, not lost silently. */
    void openDropped(List<Path> files) {
        playback.stop();
        workbench.open(files.get(0));
        if (files.size() > 1) {
            workbench.say(
                    Message.plain("One song at a time: opening " + files.get(0).getFileName() + "."));
        }
    }

    void bindKeys(Scene scene) {
        key(scene, KeyCode.O, this::chooseSong);
        key(scene, KeyCode.E, this::chooseExport);
        key(scene, KeyCode.Z, this::undo);
        key(scene, KeyCode.Y, this::redo);
        key(scene, KeyCode.DIGIT5, this::focusStation);
        scene.getAccelerators().put(new KeyCodeCombination(KeyCode.F9), this::switchTheme);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            boolean typing = scene.getFocusOwner() instanceof TextInputControl;
            if (event.getCode() == KeyCode.SPACE && !typing && !event.isControlDown()) {
                score.togglePlay();
                event.consume();
            }
        });
    }

    private static void key(Scene scene, KeyCode code, Runnable action) {
        scene.getAccelerators().put(new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN), action);
    }

    private void undo() {
        playback.stop();
        workbench.undo();
    }

    private void redo() {
        playback.stop();
        workbench.redo();
    }

    void focusStation() {
        score.requestFocus();
    }

    ScoreStation score() {
        return score;
    }

    private void switchTheme() {
        useTheme(theme.other());
    }

    void useTheme(Theme next) {
        theme = next;
        theme.apply(getScene());
        score.useTheme(theme);
    }

    private void chooseSong() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Open a lead sheet");
        chooser.getExtensionFilters()
                .add(new FileChooser.ExtensionFilter("Lead sheets", "*.musicxml", "*.xml", "*.mxl"));
        File file = chooser.showOpenDialog(window.get());
        if (file != null) {
            playback.stop();
            workbench.open(file.toPath());
        }
    }

    private void chooseExport() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Write the arrangement");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("MusicXML with tablature", "*.musicxml"),
                        new FileChooser.ExtensionFilter("Plain-text tablature", "*.tab.txt"),
                        new FileChooser.ExtensionFilter("Events", "*.json"));
        workbench
                .arrangement()
                .ifPresent(shown ->
                        chooser.setInitialFileName(fileName(shown.song().title())));
        File file = chooser.showSaveDialog(window.get());
        if (file != null) {
            workbench.export(withEnding(file.toPath(), chooser.getSelectedExtensionFilter()));
        }
    }

    private static String fileName(String title) {
        return title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    }

    private static Path withEnding(Path file, FileChooser.ExtensionFilter filter) {
        String name = file.getFileName().toString();
        boolean known = ArrangementFiles.ENDINGS.stream().anyMatch(name::endsWith);
        String ending =
                filter == null ? ".musicxml" : filter.getExtensions().get(0).substring(1);
        return known ? file : file.resolveSibling(name + ending);
    }
}

package phalanx.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.desktop.guitar.GuitarStation;
import phalanx.desktop.help.Finder;
import phalanx.desktop.help.HelpPanel;
import phalanx.desktop.help.HelpText;
import phalanx.desktop.page.PagesView;
import phalanx.desktop.picking.PickingStation;
import phalanx.desktop.practice.PracticeStation;
import phalanx.desktop.practice.Takes;
import phalanx.desktop.session.Journal;
import phalanx.desktop.session.Message;
import phalanx.desktop.shapes.ShapesStation;
import phalanx.desktop.song.SongStation;
import phalanx.desktop.widget.Question;
import phalanx.desktop.widget.Themed;

/** The frame: rail, top bar, station and bottom line; the keys that work everywhere; files by dialog and drop. */
public final class Shell extends StackPane {
    private final Workbench workbench;
    private final Playback playback;
    private final FileDialogs dialogs;
    private final BorderPane frame = new BorderPane();
    private final Question question = new Question();
    private final Documents documents;
    private final ScoreStation score;
    private final Executor searches;
    private final Journal journal;
    private final HelpPanel help = new HelpPanel();
    private final Finder finder = new Finder();
    private Station current = Station.SCORE;
    private PagesView pages;
    /** Those that were shown already; the others are made when they are asked for. */
    private final Map<Station, Node> stations = new EnumMap<>(Station.class);

    private final Rail rail;
    private final TopBar top;
    private Theme theme = Theme.SPRUCE;

    /**
     * @param workbench the project
     * @param playback of the arrangement
     * @param dialogs to choose files with
     * @param searches runs searches for shapes, one after another
     * @param journal keeps what is practised
     */
    Shell(Workbench workbench, Playback playback, FileDialogs dialogs, Executor searches, Journal journal) {
        this.journal = journal;
        this.workbench = workbench;
        this.playback = playback;
        workbench.projectProperty().addListener((property, before, now) -> playback.useStrings(now.strings()));
        this.dialogs = dialogs;
        this.documents = new Documents(workbench, dialogs, question);
        getChildren().addAll(frame, help, finder, question);
        this.score = new ScoreStation(workbench, playback);
        this.searches = searches;
        stations.put(Station.SCORE, score);
        this.rail = new Rail(this::show, this::switchTheme, this::toggleHelp);
        frame.setLeft(rail);
        this.top = new TopBar(
                workbench,
                playback,
                new TopBar.Actions(
                        this::chooseSong,
                        this::open,
                        this::openDemo,
                        documents::export,
                        this::showPages,
                        this::togglePlay,
                        () -> show(Station.GUITAR)));
        frame.setTop(top);
        show(Station.SCORE);
        frame.setBottom(new BottomLine(workbench, playback));
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

    /** Shows what would be printed, over the station that is open. */
    void showPages() {
        playback.stop();
        if (pages == null) {
            pages = new PagesView(workbench, searches, Platform::runLater, documents::exportPages, () -> show(current));
        }
        frame.setCenter(pages);
        pages.lookup("#page-sheet").requestFocus();
    }

    /** Goes to a station. */
    void show(Station station) {
        current = station;
        Node shown = node(station);
        frame.setCenter(shown);
        rail.mark(station);
        shown.requestFocus();
    }

    private Node node(Station station) {
        if (!stations.containsKey(station)) {
            stations.put(station, made(station));
            dress(stations.get(station));
        }
        return stations.get(station);
    }

    private Node made(Station station) {
        return switch (station) {
            case GUITAR -> new GuitarStation(workbench, playback);
            case SONG -> new SongStation(workbench, playback, searches, Platform::runLater, documents::leave);
            case SHAPES -> new ShapesStation(workbench, playback, searches, Platform::runLater);
            case PICKING -> new PickingStation(workbench, playback);
            case SCORE -> score;
            case PRACTICE ->
                new PracticeStation(
                        workbench,
                        playback,
                        journal,
                        new Takes(dialogs::take, searches, Platform::runLater, workbench::say));
        };
    }

    /** Gives a station the colours of the theme. */
    private void dress(Node station) {
        if (station instanceof Themed themed) {
            themed.useTheme(theme);
        }
    }

    private void setDropMark(boolean on) {
        frame.getCenter().getStyleClass().remove("drop");
        if (on) {
            frame.getCenter().getStyleClass().add("drop");
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
        open(files.get(0));
        if (files.size() > 1) {
            workbench.say(
                    Message.plain("One song at a time: opening " + files.get(0).getFileName() + "."));
        }
    }

    void bindKeys(Scene scene) {
        key(scene, KeyCode.O, this::chooseSong);
        key(scene, KeyCode.E, documents::export);
        key(scene, KeyCode.P, this::showPages);
        key(scene, KeyCode.F, () -> finder.show(commands()));
        scene.getAccelerators().put(new KeyCodeCombination(KeyCode.F1), this::toggleHelp);
        key(scene, KeyCode.S, () -> save(() -> {}));
        key(scene, KeyCode.N, this::newSong);
        key(scene, KeyCode.Z, this::undo);
        key(scene, KeyCode.Y, this::redo);
        for (Station station : Station.values()) {
            key(scene, KeyCode.getKeyCode(String.valueOf(station.digit())), () -> show(station));
        }
        scene.getAccelerators().put(new KeyCodeCombination(KeyCode.F9), this::switchTheme);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (isCovered()) {
                return;
            }
            boolean typing = scene.getFocusOwner() instanceof TextInputControl;
            if (event.getCode() == KeyCode.SPACE && !typing && !event.isControlDown()) {
                togglePlay();
                event.consume();
            }
            if (event.getCode() == KeyCode.ESCAPE) {
                workbench.cancel();
            }
        });
    }

    /** In Practice the step, elsewhere the song. */
    private void togglePlay() {
        if (frame.getCenter() instanceof PracticeStation practice) {
            practice.toggle();
        } else {
            score.togglePlay();
        }
    }

    private void key(Scene scene, KeyCode code, Runnable action) {
        scene.getAccelerators().put(new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN), () -> {
            if (!isCovered()) {
                action.run();
            }
        });
    }

    Station current() {
        return current;
    }

    private boolean isCovered() {
        return question.isOpen() || help.isOpen() || finder.isOpen();
    }

    /** The help for this place, or none again. */
    void toggleHelp() {
        if (help.isOpen()) {
            help.escape();
        } else if (!isCovered()) {
            help.show(current.label());
        }
    }

    /** Everything that can be done here: what goes everywhere, the buttons that are to be seen, and what keys do. */
    private List<Finder.Command> commands() {
        List<Finder.Command> commands = new ArrayList<>(List.of(
                new Finder.Command("Open a song", "Ctrl+O", this::chooseSong),
                new Finder.Command("New song", "Ctrl+N", this::newSong),
                new Finder.Command("Save the project", "Ctrl+S", () -> save(() -> {})),
                new Finder.Command("Save the project under another name", "", () -> documents.saveAs(() -> {})),
                new Finder.Command("Print: see and save pages", "Ctrl+P", this::showPages),
                new Finder.Command("Export notes or sound to a file", "Ctrl+E", documents::export),
                new Finder.Command("Play or stop", "space", this::togglePlay),
                new Finder.Command("Undo: take back", "Ctrl+Z", this::undo),
                new Finder.Command("Redo: bring again", "Ctrl+Y", this::redo),
                new Finder.Command("Light or dark theme", "F9", this::switchTheme),
                new Finder.Command("Help for this place", "F1", this::toggleHelp)));
        for (Station station : Station.values()) {
            commands.add(
                    new Finder.Command("Go to " + station.label(), "Ctrl+" + station.digit(), () -> show(station)));
        }
        for (Demo demo : Demo.values()) {
            commands.add(new Finder.Command("Open the demo song " + demo.title(), "", () -> openDemo(demo)));
        }
        for (Node node : frame.lookupAll(".button")) {
            if (node instanceof Button button && isShown(button)) {
                String tip = button.getTooltip() == null
                        ? ""
                        : ": " + button.getTooltip().getText();
                commands.add(new Finder.Command(name(button).replace('\n', ' ') + tip, "", button::fire));
            }
        }
        for (HelpText.Part part : HelpText.parts()) {
            stationOf(part.place()).ifPresent(station -> part.keys()
                    .forEach(key -> commands.add(new Finder.Command(
                            part.place() + ": " + key.does(), key.keys(), () -> tell(station, key)))));
        }
        return commands;
    }

    private static String name(Button button) {
        String text =
                button.getText() == null || button.getText().isEmpty() ? button.getAccessibleText() : button.getText();
        return text == null ? "" : text;
    }

    private static boolean isShown(Button button) {
        boolean shown = !button.isDisabled() && name(button).length() > 1;
        for (Node node = button; node != null; node = node.getParent()) {
            shown &= node.isVisible();
        }
        return shown;
    }

    private static Optional<Station> stationOf(String place) {
        return Stream.of(Station.values())
                .filter(station -> station.label().equals(place))
                .findFirst();
    }

    private void tell(Station station, HelpText.Keys key) {
        show(station);
        workbench.say(Message.plain(key.keys() + ": " + key.does()));
    }

    private void newSong() {
        documents.leave(() -> {
            playback.stop();
            show(Station.SONG);
            ((SongStation) node(Station.SONG)).newSong();
        });
    }

    /** Opens a song in place of the one that is open. */
    void open(Path file) {
        documents.leave(() -> {
            playback.stop();
            workbench.open(file);
        });
    }

    private void openDemo(Demo demo) {
        documents.leave(() -> {
            playback.stop();
            workbench.openDemo(demo);
        });
    }

    Documents documents() {
        return documents;
    }

    private void undo() {
        playback.stop();
        workbench.undo();
    }

    private void redo() {
        playback.stop();
        workbench.redo();
    }

    /** Takes what lists the songs that were open lately. */
    void useRecent(Supplier<List<Path>> files) {
        top.useRecent(files);
    }

    Theme theme() {
        return theme;
    }

    void focusStation() {
        frame.getCenter().requestFocus();
    }

    PickingStation picking() {
        return (PickingStation) node(Station.PICKING);
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
        stations.values().forEach(this::dress);
    }

    private void chooseSong() {
        dialogs.open().ifPresent(this::open);
    }

    private void save(Runnable then) {
        if (workbench.project().isPresent()) {
            documents.save(then);
        }
    }
}

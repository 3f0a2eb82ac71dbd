package phalanx.desktop;

import static phalanx.words.Words.wording;

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
import javafx.scene.layout.VBox;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.desktop.guitar.GuitarStation;
import phalanx.desktop.help.Finder;
import phalanx.desktop.help.HelpPanel;
import phalanx.desktop.help.HelpText;
import phalanx.desktop.help.Tour;
import phalanx.desktop.page.PagesView;
import phalanx.desktop.picking.PickingStation;
import phalanx.desktop.practice.PracticeKeys;
import phalanx.desktop.practice.PracticeStation;
import phalanx.desktop.practice.Takes;
import phalanx.desktop.session.Journal;
import phalanx.desktop.session.Message;
import phalanx.desktop.shapes.ShapesStation;
import phalanx.desktop.song.SongStation;
import phalanx.desktop.widget.Magnified;
import phalanx.desktop.widget.Question;
import phalanx.desktop.widget.Viewed;
import phalanx.listening.Microphone;

/** The frame: rail, top bar, station and bottom line; the keys that work everywhere; files by dialog and drop. */
public final class Shell extends Magnified {
    /** The stations need so many of their own pixels. */
    private static final double LEAST_WIDTH = 1024;

    private static final double LEAST_HEIGHT = 700;
    /** Of a step larger or smaller, in hundredths. */
    private static final int SIZE_STEP = 10;

    private final Workbench workbench;
    private final Playback playback;
    private final Microphone microphone;
    private final FileDialogs dialogs;
    private final BorderPane frame = new BorderPane();
    private final Question question = new Question();
    private final Documents documents;
    private final ScoreStation score;
    private final Executor searches;
    private final Journal journal;
    private final HelpPanel help = new HelpPanel();
    private final Finder finder = new Finder();
    private final PracticeKeys practiceKeys = new PracticeKeys();
    private Runnable afterTour = () -> {};
    private final Tour tour = new Tour(() -> afterTour.run());
    private final ViewPanel looks = new ViewPanel(this::useView);
    private Station current = Station.SCORE;
    private PagesView pages;
    /** Those that were shown already; the others are made when they are asked for. */
    private final Map<Station, Node> stations = new EnumMap<>(Station.class);

    private final Rail rail;
    private final TopBar top;
    private final BottomLine bottom;
    private View view = View.FIRST;

    /**
     * @param workbench the project
     * @param playback of the arrangement
     * @param microphone off until the player switches it on in Practice
     * @param dialogs to choose files with
     * @param searches runs searches for shapes, one after another
     * @param journal keeps what is practised
     */
    Shell(
            Workbench workbench,
            Playback playback,
            Microphone microphone,
            FileDialogs dialogs,
            Executor searches,
            Journal journal) {
        super(LEAST_WIDTH, LEAST_HEIGHT);
        this.journal = journal;
        this.workbench = workbench;
        this.playback = playback;
        this.microphone = microphone;
        workbench.projectProperty().addListener((property, before, now) -> playback.useStrings(now.strings()));
        this.dialogs = dialogs;
        this.documents = new Documents(workbench, dialogs, question);
        content().getChildren().addAll(frame, help, finder, looks, question);
        this.score = new ScoreStation(workbench, playback);
        this.searches = searches;
        stations.put(Station.SCORE, score);
        this.rail = new Rail(this::show, this::showLooks, this::toggleHelp);
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
        this.bottom = new BottomLine(workbench, playback);
        frame.setBottom(new VBox(tour, bottom));
        playback.playingProperty().addListener((property, before, now) -> {
            if (!now) {
                tour.did(Tour.Step.HEAR);
            }
        });
        score.onPick(() -> tour.did(Tour.Step.SELECT));
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
            pages.useView(view);
        }
        frame.setCenter(pages);
        rail.mark(Optional.empty());
        pages.lookup("#page-sheet").requestFocus();
    }

    /** Goes to a station. */
    void show(Station station) {
        current = station;
        Node shown = node(station);
        frame.setCenter(shown);
        rail.mark(Optional.of(station));
        if (station == Station.GUITAR) {
            tour.did(Tour.Step.HAND);
        } else if (station == Station.PRACTICE) {
            tour.did(Tour.Step.PRACTISE);
        }
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
                        new Takes(dialogs::take, microphone, searches, Platform::runLater, workbench::say),
                        practiceKeys,
                        score::marked);
        };
    }

    /** Shows a station as the player wants to see it. */
    private void dress(Node station) {
        if (station instanceof Viewed viewed) {
            viewed.useView(view);
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
            workbench.say(Message.plain(
                    wording("Shell.one-song-at-a-time", files.get(0).getFileName())));
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
        key(scene, KeyCode.EQUALS, () -> resize(view.percent() + SIZE_STEP));
        key(scene, KeyCode.PLUS, () -> resize(view.percent() + SIZE_STEP));
        key(scene, KeyCode.ADD, () -> resize(view.percent() + SIZE_STEP));
        key(scene, KeyCode.MINUS, () -> resize(view.percent() - SIZE_STEP));
        key(scene, KeyCode.SUBTRACT, () -> resize(view.percent() - SIZE_STEP));
        key(scene, KeyCode.DIGIT0, () -> resize(View.FIRST.percent()));
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
        return question.isOpen() || help.isOpen() || finder.isOpen() || looks.isOpen();
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
                new Finder.Command(wording("Shell.open-a-song"), "Ctrl+O", this::chooseSong),
                new Finder.Command(wording("Shell.new-song"), "Ctrl+N", this::newSong),
                new Finder.Command(wording("Shell.save-the-project"), "Ctrl+S", () -> save(() -> {})),
                new Finder.Command(
                        wording("Shell.save-the-project-under-another"), "", () -> documents.saveAs(() -> {})),
                new Finder.Command(wording("Shell.print-see-and-save-pages"), "Ctrl+P", this::showPages),
                new Finder.Command(wording("Shell.export-notes-or-sound-to"), "Ctrl+E", documents::export),
                new Finder.Command(wording("Shell.play-or-stop"), wording("Shell.space"), this::togglePlay),
                new Finder.Command(wording("Shell.undo-take-back"), "Ctrl+Z", this::undo),
                new Finder.Command(wording("Shell.redo-bring-again"), "Ctrl+Y", this::redo),
                new Finder.Command(wording("Shell.light-dark-or-strong-theme"), "F9", this::switchTheme),
                new Finder.Command(wording("Shell.how-it-looks-size-theme"), "", this::showLooks),
                new Finder.Command(wording("Shell.take-the-tour-of-five"), "", tour::begin),
                new Finder.Command(wording("Shell.all-larger"), "Ctrl++", () -> resize(view.percent() + SIZE_STEP)),
                new Finder.Command(wording("Shell.all-smaller"), "Ctrl+-", () -> resize(view.percent() - SIZE_STEP)),
                new Finder.Command(wording("Shell.help-for-this-place"), "F1", this::toggleHelp)));
        for (Station station : Station.values()) {
            commands.add(new Finder.Command(
                    wording("Shell.go-to", station.label()), "Ctrl+" + station.digit(), () -> show(station)));
        }
        for (Demo demo : Demo.values()) {
            commands.add(
                    new Finder.Command(wording("Shell.open-the-demo-song", demo.title()), "", () -> openDemo(demo)));
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

    /**
     * Shows a newcomer round.
     *
     * @param over told when the tour ends or is left
     */
    void tour(Runnable over) {
        afterTour = over;
        tour.begin();
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

    Playback playback() {
        return playback;
    }

    PracticeKeys practiceKeys() {
        return practiceKeys;
    }

    View view() {
        return view;
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
        useView(view.with(view.theme().next()));
    }

    private void showLooks() {
        if (!isCovered()) {
            looks.show(view);
        }
    }

    private void resize(int percent) {
        useView(view.sized(percent));
        workbench.say(Message.plain(wording("Shell.all-is-shown-at-ctrl", view.percent())));
    }

    void useView(View next) {
        view = next;
        view.theme().apply(getScene(), view.percent());
        magnify(view.percent());
        bottom.useView(view);
        stations.values().forEach(this::dress);
        Optional.ofNullable(pages).ifPresent(this::dress);
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

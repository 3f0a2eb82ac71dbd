package phalanx.desktop.arrange;

import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import phalanx.arrange.Arrangement;
import phalanx.arrange.Finding;
import phalanx.desktop.Message;
import phalanx.desktop.Playback;
import phalanx.desktop.Theme;
import phalanx.desktop.Workbench;

/** The score station: the score, the strip of the whole song below it, and the Why drawer at its side. */
public final class ScoreStation extends StackPane {
    private static final double GAP = 12;

    private final Workbench workbench;
    private final Playback playback;
    private final ScoreView score = new ScoreView(this::select);
    private final SongStrip strip = new SongStrip(this::select);
    private final WhyDrawer why = new WhyDrawer();
    private final HBox content;
    private final VBox empty;
    private int shownFinding = -1;

    public ScoreStation(Workbench workbench, Playback playback) {
        this.workbench = workbench;
        this.playback = playback;
        VBox left = new VBox(score, strip);
        VBox.setVgrow(score, Priority.ALWAYS);
        HBox.setHgrow(left, Priority.ALWAYS);
        content = new HBox(GAP, left, why);
        content.setPadding(new Insets(GAP, GAP, 4, GAP));
        empty = emptyState();
        getChildren().addAll(empty, content);
        content.setVisible(false);
        setFocusTraversable(true);
        setId("score-station");
        setAccessibleText("Score. Arrow keys move, space plays, ] goes to the next finding");
        workbench.arrangementProperty().addListener((property, before, now) -> show(now));
        playback.playingProperty().addListener((property, before, now) -> showPlaying(now));
        addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        addEventHandler(KeyEvent.KEY_TYPED, this::onTyped);
        setOnMousePressed(event -> requestFocus());
    }

    private VBox emptyState() {
        Label text = new Label("Drop a lead sheet here, or open one with Ctrl+O.");
        text.getStyleClass().add("heading");
        Label kinds = new Label("MusicXML with a melody and chord symbols (.musicxml, .xml, .mxl).");
        kinds.getStyleClass().add("quiet");
        Button demo = new Button("Show the demo song");
        demo.getStyleClass().add("plain");
        demo.setOnAction(event -> {
            workbench.openDemo();
            requestFocus();
        });
        VBox box = new VBox(text, kinds, demo);
        box.getStyleClass().add("empty");
        return box;
    }

    private void show(Arrangement arrangement) {
        empty.setVisible(false);
        content.setVisible(true);
        shownFinding = -1;
        score.show(arrangement);
        strip.show(arrangement);
        select(score.selected());
    }

    public void useTheme(Theme theme) {
        score.useTheme(theme);
        strip.useTheme(theme);
        why.useTheme(theme);
        workbench.arrangement().ifPresent(shown -> why.show(shown, score.selected()));
    }

    /** Selects the moment at or before a tick. */
    public void select(int tick) {
        score.select(tick);
        workbench.arrangement().ifPresent(shown -> why.show(shown, score.selected()));
        strip.mark(score.visible());
    }

    /** The tick of the selected moment. */
    public int selected() {
        return score.selected();
    }

    /** Plays from the selected moment, or stops. */
    public void togglePlay() {
        if (playback.playingProperty().get()) {
            playback.stop();
        } else {
            workbench
                    .arrangement()
                    .ifPresentOrElse(
                            shown -> playback.play(shown, score.selected()),
                            () -> workbench.say(Message.plain("Nothing to play yet: open a song with Ctrl+O.")));
        }
    }

    private final AnimationTimer cursor = new AnimationTimer() {
        @Override
        public void handle(long now) {
            score.moveCursor(playback.tick());
            strip.mark(score.visible());
        }
    };

    private void showPlaying(boolean playing) {
        if (playing) {
            cursor.start();
        } else {
            cursor.stop();
            score.moveCursor(-1);
        }
    }

    private void onKey(KeyEvent event) {
        boolean handled = true;
        if (event.isShortcutDown()) {
            return;
        }
        switch (event.getCode()) {
            case RIGHT -> select(score.neighbour(true));
            case LEFT -> select(score.neighbour(false));
            case DOWN -> select(score.lineAway(true));
            case UP -> select(score.lineAway(false));
            case HOME -> select(0);
            case END -> select(Integer.MAX_VALUE);
            default -> handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    private void onTyped(KeyEvent event) {
        switch (event.getCharacter()) {
            case "]" -> showFinding(1);
            case "[" -> showFinding(-1);
            default -> {}
        }
    }

    private void showFinding(int step) {
        List<Finding> findings =
                workbench.arrangement().map(Arrangement::findings).orElse(List.of());
        if (findings.isEmpty()) {
            workbench.say(Message.plain("No findings in this song."));
            return;
        }
        shownFinding = Math.floorMod(shownFinding < 0 && step < 0 ? -1 : shownFinding + step, findings.size());
        Finding finding = findings.get(shownFinding);
        select(finding.tick());
        workbench.say(
                Message.plain("Finding " + (shownFinding + 1) + " of " + findings.size() + ": " + finding.message()));
    }
}

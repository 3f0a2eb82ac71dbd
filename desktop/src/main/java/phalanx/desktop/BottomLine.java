package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.Optional;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.value.ObservableValue;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressIndicator;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Viewed;
import phalanx.project.Project;
import phalanx.words.Words;

/** What just happened and how to undo it; effort, tempo ceiling and findings of the song. */
final class BottomLine extends HBox implements Viewed {
    private static final double PROGRESS_SIZE = 16;

    private final ProgressIndicator progress = new ProgressIndicator();
    /** Whether what is at work may turn; the words beside it say so too. */
    private final BooleanProperty turning = new SimpleBooleanProperty(true);

    BottomLine(Workbench workbench, Playback playback) {
        getStyleClass().add("bottom");
        Label stop = new Label(wording("BottomLine.arranging-esc-stops"));
        stop.getStyleClass().add("quiet");
        stop.setMinWidth(Region.USE_PREF_SIZE);
        stop.visibleProperty().bind(workbench.busyProperty());
        stop.managedProperty().bind(workbench.busyProperty());
        Label message = new Label();
        message.setId("message");
        message.setMinWidth(0);
        message.setWrapText(true);
        Tooltip whole = new Tooltip();
        whole.textProperty().bind(message.textProperty());
        message.setTooltip(whole);
        workbench.messageProperty().addListener((property, before, now) -> show(message, now));
        show(message, workbench.messageProperty().get());
        progress.setPrefSize(PROGRESS_SIZE, PROGRESS_SIZE);
        progress.visibleProperty().bind(workbench.busyProperty().and(turning));
        progress.managedProperty().bind(progress.visibleProperty());
        Label silent = new Label();
        ObservableValue<String> heard =
                playback.audibleProperty().map(card -> card ? "" : wording("BottomLine.no-sound-card-playing-is"));
        silent.textProperty().bind(heard);
        silent.setId("silent");
        silent.getStyleClass().add("quiet");
        silent.visibleProperty().bind(playback.playingProperty());
        silent.managedProperty().bind(playback.playingProperty());
        Label song = new Label();
        song.setId("song-figures");
        song.setMinWidth(Region.USE_PREF_SIZE);
        ObservableValue<String> figures = workbench.arrangementProperty().map(now -> figures(now, workbench.project()));
        song.textProperty().bind(figures.orElse(""));
        Region space = new Region();
        setHgrow(space, Priority.SOMETIMES);
        setHgrow(message, Priority.ALWAYS);
        getChildren().addAll(progress, stop, message, space, silent, song);
    }

    @Override
    public void useView(View view) {
        turning.set(!view.still());
    }

    private static void show(Label label, Message message) {
        label.setText(message.text());
        label.getStyleClass().remove("alarm");
        if (message.error()) {
            label.getStyleClass().add("alarm");
        }
    }

    private static String figures(Arrangement arrangement, Optional<Project> project) {
        long findings = arrangement.findings().stream()
                .filter(finding ->
                        project.flatMap(now -> now.version().ignores(finding)).isEmpty())
                .count();
        String version = project.filter(now -> now.versions().size() > 1)
                .map(now -> wording(
                        "BottomLine.version", Words.shipped(now.version().name())))
                .orElse("");
        return String.format(
                Words.figures(),
                wording("BottomLine.effort-ceiling-bpm-finding"),
                version,
                arrangement.effort(),
                Math.floor(arrangement.ceiling().tempo()),
                findings == 1 ? wording("BottomLine.one-finding") : wording("BottomLine.findings", findings),
                findings == 0 ? "" : wording("BottomLine.goes-to-the-next"));
    }
}

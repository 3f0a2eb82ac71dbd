package phalanx.desktop.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.geometry.HPos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import phalanx.arrange.KeyAdvice;
import phalanx.arrange.KeyAdvisor;
import phalanx.desktop.Project;
import phalanx.desktop.widget.Cards;

/** Where the song lies well: every key with every capo as a grid, warmer where it is harder. */
final class AdviceCard extends VBox {
    private static final double CELL = 40;
    private static final String[] HEAT = {"heat-1", "heat-2", "heat-3", "heat-4", "heat-5"};

    private final Executor background;
    private final Executor interfaceThread;
    private final Consumer<KeyAdvice> use;
    private final Button start = Cards.button("advise", "Arrange them all", "12 keys times capo 0 to 7", this::start);
    private final Button stop = Cards.button("advise-stop", "Stop", "Give up (Esc)", this::stop);
    private final ProgressBar progress = new ProgressBar(0);
    private final GridPane grid = new GridPane();
    private final Label words = Cards.quiet("");
    private final Button useButton =
            Cards.button("advise-use", "Use this", "Move the song there; undo returns", this::use);
    private Optional<Project> project = Optional.empty();
    private AtomicBoolean cancelled = new AtomicBoolean();
    private List<KeyAdvice> ways = List.of();
    private Optional<KeyAdvice> selected = Optional.empty();

    /**
     * @param background runs the work
     * @param interfaceThread runs a job on the interface thread
     * @param use takes the way that was chosen
     */
    AdviceCard(Executor background, Executor interfaceThread, Consumer<KeyAdvice> use) {
        super(8);
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.use = use;
        setId("advice");
        getStyleClass().add("card");
        grid.setHgap(2);
        grid.setVgap(2);
        grid.setId("advice-grid");
        words.setId("advice-words");
        progress.setMaxWidth(Double.MAX_VALUE);
        useButton.getStyleClass().add("strong-button");
        showIdle();
    }

    private void showIdle() {
        getChildren()
                .setAll(
                        Cards.heading("Where does it lie well?"),
                        Cards.quiet("Arranges the whole song in every key with every capo on your guitar."),
                        start);
    }

    /** Another song, guitar or hand makes what was worked out void. */
    void show(Project now) {
        boolean same = project.filter(before -> before.song()
                                .melody()
                                .equals(now.song().melody())
                        && before.song().chart().equals(now.song().chart())
                        && before.instrument().guitar().equals(now.instrument().guitar())
                        && before.instrument().tuning().equals(now.instrument().tuning())
                        && before.hand().equals(now.hand()))
                .isPresent();
        project = Optional.of(now);
        if (!same) {
            cancelled.set(true);
            ways = List.of();
            showIdle();
        }
    }

    private void start() {
        project.ifPresent(now -> {
            AtomicBoolean own = new AtomicBoolean();
            cancelled = own;
            progress.setProgress(0);
            getChildren().setAll(Cards.heading("Where does it lie well?"), progress, stop);
            long began = System.nanoTime();
            background.execute(() -> {
                try {
                    List<KeyAdvice> found = new KeyAdvisor(now.instrument(), now.hand())
                            .advise(now.song(), done -> interfaceThread.execute(() -> tick(own, done)), own::get);
                    interfaceThread.execute(() -> found(own, found, (System.nanoTime() - began) / 1e9));
                } catch (CancellationException e) {
                    // given up; the card is idle again
                } catch (RuntimeException e) {
                    interfaceThread.execute(() -> failed(own, e));
                }
            });
        });
    }

    private void failed(AtomicBoolean own, RuntimeException e) {
        if (!own.get()) {
            showIdle();
            getChildren()
                    .add(Cards.caution(
                            "Not every key could be arranged: " + e.getMessage() + ". Nothing was changed."));
        }
    }

    private void tick(AtomicBoolean own, int done) {
        if (!own.get()) {
            progress.setProgress(Math.max(progress.getProgress(), done / (double) KeyAdvisor.WAYS));
        }
    }

    /** Gives up the work, if any. */
    void stop() {
        cancelled.set(true);
        if (ways.isEmpty()) {
            showIdle();
        }
    }

    private void found(AtomicBoolean own, List<KeyAdvice> found, double seconds) {
        if (own.get()) {
            return;
        }
        ways = found;
        Label took = Cards.small(String.format(
                Locale.ROOT,
                "%d ways in %.1f s; figures are effort, marked is where it is now",
                found.size(),
                seconds));
        getChildren().setAll(Cards.heading("Where does it lie well?"), took, grid, words, new HBox(8, useButton));
        paintGrid();
        select(found.stream().min(Comparator.naturalOrder()).orElseThrow());
    }

    private void paintGrid() {
        grid.getChildren().clear();
        grid.add(Cards.small("capo"), 0, 0);
        for (int capo = 0; capo <= KeyAdvisor.HIGHEST_CAPO; capo++) {
            Label head = Cards.small(String.valueOf(capo));
            GridPane.setHalignment(head, HPos.CENTER);
            grid.add(head, capo + 1, 0);
        }
        List<KeyAdvice> inOrder = new ArrayList<>(ways);
        inOrder.sort(Comparator.naturalOrder());
        for (KeyAdvice way : ways) {
            int row = 1 + way.key().tonic().pitchClass();
            grid.add(Cards.small(way.key().toString()), 0, row);
            grid.add(cell(way, inOrder.indexOf(way) * HEAT.length / inOrder.size()), way.capo() + 1, row);
        }
        // a key's name stands once a row
        grid.getChildren()
                .removeIf(node -> GridPane.getColumnIndex(node) == 0
                        && GridPane.getRowIndex(node) > 0
                        && grid.getChildren().stream()
                                        .filter(other -> GridPane.getColumnIndex(other) == 0
                                                && GridPane.getRowIndex(other).equals(GridPane.getRowIndex(node)))
                                        .findFirst()
                                        .orElseThrow()
                                != node);
    }

    private Button cell(KeyAdvice way, int heat) {
        String text = way.isWhole() ? String.valueOf(Math.round(way.cost().effort())) : "x";
        Button cell = new Button(text);
        cell.setId("way-" + way.key().tonic().pitchClass() + "-" + way.capo());
        cell.getStyleClass().addAll("cell", HEAT[heat]);
        cell.setPrefWidth(CELL);
        cell.setMinWidth(CELL);
        cell.setAccessibleText(way.words());
        boolean now = project.filter(one -> one.instrument().capo() == way.capo()
                        && one.song().key().tonic().pitchClass()
                                == way.key().tonic().pitchClass())
                .isPresent();
        if (now) {
            cell.getStyleClass().add("now");
        }
        cell.setOnAction(event -> select(way));
        cell.setUserData(way);
        return cell;
    }

    private void select(KeyAdvice way) {
        selected = Optional.of(way);
        words.setText(way.words());
        grid.getChildren().forEach(node -> {
            node.getStyleClass().remove("chosen");
            if (way.equals(node.getUserData())) {
                node.getStyleClass().add("chosen");
            }
        });
    }

    private void use() {
        selected.ifPresent(use);
    }
}

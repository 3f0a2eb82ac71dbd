package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.arrange.advice.KeyAdvisor;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.FaultLog;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.NamedTuning;
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.song.VoiceRange;
import phalanx.theory.NoteNames;
import phalanx.words.Words;

/** Where the song lies well: every key with every capo as a grid, warmer where it is harder. */
final class AdviceCard extends VBox {
    private static final double CELL = 40;
    private static final String[] HEAT = {"heat-1", "heat-2", "heat-3", "heat-4", "heat-5"};

    private final Executor background;
    private final Executor interfaceThread;
    private final Supplier<Optional<Arrangement>> full;
    private final Consumer<KeyAdvice> use;
    private final Button start = Cards.button(
            "advise", wording("AdviceCard.arrange-them-all"), wording("AdviceCard.12-keys-times-capo-0"), this::start);
    private final Button stop =
            Cards.button("advise-stop", wording("AdviceCard.stop"), wording("AdviceCard.give-up-esc"), this::stop);
    private final ProgressBar progress = new ProgressBar(0);
    private final GridPane grid = new GridPane();
    private final Label words = Cards.quiet("");
    private final Button useButton = Cards.button(
            "advise-use", wording("AdviceCard.use-this"), wording("AdviceCard.move-the-song-there-undo"), this::use);
    private final FlowPane tunings = new FlowPane(4, 4);
    private final TextField voice = new TextField();
    private final HBox tuningChoice = new HBox(4);
    private Optional<Project> project = Optional.empty();
    private AtomicBoolean cancelled = new AtomicBoolean();
    private List<KeyAdvice> ways = List.of();
    private Optional<KeyAdvice> selected = Optional.empty();
    private Optional<Tuning> shownTuning = Optional.empty();
    private Optional<VoiceRange> singer = Optional.empty();

    /**
     * @param background runs the work
     * @param interfaceThread runs a job on the interface thread
     * @param full the full answer to the song that is shown, nothing while it is looked for
     * @param use takes the way that was chosen
     */
    AdviceCard(
            Executor background,
            Executor interfaceThread,
            Supplier<Optional<Arrangement>> full,
            Consumer<KeyAdvice> use) {
        super(8);
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.full = full;
        this.use = use;
        setId("advice");
        getStyleClass().add("card");
        grid.setHgap(2);
        grid.setVgap(2);
        grid.setId("advice-grid");
        words.setId("advice-words");
        progress.setMaxWidth(Double.MAX_VALUE);
        useButton.getStyleClass().add("strong-button");
        for (NamedTuning named : NamedTuning.values()) {
            ToggleButton button = new ToggleButton(named.label());
            button.setId("advise-" + named.name());
            button.setUserData(named);
            button.getStyleClass().addAll("plain", "small");
            button.setMinWidth(Region.USE_PREF_SIZE);
            tunings.getChildren().add(button);
        }
        voice.setId("advise-voice");
        voice.setPromptText(wording("AdviceCard.a2-to-d4"));
        voice.setPrefColumnCount(9);
        voice.setAccessibleText(wording("AdviceCard.range-of-a-voice-lowest"));
        tuningChoice.setId("advice-tunings");
        showIdle();
    }

    private void showIdle() {
        getChildren()
                .setAll(
                        Cards.heading(wording("AdviceCard.where-does-it-lie-well")),
                        Cards.quiet(wording("AdviceCard.arranges-the-whole-song-in")),
                        tunings,
                        singing(),
                        start);
    }

    private HBox singing() {
        HBox row = new HBox(8, Cards.quiet(wording("AdviceCard.voice-if-one-sings")), voice);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** The guitar's own tuning and those that are ticked. */
    private List<Tuning> chosenTunings(Project now) {
        List<Tuning> chosen = new ArrayList<>();
        chosen.add(now.instrument().tuning());
        for (Node button : tunings.getChildren()) {
            Tuning tuning = ((NamedTuning) button.getUserData()).tuning();
            if (((ToggleButton) button).isSelected() && !chosen.contains(tuning)) {
                chosen.add(tuning);
            }
        }
        return chosen;
    }

    /** Another song, guitar or hand makes what was worked out void. */
    void show(Project now) {
        boolean same = project.filter(before -> before.song()
                                .melody()
                                .equals(now.song().melody())
                        && before.song().chart().equals(now.song().chart())
                        && before.instrument().guitar().equals(now.instrument().guitar())
                        && before.hand().equals(now.hand()))
                .isPresent();
        project = Optional.of(now);
        if (same && !ways.isEmpty()) {
            paintGrid();
            selected.ifPresent(this::select);
        }
        if (!same) {
            cancelled.set(true);
            ways = List.of();
            showIdle();
        }
    }

    private void start() {
        try {
            singer = voice.getText().isBlank()
                    ? Optional.empty()
                    : Optional.of(VoiceRange.parse(NoteNames.current().english(voice.getText())));
        } catch (IllegalArgumentException e) {
            showIdle();
            getChildren().add(Cards.caution(e.getMessage()));
            return;
        }
        project.ifPresent(now -> {
            AtomicBoolean own = new AtomicBoolean();
            cancelled = own;
            progress.setProgress(0);
            getChildren().setAll(Cards.heading(wording("AdviceCard.where-does-it-lie-well")), progress, stop);
            long began = System.nanoTime();
            List<Tuning> tried = chosenTunings(now);
            Optional<Arrangement> shown = full.get();
            int all = tried.size() * KeyAdvisor.WAYS;
            background.execute(() -> {
                try {
                    KeyAdvisor advisor = new KeyAdvisor(now.instrument(), now.hand(), now.picking(), now.wishes());
                    shown.ifPresent(advisor::knowing);
                    List<KeyAdvice> found = advisor.advise(
                            now.song(), tried, done -> interfaceThread.execute(() -> tick(own, done, all)), own::get);
                    interfaceThread.execute(() -> found(own, found, (System.nanoTime() - began) / 1e9));
                } catch (CancellationException e) {
                    // given up; the card is idle again
                } catch (RuntimeException e) {
                    FaultLog.keep(e);
                    interfaceThread.execute(() -> failed(own, e));
                }
            });
        });
    }

    private void failed(AtomicBoolean own, RuntimeException e) {
        if (!own.get()) {
            showIdle();
            getChildren().add(Cards.caution(wording("AdviceCard.not-every-key-could-be", e.getMessage())));
        }
    }

    private void tick(AtomicBoolean own, int done, int all) {
        if (!own.get()) {
            progress.setProgress(Math.max(progress.getProgress(), done / (double) all));
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
        KeyAdvice best = found.stream().min(Comparator.naturalOrder()).orElseThrow();
        Label took = Cards.small(String.format(
                Words.figures(),
                wording("AdviceCard.ways-in-s-figures-are"),
                found.size(),
                seconds,
                singer.isPresent() ? wording("AdviceCard.in-brackets-not-for-the") : ""));
        getChildren()
                .setAll(
                        Cards.heading(wording("AdviceCard.where-does-it-lie-well")),
                        tuningChoice,
                        words,
                        new HBox(
                                8,
                                useButton,
                                Cards.button(
                                        "advise-again",
                                        wording("AdviceCard.ask-again"),
                                        wording("AdviceCard.other-tunings-or-a-voice"),
                                        this::again)),
                        grid,
                        took);
        showTunings(best.tuning());
        select(best);
    }

    private void again() {
        ways = List.of();
        showIdle();
    }

    /** A button for each tuning that was tried, with its least effort; one alone needs none. */
    private void showTunings(Tuning shown) {
        shownTuning = Optional.of(shown);
        List<Tuning> tried = ways.stream().map(KeyAdvice::tuning).distinct().toList();
        tuningChoice.getChildren().clear();
        tuningChoice.setManaged(tried.size() > 1);
        for (int i = 0; i < tried.size() && tried.size() > 1; i++) {
            Tuning tuning = tried.get(i);
            KeyAdvice best = bestIn(tuning);
            Button button = Cards.button(
                    "advice-tuning-" + i,
                    tuning.label() + " " + Math.round(best.cost().effort().total()),
                    wording("AdviceCard.its-least-effort-show-its"),
                    () -> {
                        showTunings(tuning);
                        select(bestIn(tuning));
                    });
            button.getStyleClass().addAll("small", tuning.equals(shown) ? "main" : "plain");
            tuningChoice.getChildren().add(button);
        }
        paintGrid();
    }

    private KeyAdvice bestIn(Tuning tuning) {
        return ways.stream()
                .filter(way -> way.tuning().equals(tuning))
                .min(Comparator.naturalOrder())
                .orElseThrow();
    }

    private void paintGrid() {
        grid.getChildren().clear();
        grid.add(Cards.small(wording("AdviceCard.capo")), 0, 0);
        for (int capo = 0; capo <= KeyAdvisor.HIGHEST_CAPO; capo++) {
            Label head = Cards.small(String.valueOf(capo));
            GridPane.setHalignment(head, HPos.CENTER);
            grid.add(head, capo + 1, 0);
        }
        List<KeyAdvice> inOrder = new ArrayList<>(ways);
        inOrder.sort(Comparator.naturalOrder());
        for (KeyAdvice way : ways) {
            if (!shownTuning.equals(Optional.of(way.tuning()))) {
                continue;
            }
            int row = 1 + way.key().tonic().pitchClass();
            grid.add(Cards.small(way.key().spoken()), 0, row);
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
        boolean sings = singer.map(
                        voice -> voice.octavesFor(way.lowest(), way.highest()).isPresent())
                .orElse(true);
        String effort =
                way.isWhole() ? String.valueOf(Math.round(way.cost().effort().total())) : "x";
        String text = sings ? effort : "(" + effort + ")";
        Button cell = new Button(text);
        cell.setId("way-" + way.key().tonic().pitchClass() + "-" + way.capo());
        cell.getStyleClass().addAll("cell", HEAT[heat]);
        cell.setPrefWidth(CELL);
        cell.setMinWidth(CELL);
        cell.setAccessibleText(way.words());
        if (isNow(way)) {
            cell.getStyleClass().add("now");
        }
        cell.setOnAction(event -> select(way));
        cell.setUserData(way);
        return cell;
    }

    /** Whether it is how the song is arranged now. */
    private boolean isNow(KeyAdvice way) {
        return project.filter(one -> one.instrument().capo() == way.capo()
                        && one.instrument().tuning().equals(way.tuning())
                        && one.song().key().tonic().pitchClass()
                                == way.key().tonic().pitchClass())
                .isPresent();
    }

    private void select(KeyAdvice way) {
        selected = Optional.of(way);
        String beside = ways.stream()
                .filter(this::isNow)
                .findFirst()
                .flatMap(now -> way.against(now, wording("AdviceCard.where-it-is-now")))
                .map(words -> " " + words)
                .orElse("");
        words.setText(way.words()
                + beside
                + singer.map(one -> " " + capital(way.sung(one)) + ".").orElse(""));
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

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }
}

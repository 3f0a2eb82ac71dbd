package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.session.FaultLog;
import phalanx.desktop.widget.Cards;
import phalanx.project.Project;
import phalanx.project.extra.Proposal;
import phalanx.project.extra.Proposals;
import phalanx.words.Words;

/** What could come before the song, after it, or the second time: proposals with what they cost, to be heard and taken. */
final class ExtrasCard extends VBox {
    private static final String TITLE = wording("ExtrasCard.before-after-again");

    private final Executor background;
    private final Executor interfaceThread;
    private final Actions actions;
    private final ProgressBar progress = new ProgressBar(0);
    private final TextField name = new TextField();
    private Optional<Project> project = Optional.empty();
    private AtomicBoolean cancelled = new AtomicBoolean();
    private boolean idle = true;

    /**
     * What the buttons do.
     *
     * @param hear lets a proposal sound
     * @param take puts it into the song
     * @param licks finds licks for the bar at the cursor
     * @param keep keeps marked bars as a lick of a name
     */
    record Actions(
            Consumer<Proposals.Priced> hear,
            Consumer<Proposals.Priced> take,
            Function<Project, List<Proposal>> licks,
            Consumer<String> keep) {}

    /**
     * @param background runs the work
     * @param interfaceThread runs a job on the interface thread
     */
    ExtrasCard(Executor background, Executor interfaceThread, Actions actions) {
        super(6);
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.actions = actions;
        setId("extras");
        getStyleClass().add("card");
        progress.setMaxWidth(Double.MAX_VALUE);
        name.setId("lick-name");
        name.setPromptText(wording("ExtrasCard.name-of-a-lick"));
        name.setAccessibleText(wording("ExtrasCard.name-of-a-lick-to"));
        name.setOnAction(event -> actions.keep.accept(name.getText()));
        showIdle();
    }

    private void showIdle() {
        idle = true;
        name.clear();
        getChildren()
                .setAll(
                        Cards.heading(TITLE),
                        new FlowPane(
                                8,
                                8,
                                Cards.button(
                                        "extras-find",
                                        wording("ExtrasCard.what-would-suit-it"),
                                        wording("ExtrasCard.arranges-the-song-with-intros"),
                                        () -> start(new Proposals()::of)),
                                Cards.button(
                                        "licks-find",
                                        wording("ExtrasCard.a-lick-in-this-bar"),
                                        wording("ExtrasCard.licks-in-place-of-the"),
                                        () -> start(actions.licks))),
                        keeping());
    }

    private HBox keeping() {
        HBox row = new HBox(
                8,
                name,
                Cards.button(
                        "lick-keep",
                        wording("ExtrasCard.keep-as-a-lick"),
                        wording("ExtrasCard.the-marked-bars-or-the"),
                        () -> actions.keep.accept(name.getText())));
        HBox.setHgrow(name, Priority.ALWAYS);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** Another state of the project makes what was proposed void. */
    void show(Project now) {
        boolean same = project.filter(now::equals).isPresent();
        project = Optional.of(now);
        if (!same) {
            cancelled.set(true);
            if (!idle) {
                showIdle();
            }
        }
    }

    /** Gives up the work, if any. */
    void stop() {
        cancelled.set(true);
        if (progress.getParent() != null) {
            showIdle();
        }
    }

    private void start(Function<Project, List<Proposal>> find) {
        project.ifPresent(now -> {
            AtomicBoolean own = new AtomicBoolean();
            cancelled = own;
            idle = false;
            progress.setProgress(0);
            getChildren()
                    .setAll(
                            Cards.heading(TITLE),
                            progress,
                            Cards.button("extras-stop", wording("ExtrasCard.stop"), "Esc", this::stop));
            List<Proposal> proposals = find.apply(now);
            int all = Math.max(1, proposals.size());
            background.execute(() -> {
                try {
                    List<Proposals.Priced> found = new Proposals()
                            .priced(
                                    now,
                                    proposals,
                                    done -> interfaceThread.execute(() -> progress.setProgress(done / (double) all)),
                                    own::get);
                    interfaceThread.execute(() -> found(own, found));
                } catch (CancellationException e) {
                    // given up, or the song has changed: the card is idle again
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
            getChildren().add(Cards.caution(wording("ExtrasCard.not-all-could-be-arranged", e.getMessage())));
        }
    }

    private void found(AtomicBoolean own, List<Proposals.Priced> found) {
        if (own.get()) {
            return;
        }
        getChildren()
                .setAll(
                        Cards.heading(TITLE),
                        Cards.button(
                                "extras-back",
                                wording("ExtrasCard.back"),
                                wording("ExtrasCard.other-proposals"),
                                this::showIdle));
        if (found.isEmpty()) {
            getChildren().add(Cards.quiet(wording("ExtrasCard.nothing-for-this-song-before")));
        }
        for (int i = 0; i < found.size(); i++) {
            getChildren().add(row(found.get(i), i + 1));
        }
    }

    private VBox row(Proposals.Priced priced, int number) {
        Label name = new Label(priced.proposal().name());
        name.setWrapText(true);
        HBox line = new HBox(
                8,
                Cards.small(String.format(
                        Words.figures(),
                        wording("ExtrasCard.effort-1f-to-bpm"),
                        priced.proposal().place(),
                        priced.moreEffort(),
                        Math.floor(priced.ceiling()))),
                Cards.space(),
                Cards.button(
                        "extra-hear-" + number,
                        wording("ExtrasCard.hear"),
                        wording("ExtrasCard.as-it-would-sound"),
                        () -> actions.hear.accept(priced)),
                Cards.button(
                        "extra-take-" + number,
                        wording("ExtrasCard.put-it-in"),
                        wording("ExtrasCard.ctrl-z-takes-it-back"),
                        () -> actions.take.accept(priced)));
        line.setAlignment(Pos.CENTER_LEFT);
        return new VBox(2, name, line);
    }
}

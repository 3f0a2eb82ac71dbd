package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ObjIntConsumer;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.desktop.Playback;
import phalanx.desktop.SoundKeys;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.lefthand.shape.Finger;
import phalanx.project.Project;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.Moved;
import phalanx.song.Song;

/** The score station: the score, the strip of the whole song below it, and the Why drawer at its side. */
public final class ScoreStation extends StackPane implements Viewed {
    private static final double GAP = 12;

    private final Workbench workbench;
    private final Playback playback;
    private final SoundKeys keys;
    private final ScoreView score = new ScoreView(this::pick, this::markTo);
    private final SongStrip strip = new SongStrip(this::select);
    private static final Duration SETTLED = Duration.millis(120);
    private static final int MOST_WAYS = 4;

    private final WhyDrawer why;
    private final PauseTransition settled = new PauseTransition(SETTLED);
    private final HBox content;
    private final VBox empty;
    private final AttackKeys attacks;
    private final PlaceKeys places;
    private final NoteKeys notes;
    private final Decisions decisions;
    private final FindingsPanel findings;
    private final VersionsPanel versions;
    private int shownFinding = -1;
    private Runnable picked = () -> {};
    private final BarCopies copies;
    private Optional<HandTimes> times = Optional.empty();

    public ScoreStation(Workbench workbench, Playback playback) {
        this.workbench = workbench;
        this.playback = playback;
        keys = new SoundKeys(playback, words -> workbench.say(Message.plain(words)));
        this.attacks = new AttackKeys(workbench);
        this.places = new PlaceKeys(workbench);
        this.notes = new NoteKeys(workbench);
        this.copies = new BarCopies(workbench);
        this.decisions = new Decisions(workbench, this::requestFocus);
        this.why = new WhyDrawer(
                new WhyDrawer.Actions(
                        workbench::lock,
                        workbench::release,
                        this::findFaster,
                        way -> {
                            workbench.take(way);
                            requestFocus();
                        },
                        this::toggleFindings,
                        this::findHelp,
                        remedy -> {
                            workbench.decide(remedy.name(), remedy.edit());
                            requestFocus();
                        },
                        (finding, reason) -> {
                            workbench.decide(
                                    reason.isBlank()
                                            ? wording("ScoreStation.finding-to-count-again")
                                            : wording("ScoreStation.finding-to-stand"),
                                    project -> project.ignoring(finding, reason));
                            requestFocus();
                        },
                        this::toggleVersions,
                        this::hearChange),
                decisions);
        this.findings = new FindingsPanel(finding -> select(finding.tick()), this::showMoment);
        this.versions = new VersionsPanel(
                workbench, playback, new VersionsPanel.Marks(this::select, score::markOtherwise), this::showMoment);
        settled.setOnFinished(event -> findOtherWays());
        score.onSeen(strip::mark);
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
        setAccessibleText(wording("ScoreStation.score"));
        setAccessibleHelp(wording("ScoreStation.arrow-keys-move-and-with"));
        WhenShown.follow(this, workbench.arrangementProperty(), (before, now) -> show(now));
        playback.playingProperty().addListener((property, before, now) -> showPlaying(now));
        playback.habitsProperty().addListener((property, before, now) -> {
            if (now.loop() != before.loop() && playback.playingProperty().get()) {
                workbench.arrangement().ifPresent(this::play);
            }
        });
        addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        addEventHandler(KeyEvent.KEY_TYPED, this::onTyped);
        setOnMousePressed(event -> requestFocus());
    }

    private VBox emptyState() {
        Label text = new Label(wording("ScoreStation.drop-a-lead-sheet-here"));
        text.getStyleClass().add("heading");
        Label kinds = new Label(wording("ScoreStation.musicxml-musicxml-xml-mxl-or"));
        kinds.getStyleClass().add("quiet");
        Button demo = new Button(wording("ScoreStation.show-the-demo-song"));
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
        score.show(arrangement, locks());
        strip.show(arrangement);
        findings.show(arrangement, workbench.project().orElseThrow().version());
        if (isBeside(versions)) {
            versions.show();
        }
        offerFaster();
        select(score.selected());
    }

    @Override
    public void useView(View view) {
        score.useView(view);
        strip.useView(view);
        why.useView(view);
        workbench.arrangement().ifPresent(this::explain);
    }

    /** Selects the moment at or before a tick. */
    public void select(int tick) {
        score.select(tick);
        workbench.arrangement().ifPresent(this::explain);
    }

    /** The bars that are marked, if any. */
    public Optional<Moved.Stretch> marked() {
        return score.marked();
    }

    /** @param then told whenever the player chooses a moment */
    public void onPick(Runnable then) {
        picked = then;
    }

    private void pick(int tick) {
        select(tick);
        picked.run();
    }

    /** Marks bars from the selection to a tick. */
    private void markTo(int tick) {
        score.mark(tick);
        workbench.arrangement().ifPresent(this::explain);
    }

    private void explain(Arrangement shown) {
        workbench.project().ifPresent(project -> decisions.show(project, score.selected()));
        if (score.marked().isPresent()) {
            settled.stop();
            why.showBars(
                    shown,
                    score.marked().get(),
                    workbench.project().orElseThrow().version(),
                    times(shown).ceilings());
            setAccessibleText(wording("ScoreStation.marked", why.place()));
            return;
        }
        // heard by who does not see the screen
        setAccessibleText(Spoken.moment(shown, score.selected()));
        Bar bar = shown.song().barAt(score.selected());
        why.showCeiling(bar, times(shown).ceilings().get(shown.song().barIndexAt(score.selected())));
        why.show(
                shown,
                score.selected(),
                !locks().isEmpty(),
                workbench.project().orElseThrow().version());
        times(shown)
                .next(score.selected())
                .ifPresentOrElse(next -> why.showChange(shown, next.tick(), next.change()), why::showNoChange);
        if (isWritten()) {
            why.showWritten(workbench::arrangeAnew);
            return;
        }
        why.showLock(shown.slotAt(score.selected()), lock());
        settled.playFromStart();
    }

    private List<Lock> locks() {
        return workbench.project().map(Project::locks).orElse(List.of());
    }

    private boolean isWritten() {
        return workbench.project().flatMap(Project::written).isPresent();
    }

    private Optional<ShapeLock> lock() {
        return workbench.arrangement().flatMap(shown -> shown.request().shapes().stream()
                .filter(one -> one.covers(score.selected()))
                .findFirst());
    }

    /** When the selection rests; going through the score quickly asks for nothing. */
    private void findOtherWays() {
        int tick = score.selected();
        if (lock().isEmpty() && !isWritten()) {
            workbench.solver().otherWays(tick, MOST_WAYS, found -> {
                if (tick == score.selected() && lock().isEmpty()) {
                    workbench.arrangement().ifPresent(shown -> why.showLock(shown.slotAt(tick), lock()));
                    why.showOtherWays(found);
                }
            });
        }
    }

    private void findHelp(Finding finding, WhyDrawer.Help help) {
        workbench
                .project()
                .ifPresent(project -> workbench.solver().remedies(project, finding, help.found(), help.givenUp()));
    }

    private void findFaster() {
        workbench
                .solver()
                .fasterWay(
                        found -> workbench.arrangement().ifPresent(shown -> why.showFaster(found, ceiling(shown))),
                        this::offerFaster);
    }

    /** Notes that are kept as written have no other way. */
    private void offerFaster() {
        workbench
                .arrangement()
                .filter(shown -> !isWritten())
                .ifPresentOrElse(shown -> why.offerFaster(ceiling(shown)), why::hideFaster);
    }

    private static double ceiling(Arrangement arrangement) {
        return Math.floor(arrangement.ceiling().tempo());
    }

    private void lockSelected() {
        workbench.arrangement().ifPresent(shown -> {
            if (lock().isEmpty()) {
                workbench.lock(shown.slotAt(score.selected()).lock());
            }
        });
    }

    /** A shape of the player's own; else what was put in there, the least of it first; else the shape of a cascade or of the chart. */
    private void releaseSelected() {
        Optional<AddedLock> added = locks().stream()
                .filter(AddedLock.class::isInstance)
                .map(AddedLock.class::cast)
                .filter(one -> one.covers(score.selected()))
                .min(Comparator.comparingInt(one -> one.endTick() - one.startTick()));
        boolean own = lock().filter(shape -> locks().contains(shape)).isPresent();
        if (added.isPresent() && !own) {
            workbench.decide(Decisions.takingOut(added.get()), now -> now.without(added.get()));
            return;
        }
        lock().ifPresentOrElse(
                        workbench::release,
                        () -> workbench.say(Message.plain(wording("ScoreStation.no-lock-holds-at-this"))));
    }

    /** The first and last tick on screen. */
    public List<Integer> visible() {
        return score.visible();
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
                            this::play,
                            () -> workbench.say(Message.plain(wording("ScoreStation.nothing-to-play-yet-open"))));
        }
    }

    /** The bars of a loop, or from the selected moment to the end. */
    private void play(Arrangement shown) {
        if (playback.habitsProperty().get().loop()) {
            Moved.Stretch bars = bars(shown.song());
            playback.playBars(shown, bars.from(), bars.to());
        } else {
            playback.play(shown, Math.min(score.selected(), shown.song().endTick() - 1));
        }
    }

    /** What the hand does next, and the moment before, over and over; the same again stops it. */
    private void hearChange() {
        if (playback.playingProperty().get()) {
            playback.stop();
            return;
        }
        workbench.arrangement().ifPresent(shown -> times(shown)
                .next(score.selected())
                .ifPresentOrElse(
                        next -> {
                            int before = shown.slotAt(next.tick() - 1).startTick();
                            playback.playBars(
                                    shown, before, shown.slotAt(next.tick()).endTick());
                            workbench.say(Message.plain(wording("ScoreStation.this-change-is-heard-over")));
                        },
                        () -> workbench.say(Message.plain(wording("ScoreStation.from-here-on-the-hand")))));
    }

    private final AnimationTimer cursor = new AnimationTimer() {
        @Override
        public void handle(long now) {
            score.moveCursor(playback.tick());
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
        if (event.getTarget() instanceof TextInputControl) {
            // letters that are typed in a field are no commands
            return;
        }
        boolean handled = true;
        if (event.isShortcutDown()) {
            onShortcut(event);
            return;
        }
        if (event.isAltDown()) {
            if (onPlaceKey(event.getCode(), event.isShiftDown() ? Role.BASS : Role.MELODY)) {
                event.consume();
            }
            return;
        }
        switch (event.getCode()) {
            case RIGHT -> go(event, score.neighbour(true));
            case LEFT -> go(event, score.neighbour(false));
            case DOWN -> go(event, score.lineAway(true));
            case UP -> go(event, score.lineAway(false));
            case HOME -> go(event, 0);
            case END -> go(event, Integer.MAX_VALUE);
            case F -> toggleFindings();
            case V -> toggleVersions();
            case T -> toggleStaff();
            case R -> toggleRunning();
            case P -> toggleFolded();
            case N -> note((shown, tick) -> notes.inner(shown, tick, true));
            case DELETE, BACK_SPACE -> note((shown, tick) -> notes.inner(shown, tick, false));
            case E -> note(notes::role);
            case O -> note((shown, tick) -> notes.octave(shown, tick, !event.isShiftDown()));
            case M -> note((shown, tick) -> notes.inner(shown, (tick + score.next()) / 2, true));
            case K -> lockSelected();
            case U -> releaseSelected();
            case S -> press(event.isShiftDown() ? AttackLock.Way.SLID_INTO : AttackLock.Way.SLURRED);
            case B -> press(event.isShiftDown() ? AttackLock.Way.CURLED : AttackLock.Way.BENT);
            case H -> press(AttackLock.Way.HARMONIC);
            case W -> press(AttackLock.Way.VIBRATO);
            case D -> press(AttackLock.Way.SHIFTED);
            case X -> hearChange();
            default -> handled = keys.layers(event) || keys.loopOrClick(event);
        }
        if (handled) {
            event.consume();
        }
    }

    /** With Shift the bars on the way are marked. */
    private void go(KeyEvent event, int tick) {
        if (event.isShiftDown()) {
            markTo(tick);
        } else {
            pick(tick);
        }
    }

    private void onShortcut(KeyEvent event) {
        boolean handled = workbench.arrangement().isPresent();
        switch (event.getCode()) {
            case A -> {
                select(0);
                markTo(Integer.MAX_VALUE);
            }
            case C -> workbench.project().ifPresent(project -> copies.copy(project, bars(project.song())));
            case V ->
                workbench
                        .project()
                        .ifPresent(project ->
                                copies.putOn(project, bars(project.song()).from()));
            default -> handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    /** The marked bars, or the one that is selected. */
    private Moved.Stretch bars(Song song) {
        Bar bar = song.barAt(Math.min(score.selected(), song.endTick() - 1));
        return score.marked().orElse(new Moved.Stretch(bar.startTick(), bar.endTick()));
    }

    /** What the hands have time for, worked out once for what is shown. */
    private HandTimes times(Arrangement shown) {
        if (times.filter(known -> known.arrangement() == shown).isEmpty()) {
            times = Optional.of(HandTimes.of(shown));
        }
        return times.orElseThrow();
    }

    /**
     * Alt with arrows moves a note to another string, with a figure or T it changes its finger, with the letter of a digit
     * that; Shift means the bass.
     */
    private boolean onPlaceKey(KeyCode code, Role role) {
        Optional<Arrangement> shown = workbench.arrangement();
        Optional<Finger> finger =
                switch (code) {
                    case DIGIT1 -> Optional.of(Finger.INDEX);
                    case DIGIT2 -> Optional.of(Finger.MIDDLE);
                    case DIGIT3 -> Optional.of(Finger.RING);
                    case DIGIT4 -> Optional.of(Finger.LITTLE);
                    case T -> Optional.of(Finger.THUMB);
                    default -> Optional.empty();
                };
        Optional<Digit> digit =
                switch (code) {
                    case P, I, M, A, C -> Optional.of(Digit.of(code.getName().toLowerCase(Locale.ROOT)));
                    default -> Optional.empty();
                };
        boolean moves = code == KeyCode.UP || code == KeyCode.DOWN;
        if (moves) {
            shown.ifPresent(song -> places.move(song, score.selected(), role, code == KeyCode.UP));
        }
        finger.ifPresent(own -> shown.ifPresent(song -> places.finger(song, score.selected(), role, own)));
        digit.ifPresent(own -> shown.ifPresent(song -> places.digit(song, score.selected(), role, own)));
        return moves || finger.isPresent() || digit.isPresent();
    }

    /** The list of all findings in place of the moment, or the moment again. */
    private void toggleFindings() {
        if (isBeside(findings)) {
            showMoment();
        } else {
            showBeside(findings);
            findings.refresh();
        }
    }

    /** Shows standard notation above the lanes, or no longer. */
    public void toggleStaff() {
        boolean shown = score.toggleStaff();
        workbench.say(Message.plain(
                shown
                        ? wording("ScoreStation.standard-notation-stands-above-sounding")
                        : wording("ScoreStation.without-the-staff-t-shows")));
    }

    /** Shows one running line, or lines below each other again. */
    private void toggleRunning() {
        workbench.say(Message.plain(
                score.toggleRunning()
                        ? wording("ScoreStation.one-line-that-runs-on")
                        : wording("ScoreStation.lines-below-each-other-r")));
    }

    /** Shows what comes again once, or every bar in order of playing. */
    private void toggleFolded() {
        boolean folded = score.toggleFolded();
        String words = folded
                ? score.hidesBars()
                        ? wording("ScoreStation.what-comes-again-is-shown-once")
                        : wording("ScoreStation.nothing-comes-again-with-the-same")
                : wording("ScoreStation.every-bar-in-order-of-playing");
        workbench.say(Message.plain(words));
    }

    private void toggleVersions() {
        if (isBeside(versions)) {
            showMoment();
        } else if (workbench.arrangement().isPresent()) {
            showBeside(versions);
            versions.show();
        }
    }

    private void showMoment() {
        showBeside(why);
        requestFocus();
    }

    private boolean isBeside(Node panel) {
        return content.getChildren().contains(panel);
    }

    private void showBeside(Node panel) {
        if (isBeside(versions) && panel != versions) {
            versions.leave();
        }
        content.getChildren().removeAll(why, findings, versions);
        content.getChildren().add(panel);
    }

    private void note(ObjIntConsumer<Arrangement> edit) {
        workbench.arrangement().ifPresent(shown -> edit.accept(shown, score.selected()));
    }

    private void press(AttackLock.Way way) {
        workbench.arrangement().ifPresent(shown -> attacks.press(shown, score.selected(), way));
    }

    private void onTyped(KeyEvent event) {
        if (event.getTarget() instanceof TextInputControl) {
            return;
        }
        switch (event.getCharacter()) {
            case "]" -> showFinding(1);
            case "[" -> showFinding(-1);
            case "." -> note((shown, tick) -> notes.length(shown, tick, true));
            case "," -> note((shown, tick) -> notes.length(shown, tick, false));
            case "+", "=" -> score.zoom(true);
            case "-" -> score.zoom(false);
            case "0" -> score.zoomBack();
            case "<" -> keys.faster(false);
            case ">" -> keys.faster(true);
            default -> {}
        }
    }

    /** The findings that the player does not let stand. */
    private List<Finding> open() {
        return workbench.arrangement().stream()
                .flatMap(shown -> shown.findings().stream())
                .filter(finding -> workbench
                        .project()
                        .flatMap(project -> project.version().ignores(finding))
                        .isEmpty())
                .toList();
    }

    private void showFinding(int step) {
        List<Finding> findings = open();
        if (findings.isEmpty()) {
            workbench.say(Message.plain(wording("ScoreStation.no-findings-in-this-song")));
            return;
        }
        shownFinding = Math.floorMod(shownFinding < 0 && step < 0 ? -1 : shownFinding + step, findings.size());
        Finding finding = findings.get(shownFinding);
        select(finding.tick());
        workbench.say(Message.plain(
                wording("ScoreStation.finding-of", shownFinding + 1, findings.size(), finding.message())));
    }
}

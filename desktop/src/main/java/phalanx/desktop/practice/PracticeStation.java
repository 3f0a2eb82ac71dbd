package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.animation.AnimationTimer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Playback;
import phalanx.desktop.SoundKeys;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.arrange.ScoreView;
import phalanx.desktop.session.Journal;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.desktop.widget.WordsCell;
import phalanx.practice.LogEntry;
import phalanx.practice.Progress;
import phalanx.practice.Step;
import phalanx.practice.Today;
import phalanx.song.Moved;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;
import phalanx.words.Words;

/** The ladder of the song or a section: what to play now, in a loop; every key can be reached with a guitar in the lap. */
public final class PracticeStation extends StackPane implements Viewed {
    private static final double GAP = 12;
    private static final double LIST = 280;
    private static final double NARROW = 1100;
    /** So many buttons are for every round. */
    private static final int EVERY_ROUND = 7;

    private static final int TEMPO_STEP = 4;

    private final Workbench workbench;
    private final Playback playback;
    private final SoundKeys keys;
    private final Journal journal;
    private final LastPass lastPass;
    private final PracticeKeys ownKeys;
    private final KeysPanel keysPanel;
    private final Clock clock;
    private final Label record = Cards.quiet("");
    private final ComboBox<String> passage = new ComboBox<>();
    private final ListView<Step> list = new ListView<>();
    private final TodayPanel today;
    private final Label rungs = Cards.heading(wording("PracticeStation.the-ladder"));
    private final Label place = Cards.quiet("");
    private final Label name = new Label();
    private final Label adds = new Label();
    private final CountRow count = new CountRow();
    private final Label next = new Label();
    private final Label tempo = new Label();
    private final Label clean = Cards.quiet("");
    private final Label why = Cards.quiet("");
    private final Button start = Cards.button(
            "practice-start",
            wording("PracticeStation.start-space"),
            wording("PracticeStation.play-the-step-in-a"),
            this::toggle);
    private final ScoreView view = new ScoreView(tick -> requestFocus(), tick -> requestFocus());
    private final Button feel;
    private final Button note;
    /** Close together, so that they stand in two rows in the smallest window. */
    private final FlowPane buttons = new FlowPane(5, 8);

    private final FlowPane passes = new FlowPane(8, 4, clean, record);
    private final TakeControls takes;
    private final ProgressView progress = new ProgressView();
    private final AnimationTimer cursor = new AnimationTimer() {
        @Override
        public void handle(long now) {
            follow();
        }
    };
    private final HBox content;
    private final VBox empty = new VBox(Cards.heading(wording("PracticeStation.open-a-song-to-practise")));
    private final Supplier<Optional<Moved.Stretch>> marked;
    private List<PassageChoice> choices = List.of();
    private List<Step> steps = List.of();
    private int cleanPasses;
    /** The tempo the player has chosen for the step, in quarter notes a minute. */
    private int chosenTempo;

    private boolean sounding;
    private boolean filling;

    /**
     * @param journal keeps what is practised
     * @param takes hears recordings
     * @param ownKeys the player's own keys, which can be changed here
     * @param marked the bars that are marked in the score
     */
    public PracticeStation(
            Workbench workbench,
            Playback playback,
            Journal journal,
            Takes takes,
            PracticeKeys ownKeys,
            Supplier<Optional<Moved.Stretch>> marked) {
        this.takes = new TakeControls(takes, this::asked, this::beSilent, this::showTake);
        this.journal = journal;
        this.clock = journal.clock();
        this.lastPass = new LastPass(journal, words -> workbench.say(Message.plain(words)), this::requestFocus);
        this.feel = Cards.button(
                "practice-feel",
                wording("PracticeStation.feel-f"),
                wording("PracticeStation.how-the-last-pass-felt"),
                lastPass::sayFeel);
        this.note = Cards.button(
                "practice-note-open",
                wording("PracticeStation.note-n"),
                wording("PracticeStation.a-word-on-the-last"),
                lastPass::openNote);
        this.ownKeys = ownKeys;
        this.today =
                new TodayPanel(journal, LIST, step -> list.getSelectionModel().select(step), this::requestFocus);
        this.marked = marked;
        this.keysPanel = new KeysPanel(ownKeys, words -> workbench.say(Message.error(words)));
        this.workbench = workbench;
        this.playback = playback;
        keys = new SoundKeys(playback, words -> workbench.say(Message.plain(words)));
        passage.setId("practice-passage");
        passage.setAccessibleText(wording("PracticeStation.what-to-practise"));
        passage.setMaxWidth(Double.MAX_VALUE);
        passage.setOnAction(event -> {
            if (!filling) {
                climb();
                requestFocus();
            }
        });
        list.setId("ladder");
        list.setAccessibleText(wording("PracticeStation.steps-of-the-ladder"));
        list.getStyleClass().add("plain-list");
        list.setCellFactory(
                view -> new WordsCell<>(LIST - 60, step -> (list.getItems().indexOf(step) + 1) + ". " + step.name()));
        list.setFocusTraversable(false);
        list.getSelectionModel().selectedIndexProperty().addListener((property, before, now) -> {
            if (!filling && now.intValue() >= 0) {
                show(now.intValue());
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox left = Cards.card(wording("PracticeStation.today"), passage, today, rungs, list);
        left.setPrefWidth(LIST);
        left.setMinWidth(LIST);
        view.zoom(false);
        view.setMinHeight(0);
        VBox.setVgrow(view, Priority.ALWAYS);
        progress.setVisible(false);
        this.takes.panel().setVisible(false);
        keysPanel.setVisible(false);
        StackPane lower = new StackPane(view, progress, this.takes.panel(), keysPanel);
        lower.setMinHeight(0);
        VBox.setVgrow(lower, Priority.ALWAYS);
        HBox heading = new HBox(24, name, place);
        heading.setAlignment(Pos.BASELINE_LEFT);
        VBox right = new VBox(
                8,
                heading,
                adds,
                beat(),
                fillButtons(),
                passes,
                lastPass.note(),
                why,
                lower,
                Cards.small(Today.CAUTION));
        right.getStyleClass().add("card");
        right.setPadding(new Insets(24));
        HBox.setHgrow(right, Priority.ALWAYS);
        id(place, "practice-place", "practice-quiet");
        record.setId("practice-record");
        id(name, "practice-name", "practice-name");
        id(adds, "practice-adds", "practice-line");
        id(next, "practice-next-shape", "practice-line");
        tempo.setMinWidth(USE_PREF_SIZE);
        id(tempo, "practice-tempo", "practice-count");
        content = new HBox(GAP, left, right);
        content.setPadding(new Insets(GAP));
        content.setVisible(false);
        empty.getStyleClass().add("empty");
        getChildren().addAll(empty, content);
        setId("practice-station");
        setFocusTraversable(true);
        setAccessibleText(wording("PracticeStation.practice-space-starts-and-stops"));
        // what is left is not heard on
        sceneProperty().addListener((property, before, now) -> {
            if (now == null) {
                stop();
                this.takes.stopListening();
            } else {
                offerAgain();
            }
        });
        widthProperty().addListener((property, before, now) -> fit(now.doubleValue() < NARROW));
        WhenShown.follow(this, workbench.arrangementProperty(), (before, now) -> show(now));
        addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        addEventHandler(KeyEvent.KEY_RELEASED, event -> {
            // when it is pressed its letter is still to come, and would fall into the field
            if (event.getCode() == KeyCode.N
                    && !event.isShortcutDown()
                    && !lastPass.note().isVisible()) {
                lastPass.openNote();
            }
        });
        setOnMousePressed(event -> requestFocus());
    }

    private static void id(Label label, String id, String style) {
        label.setId(id);
        label.getStyleClass().add(style);
        label.setWrapText(true);
        label.setMinHeight(USE_PREF_SIZE);
    }

    private HBox beat() {
        HBox beat = new HBox(40, tempo, count, next);
        beat.setAlignment(Pos.CENTER_LEFT);
        return beat;
    }

    /** What is said of the last pass: among the buttons, or where these are too many beside what it was like. */
    private void fit(boolean narrow) {
        FlowPane from = narrow ? buttons : passes;
        FlowPane to = narrow ? passes : buttons;
        from.getChildren().removeAll(feel, note);
        if (!to.getChildren().contains(feel)) {
            to.getChildren().addAll(feel, note);
        }
    }

    private FlowPane fillButtons() {
        buttons.getChildren()
                .addAll(
                        start,
                        Cards.button(
                                "practice-clean",
                                wording("PracticeStation.clean-c"),
                                wording("PracticeStation.it-was-clean-three-in"),
                                () -> judge(true)),
                        Cards.button(
                                "practice-not-clean",
                                wording("PracticeStation.not-clean-x"),
                                wording("PracticeStation.count-anew"),
                                () -> judge(false)),
                        Cards.button(
                                "practice-slower",
                                wording("PracticeStation.slower-down"),
                                wording("PracticeStation.by-four"),
                                () -> faster(-TEMPO_STEP)),
                        Cards.button(
                                "practice-faster",
                                wording("PracticeStation.faster-up"),
                                wording("PracticeStation.by-four"),
                                () -> faster(TEMPO_STEP)),
                        Cards.button(
                                "practice-before",
                                wording("PracticeStation.before-left"),
                                wording("PracticeStation.the-step-before"),
                                () -> go(-1)),
                        Cards.button(
                                "practice-next",
                                wording("PracticeStation.next-enter"),
                                wording("PracticeStation.the-next-step"),
                                () -> go(1)),
                        Cards.button(
                                "practice-progress-show",
                                wording("PracticeStation.progress-p"),
                                wording("PracticeStation.tempo-over-days-or-the"),
                                this::toggleProgress),
                        takes.openButton(),
                        takes.microphoneButton(),
                        Cards.button(
                                "practice-keys-open",
                                wording("PracticeStation.keys-k"),
                                wording("PracticeStation.keys-of-your-own-for"),
                                this::toggleKeys),
                        feel,
                        note);
        buttons.setAlignment(Pos.CENTER_LEFT);
        // what is pressed in every round is large, the rest leaves room to the notes
        buttons.getChildren().stream().skip(EVERY_ROUND).forEach(button -> button.getStyleClass()
                .add("small"));
        return buttons;
    }

    private void show(Arrangement arrangement) {
        empty.setVisible(false);
        content.setVisible(true);
        offer(arrangement.song());
        climb();
    }

    /** What can be chosen; what was chosen stays where it is still there. */
    private void offer(Song song) {
        filling = true;
        String before = passage.getValue();
        choices = PassageChoice.of(song, marked.get());
        List<String> words = choices.stream().map(PassageChoice::words).toList();
        passage.getItems().setAll(words);
        passage.setValue(words.contains(before) ? before : words.get(0));
        filling = false;
    }

    /** Bars may have been marked in the score meanwhile. */
    private void offerAgain() {
        workbench.arrangement().filter(shown -> !choices.isEmpty()).ifPresent(shown -> {
            if (!choices.equals(PassageChoice.of(shown.song(), marked.get()))) {
                String before = passage.getValue();
                offer(shown.song());
                if (!before.equals(passage.getValue())) {
                    climb();
                }
            }
        });
    }

    /** The ladder of what is chosen. */
    private void climb() {
        Arrangement arrangement = workbench.arrangement().orElseThrow();
        String before = steps.isEmpty()
                ? ""
                : steps.get(Math.min(at(), steps.size() - 1)).name();
        steps = chosen().steps(arrangement);
        rungs.setText(isDrills() ? wording("PracticeStation.drills") : wording("PracticeStation.the-ladder"));
        filling = true;
        list.getItems().setAll(steps);
        filling = false;
        applyCss();
        list.refresh();
        today.show(title(), steps, chosen());
        if (steps.isEmpty()) {
            stop();
            name.setText(wording("PracticeStation.nothing-is-played-in-these"));
            List.of(place, adds, tempo, clean, record, why, next).forEach(label -> label.setText(""));
            count.clear();
            view.setVisible(false);
        } else {
            showBelow(progress.isVisible() ? progress : view);
            showProgress();
            // an edit elsewhere leaves the player where they were
            int again = Math.max(0, steps.stream().map(Step::name).toList().indexOf(before));
            list.getSelectionModel().select(again);
            show(again);
        }
    }

    /** What is chosen. */
    private PassageChoice chosen() {
        return choices.stream()
                .filter(choice -> choice.words().equals(passage.getValue()))
                .findFirst()
                .orElseThrow();
    }

    /** Whether exercises apart are chosen, and no ladder. */
    private boolean isDrills() {
        return chosen().drills();
    }

    private int at() {
        return Math.max(0, list.getSelectionModel().getSelectedIndex());
    }

    private void show(int index) {
        stop();
        Step step = steps.get(index);
        if (takes.panel().isVisible()) {
            // what was heard was of the step before
            showBelow(view);
        }
        cleanPasses = 0;
        chosenTempo = step.tempo();
        lastPass.forget();
        name.setText(step.name());
        adds.setText((isDrills() ? wording("PracticeStation.drill") : wording("PracticeStation.new")) + step.adds());
        showCount(step);
        why.setText(wording("PracticeStation.why-now", step.why()));
        view.show(part(step), List.of());
        view.select(step.bars().get(0).startTick());
        showRecord();
        list.scrollTo(Math.max(0, index - 3));
        tell();
    }

    private String title() {
        return workbench.arrangement().orElseThrow().song().title();
    }

    /** What the log has of the step, and of the song today. */
    private void showRecord() {
        Step step = steps.get(at());
        String chosen = chosen().id();
        LocalDate today = LocalDate.ofInstant(clock.instant(), clock.getZone());
        journal.of(title(), entries -> {
            if (steps.isEmpty() || steps.get(at()) != step) {
                return;
            }
            List<LogEntry> own = entries.stream()
                    .filter(entry ->
                            entry.step().equals(step.id()) && entry.passage().equals(chosen))
                    .toList();
            long passes = entries.stream()
                    .filter(entry ->
                            LocalDate.ofInstant(entry.at(), clock.getZone()).equals(today))
                    .count();
            OptionalInt best = own.stream()
                    .filter(LogEntry::clean)
                    .mapToInt(LogEntry::tempo)
                    .max();
            long good = own.stream().filter(LogEntry::clean).count();
            record.setText(wording(
                    "PracticeStation.the-song-today",
                    own.isEmpty()
                            ? wording("PracticeStation.not-played-yet")
                            : wording(
                                    "PracticeStation.this-step-of-passes-clean",
                                    good,
                                    own.size(),
                                    best.isPresent() ? wording("PracticeStation.up-to-bpm", best.getAsInt()) : ""),
                    passes,
                    passes == 1 ? wording("PracticeStation.pass") : wording("PracticeStation.passes")));
        });
    }

    private void tell() {
        Step step = steps.get(at());
        place.setText(String.format(
                Words.figures(),
                wording("PracticeStation.step-of"),
                at() + 1,
                steps.size(),
                step.hands().label(),
                step.bars().stream()
                        .map(bar -> String.valueOf(bar.number()))
                        .collect(Collectors.collectingAndThen(
                                Collectors.toList(),
                                numbers -> numbers.size() == 1
                                        ? wording("PracticeStation.bar", numbers.get(0))
                                        : wording(
                                                "PracticeStation.bars-to",
                                                numbers.get(0),
                                                numbers.get(numbers.size() - 1))))));
        tempo.setText(chosenTempo + " bpm");
        clean.setText(wording("PracticeStation.clean-so-far-of", step.clean(), cleanPasses, Today.CLEAN_ENOUGH));
    }

    /** The arrangement with the notes and hits of a step alone; of the left hand only where it does what it does there. */
    private Arrangement part(Step step) {
        Arrangement arrangement = workbench.arrangement().orElseThrow();
        boolean asThere = step.notes().stream().allMatch(note -> arrangement.notes().stream()
                .anyMatch(one ->
                        one.tick() == note.tick() && one.string() == note.string() && one.fret() == note.fret()));
        return arrangement.coloured(step.notes(), asThere ? arrangement.holds() : List.of(), step.hits(), List.of());
    }

    @Override
    public void useView(View next) {
        view.useView(next);
    }

    /** Starts the step in a loop, or stops it. */
    public void toggle() {
        if (sounding) {
            stop();
        } else if (!steps.isEmpty()) {
            Step step = steps.get(at());
            takes.stopListening();
            lastPass.begin();
            showBelow(view);
            playback.practise(part(step), step.bars(), chosenTempo);
            sounding = true;
            start.setText(wording("PracticeStation.stop-space"));
            cursor.start();
        }
    }

    /** Where the loop is: the cursor, what is counted now, and the shape that comes next. */
    private void follow() {
        int tick = playback.tick();
        Step step = steps.get(at());
        int first = step.bars().get(0).startTick();
        view.moveCursor(Math.max(first, tick));
        Song song = workbench.arrangement().orElseThrow().song();
        count.show(step, song.barAt(Math.max(first, tick)));
        count.mark(tick);
        next.setText(tick < first ? wording("PracticeStation.counting-in") : nextShape(song, step, tick));
    }

    /** The next other chord and its shape, shown a bar before it is needed. */
    private String nextShape(Song song, Step step, int tick) {
        int end = step.bars().get(step.bars().size() - 1).endTick();
        int ahead = Math.min(end - 1, tick + step.bars().get(0).meter().barTicks());
        Optional<ChordSymbol> now = song.chordAt(tick);
        return song.chart().stream()
                .filter(change -> change.startTick() > tick
                        && change.startTick() <= ahead
                        && change.chord().isPresent()
                        && !change.chord().equals(now))
                .findFirst()
                .map(change -> wording(
                        "PracticeStation.next",
                        change.chord().orElseThrow(),
                        workbench
                                .arrangement()
                                .orElseThrow()
                                .slotAt(change.startTick())
                                .held()
                                .shape()))
                .orElse("");
    }

    /** The charts of the log in place of the notes, or the notes again. */
    private void toggleProgress() {
        showBelow(progress.isVisible() ? view : progress);
        showProgress();
        requestFocus();
    }

    /** The keys in place of the notes, or the notes again. */
    private void toggleKeys() {
        showBelow(keysPanel.isVisible() ? view : keysPanel);
        requestFocus();
    }

    private void beSilent() {
        stop();
        requestFocus();
    }

    private void showTake() {
        showBelow(takes.panel());
        requestFocus();
    }

    private void showBelow(Node shown) {
        for (Node node : List.of(view, progress, takes.panel(), keysPanel)) {
            node.setVisible(node == shown);
        }
    }

    /** What a take of the chosen step is compared with. */
    private Optional<TakeControls.Asked> asked() {
        if (steps.isEmpty()) {
            return Optional.empty();
        }
        Step step = steps.get(at());
        return Optional.of(new TakeControls.Asked(
                part(step),
                step.bars().get(0).startTick(),
                step.bars().get(step.bars().size() - 1).endTick()));
    }

    private void showProgress() {
        if (!progress.isVisible()) {
            return;
        }
        String chosen = chosen().id();
        int goal = workbench.arrangement().orElseThrow().song().tempo();
        journal.of(title(), entries -> {
            List<LogEntry> own = entries.stream()
                    .filter(entry -> entry.passage().equals(chosen))
                    .toList();
            progress.show(Progress.of(own, clock.getZone()), steps, goal);
        });
    }

    /** Of a step of one bar what is counted; of more bars that is told while they are played. */
    private void showCount(Step step) {
        if (step.bars().size() == 1) {
            count.show(step, step.bars().get(0));
        } else {
            count.clear();
        }
        next.setText("");
    }

    private void stop() {
        if (sounding) {
            playback.stop();
            stopped();
        }
    }

    private void stopped() {
        cursor.stop();
        view.moveCursor(-1);
        if (!steps.isEmpty()) {
            showCount(steps.get(at()));
        }
        sounding = false;
        start.setText(wording("PracticeStation.start-space"));
    }

    private void judge(boolean good) {
        if (steps.isEmpty()) {
            return;
        }
        cleanPasses = good ? cleanPasses + 1 : 0;
        String title = title();
        String step = steps.get(at()).id();
        LogEntry pass = lastPass.judge(title, chosen().id(), step, chosenTempo, good);
        showRecord();
        showProgress();
        if (cleanPasses >= Today.CLEAN_ENOUGH && at() + 1 < steps.size()) {
            workbench.say(Message.plain(wording(
                    "PracticeStation.clean-times-now-what-is",
                    Today.CLEAN_ENOUGH,
                    steps.get(at()).name())));
            go(1);
        } else {
            if (cleanPasses >= Today.CLEAN_ENOUGH) {
                workbench.say(Message.plain(wording("PracticeStation.the-ladder-is-climbed-this")));
            }
            tell();
        }
        lastPass.remember(pass);
    }

    private void faster(int by) {
        if (!steps.isEmpty()) {
            chosenTempo = Math.max(Song.SLOWEST, Math.min(Song.FASTEST, chosenTempo + by));
            if (sounding) {
                playback.practiseAt(
                        chosenTempo,
                        workbench.arrangement().orElseThrow().song().tempo());
            }
            tell();
        }
    }

    private void go(int by) {
        int to = at() + by;
        if (to >= 0 && to < steps.size()) {
            list.getSelectionModel().select(to);
        }
        requestFocus();
    }

    /** The step from its count-in, whether it sounds or not. */
    private void again() {
        stop();
        toggle();
    }

    private void act(PracticeKeys.Action action) {
        switch (action) {
            case START -> toggle();
            case AGAIN -> again();
            case CLEAN -> judge(true);
            case NOT_CLEAN -> judge(false);
            case NEXT -> go(1);
            case BEFORE -> go(-1);
            case FASTER -> faster(TEMPO_STEP);
            case SLOWER -> faster(-TEMPO_STEP);
        }
    }

    private void onKey(KeyEvent event) {
        // what is typed into the note is none of this
        if (event.isShortcutDown() || event.isAltDown() || lastPass.note().isFocused()) {
            return;
        }
        boolean handled = true;
        Optional<PracticeKeys.Action> own = ownKeys.does(event.getCode());
        if (own.isPresent()) {
            act(own.get());
            event.consume();
            return;
        }
        switch (event.getCode()) {
            case A -> again();
            case K -> toggleKeys();
            case C -> judge(true);
            case X -> judge(false);
            case ENTER, RIGHT -> go(1);
            case LEFT -> go(-1);
            case UP -> faster(TEMPO_STEP);
            case DOWN -> faster(-TEMPO_STEP);
            case P -> toggleProgress();
            case W -> takes.open();
            case R -> takes.listen();
            case F -> lastPass.sayFeel();
            case HOME -> list.getSelectionModel().select(0);
            default -> handled = keys.layers(event);
        }
        if (handled) {
            event.consume();
        }
    }
}

package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.desktop.Playback;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.session.OpenDocument;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.formats.reading.Choice;
import phalanx.project.Project;
import phalanx.project.extra.LickProposals;
import phalanx.project.extra.Proposal;
import phalanx.project.extra.Proposals;
import phalanx.song.Bar;
import phalanx.song.ChartText;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.song.TuneEdit;
import phalanx.song.Words;
import phalanx.song.lick.Lick;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Note;

/** The song station: bars with chords and tune, the chart as text, tune entry on the strings, harmony, key and capo. */
public final class SongStation extends HBox implements Viewed {
    private static final double GAP = 12;
    private static final double SIDE = 404;
    /** A station lower than this shows bars before it shows the neck. */
    private static final double LOW = 720;

    private final Workbench workbench;
    private final Playback playback;
    private final Executor interfaceThread;
    private final TextField title = new TextField();
    private final BarsView bars = new BarsView(this::pick, this::reach);
    private final FormCards form;
    private final PartsBar parts;
    private final Selection selection = new Selection();
    private final BarTools barTools;
    private final ScrollPane scroll = new ScrollPane(bars);
    private final TuneCard tune = new TuneCard(this::place);
    private final TuneTyping typing;
    private final ChartCard chart = new ChartCard(this::takeChart, this::takeWords);
    private final HarmonyCard harmony = new HarmonyCard(this::replaceChord);
    private final AdviceCard advice;
    private final ExtrasCard extras;
    private int cursor;
    private final HBox proposals = new HBox(8);
    private final ReportCard report = new ReportCard();

    /**
     * @param workbench the project
     * @param playback to hear notes with
     * @param background runs the advice
     * @param interfaceThread runs a job on the interface thread
     * @param leave does what puts another song in the place of this one, once it is saved or given up
     */
    public SongStation(
            Workbench workbench,
            Playback playback,
            Executor background,
            Executor interfaceThread,
            Consumer<Runnable> leave) {
        super(GAP);
        this.workbench = workbench;
        this.playback = playback;
        this.interfaceThread = interfaceThread;
        this.parts = new PartsBar(choice -> {
            workbench.file().source().ifPresent(this::showSource);
            leave.accept(() -> workbench.chooseParts(choice));
        });
        this.typing = new TuneTyping(workbench, playback, tune, () -> cursor, this::moveTo, selection::clear);
        this.barTools = new BarTools(workbench, selection, () -> cursor, this::goWithMarks);
        this.form = new FormCards(
                this::goTo,
                index -> workbench.editSong(wording("SongStation.section"), song -> FormCards.varied(song, index)));
        this.extras = new ExtrasCard(
                background,
                interfaceThread,
                new ExtrasCard.Actions(this::hear, this::putIn, this::licks, this::keepLick));
        this.advice = new AdviceCard(
                background,
                interfaceThread,
                () -> workbench
                        .arrangement()
                        .filter(shown -> !workbench.busyProperty().get())
                        .filter(shown -> workbench
                                .project()
                                .filter(now -> now.written().isEmpty())
                                .isPresent()),
                this::use);
        setId("song-station");
        getStyleClass().add("station-content");
        setFocusTraversable(true);
        setAccessibleText(wording("SongStation.song-f2-chart-f3-tune"));
        title.setId("song-title");
        title.setAccessibleText(wording("SongStation.title-word"));
        title.setOnAction(event -> takeTitle());
        title.focusedProperty().addListener((property, before, now) -> {
            if (!now) {
                takeTitle();
            }
        });
        HBox.setHgrow(title, Priority.ALWAYS);
        Label keys = Cards.hint(wording("SongStation.f2-chart-f3-tune-f4"));
        workbench.file().sourceProperty().addListener((property, before, now) -> showSource(now));
        workbench.file().source().ifPresent(this::showSource);
        HBox head = new HBox(
                8,
                title,
                Cards.button(
                        "new-song",
                        wording("SongStation.new-song"),
                        wording("SongStation.an-empty-song-ctrl-n"),
                        this::newSong),
                keys);
        head.setAlignment(Pos.CENTER_LEFT);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("clear-scroll");
        scroll.setFocusTraversable(false);
        VBox barsCard = new VBox(scroll);
        barsCard.getStyleClass().add("card");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(barsCard, Priority.ALWAYS);
        FlowPane overBars = new FlowPane(GAP, 4, form, barTools);
        VBox left = new VBox(8, head, parts, overBars, proposals(), barsCard, tune, chart);
        HBox.setHgrow(left, Priority.ALWAYS);
        left.setMinWidth(0);
        VBox right = new VBox(GAP, report, harmony, extras, advice);
        ScrollPane side = new ScrollPane(right);
        side.setFitToWidth(true);
        side.setPrefWidth(SIDE);
        side.setMinWidth(SIDE);
        side.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        side.getStyleClass().add("clear-scroll");
        side.setFocusTraversable(false);
        getChildren().addAll(left, side);
        heightProperty().addListener((property, before, now) -> {
            tune.fit(now.doubleValue() < LOW);
            chart.fit(now.doubleValue() < LOW);
        });
        WhenShown.follow(this, workbench.projectProperty(), (before, now) -> show(now));
        workbench.onReturn(this::pick);
        addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        bars.addEventHandler(KeyEvent.KEY_PRESSED, this::onTuneKey);
        bars.addEventHandler(KeyEvent.KEY_TYPED, typing::take);
    }

    private void hear(Proposals.Priced priced) {
        playback.hear(
                priced.arrangement(),
                priced.proposal().fromTick(),
                priced.proposal().toTick());
        if (!playback.audible()) {
            workbench.say(Message.plain(wording("SongStation.no-sound-card-the-proposal")));
        }
    }

    private List<Proposal> licks(Project project) {
        int bar = project.song().barIndexAt(Math.min(cursor, project.song().endTick() - 1));
        return new LickProposals(project)
                .in(bar, workbench.shelf().libraryProperty().get().allLicks());
    }

    /** The marked stretch, in whole bars, or the bar at the cursor. */
    private void keepLick(String name) {
        song().ifPresent(song -> {
            int last = song.endTick() - 1;
            int from = selection.isEmpty() ? cursor : selection.from();
            int to = selection.isEmpty() ? cursor : selection.to() - 1;
            Bar first = song.barAt(Math.min(from, last));
            Bar end = song.barAt(Math.min(to, last));
            try {
                Lick lick = Lick.of(name, song, first.startTick(), end.endTick());
                workbench.shelf().keep(workbench.shelf().libraryProperty().get().with(lick));
                workbench.say(Message.plain(wording("SongStation.kept-in-your-library", lick.name())));
            } catch (IllegalArgumentException e) {
                workbench.say(Message.error(wording("SongStation.nothing-was-kept", e.getMessage())));
            }
        });
    }

    private void putIn(Proposals.Priced priced) {
        workbench.decide(priced.proposal().name(), now -> priced.proposal().project());
    }

    /** Shown while chords of the chart are only proposed. */
    private HBox proposals() {
        Label words = Cards.hint(wording("SongStation.chords-with-are-proposed"));
        proposals
                .getChildren()
                .addAll(
                        words,
                        Cards.button(
                                "take-chords",
                                wording("SongStation.keep-them"),
                                wording("SongStation.take-all-proposed-chords"),
                                this::takeProposals),
                        Cards.button(
                                "remove-chords",
                                wording("SongStation.remove-them"),
                                wording("SongStation.leave-the-tune-without-chords"),
                                this::removeProposals));
        proposals.setAlignment(Pos.CENTER_LEFT);
        proposals.setId("proposals");
        proposals.managedProperty().bind(proposals.visibleProperty());
        proposals.setVisible(false);
        return proposals;
    }

    private void takeProposals() {
        workbench.editSong(
                wording("SongStation.chords-kept"),
                song -> song.withChart(
                        song.chart().stream().map(ChordChange::taken).toList()));
    }

    private void removeProposals() {
        workbench.editSong(
                wording("SongStation.chords-removed"),
                song -> song.withChart(song.chart().stream()
                        .filter(change -> !change.proposed())
                        .toList()));
    }

    private void show(Project project) {
        Song song = project.song();
        SongHarmony heard = SongHarmony.of(song);
        title.setText(song.title());
        proposals.setVisible(song.chart().stream().anyMatch(ChordChange::proposed));
        bars.show(song, heard);
        form.show(song);
        cursor = Math.min(cursor, song.endTick());
        bars.moveCursor(cursor);
        barTools.show();
        tune.show(project.instrument());
        chart.show(ChartText.of(song));
        harmony.show(song, heard);
        advice.show(project);
        extras.show(project);
    }

    /** Offers the parts of a file that has several, and says what was mended in it. */
    private void showSource(OpenDocument.Source source) {
        report.show(
                source == null ? "" : String.valueOf(source.file().getFileName()),
                source == null ? List.of() : source.report());
        parts.show(source == null ? List.of() : source.choices(), source == null ? Choice.LIKELIEST : source.chosen());
    }

    @Override
    public void useView(View view) {
        bars.useView(view);
        tune.useView(view);
    }

    /** Starts an empty song. */
    public void newSong() {
        workbench.newSong();
        moveTo(0);
        chart.begin();
    }

    private void takeTitle() {
        String text = title.getText().trim();
        if (!text.isEmpty()) {
            workbench.editSong(wording("SongStation.title", text), song -> song.withTitle(text));
        }
    }

    private void takeChart(ChartText read) {
        workbench.editChart(read);
    }

    private void replaceChord(int index, ChordSymbol chord) {
        workbench.editSong(
                wording(
                        "SongStation.for",
                        chord,
                        song().map(song -> Note.said(song.chart().get(index).symbol()))
                                .orElse("")),
                song -> {
                    List<ChordChange> chart = new ArrayList<>(song.chart());
                    chart.set(index, new ChordChange(chart.get(index).startTick(), Optional.of(chord)));
                    return song.withChart(chart);
                });
    }

    private void takeWords(String text) {
        int from = cursor;
        workbench.editSong(wording("SongStation.words"), song -> Words.under(song, from, text));
        bars.requestFocus();
    }

    private void use(KeyAdvice way) {
        workbench.moveTo(way);
    }

    private void onKey(KeyEvent event) {
        if (event.getCode() == KeyCode.F2) {
            chart.focus();
            event.consume();
        } else if (event.getCode() == KeyCode.F3) {
            bars.requestFocus();
            event.consume();
        } else if (event.getCode() == KeyCode.F4) {
            chart.focusWords();
            event.consume();
        } else if (event.getCode() == KeyCode.ESCAPE) {
            advice.stop();
            extras.stop();
            selection.clear();
            moveTo(cursor);
        }
    }

    private Optional<Song> song() {
        return workbench.project().map(Project::song);
    }

    private void goTo(int tick) {
        pick(tick);
        bars.requestFocus();
    }

    private void goWithMarks(int tick) {
        moveTo(tick);
        bars.requestFocus();
    }

    private void pick(int tick) {
        selection.clear();
        moveTo(tick);
    }

    private void reach(int tick) {
        selection.reach(cursor, tick);
        moveTo(tick);
    }

    private void moveTo(int tick) {
        cursor = Math.max(0, song().map(song -> Math.min(tick, song.endTick())).orElse(0));
        workbench.at(cursor);
        bars.moveCursor(cursor);
        bars.select(selection.from(), selection.to());
        harmony.showHints(cursor);
        barTools.show();
        double[] row = bars.cursorRow();
        double room = bars.getHeight() - scroll.getViewportBounds().getHeight();
        double at = scroll.getVvalue() * Math.max(0, room);
        if (room > 0 && (row[0] < at || row[1] > at + scroll.getViewportBounds().getHeight())) {
            scroll.setVvalue(Math.min(1, Math.max(0, row[0] / room)));
        }
    }

    private void onTuneKey(KeyEvent event) {
        boolean handled = barTools.take(event) || event.isShortcutDown() && onPassageKey(event.getCode());
        boolean far = event.isShortcutDown();
        boolean marks = event.isShiftDown();
        int strings = workbench.project().map(now -> now.instrument().strings()).orElse(6);
        if (!handled) {
            handled = true;
            switch (event.getCode()) {
                case RIGHT -> go(far ? barAway(1) : cursor + tune.ticks(), marks);
                case LEFT -> go(far ? barAway(-1) : cursor - tune.ticks(), marks);
                case UP -> tune.moveString(-1, strings);
                case DOWN -> tune.moveString(1, strings);
                case HOME -> go(0, marks);
                case END -> go(song().map(Song::endTick).orElse(0), marks);
                case BACK_SPACE -> takeBack();
                case DELETE -> delete();
                default -> handled = false;
            }
        }
        if (handled) {
            event.consume();
        }
    }

    private void go(int tick, boolean marks) {
        typing.alone();
        if (marks) {
            reach(Math.max(0, song().map(song -> Math.min(tick, song.endTick())).orElse(0)));
        } else {
            pick(tick);
        }
    }

    /** What Ctrl does with a key to the passage that is marked. */
    private boolean onPassageKey(KeyCode code) {
        switch (code) {
            case UP -> transpose(1);
            case DOWN -> transpose(-1);
            case A -> {
                song().ifPresent(selection::all);
                moveTo(cursor);
            }
            case C, X -> copy(code == KeyCode.X);
            case V -> paste();
            default -> {
                return false;
            }
        }
        return true;
    }

    private void copy(boolean cut) {
        if (selection.isEmpty()) {
            workbench.say(Message.plain(wording("SongStation.nothing-is-marked-hold-shift")));
            return;
        }
        typing.line().ifPresent(song -> {
            String what = selection.copy(song);
            if (cut) {
                delete();
            }
            workbench.say(Message.plain(wording("SongStation.copied-ctrl-v-puts-them", what)));
        });
    }

    private void paste() {
        selection
                .copied()
                .ifPresentOrElse(
                        passage -> {
                            int at = cursor;
                            typing.edit(wording("SongStation.passage-put-in"), song -> passage.into(song, at));
                            pick(at + passage.lengthTicks());
                        },
                        () -> workbench.say(Message.plain(wording("SongStation.nothing-was-copied-yet-mark"))));
    }

    private void delete() {
        int from = selection.isEmpty() ? cursor : selection.from();
        int to = selection.isEmpty() ? cursor + tune.ticks() : selection.to();
        typing.edit(wording("SongStation.rest"), song -> TuneEdit.clear(song, from, to));
    }

    private int barAway(int by) {
        return song().map(song -> {
                    int index = song.barIndexAt(cursor);
                    Bar bar = song.bars().get(index);
                    int to = by < 0 && cursor > bar.startTick() ? index : index + by;
                    return to >= song.bars().size()
                            ? song.endTick()
                            : song.bars().get(Math.max(0, to)).startTick();
                })
                .orElse(0);
    }

    /** Moves what is marked; else the note at the cursor, else the one before it. */
    private void transpose(int semitones) {
        String way = semitones > 0 ? wording("SongStation.up") : wording("SongStation.down");
        if (!selection.isEmpty()) {
            int from = selection.from();
            int to = selection.to();
            typing.edit(wording("SongStation.passage", way), song -> TuneEdit.transpose(song, from, to, semitones));
            return;
        }
        typing.line()
                .flatMap(this::noteHere)
                .ifPresent(note -> typing.edit(
                        wording("SongStation.a-note", way),
                        song -> TuneEdit.transpose(song, note.tick(), note.tick() + 1, semitones)));
    }

    private Optional<MelodyNote> noteHere(Song song) {
        return song.melody().stream()
                .filter(note -> note.tick() == cursor)
                .findFirst()
                .or(() -> typing.before(song));
    }

    private void takeBack() {
        typing.line().flatMap(typing::before).ifPresent(note -> {
            typing.edit(
                    wording("SongStation.note-taken-out"), song -> TuneEdit.clear(song, note.tick(), note.endTick()));
            moveTo(note.tick());
        });
    }

    private void place(int string, int fret) {
        typing.place(string, fret);
    }
}

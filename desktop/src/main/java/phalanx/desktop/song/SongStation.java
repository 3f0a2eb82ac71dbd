package phalanx.desktop.song;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.KeyAdvice;
import phalanx.desktop.Message;
import phalanx.desktop.Playback;
import phalanx.desktop.Project;
import phalanx.desktop.Theme;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Cards;
import phalanx.song.Bar;
import phalanx.song.ChartText;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.song.TuneEdit;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/** The song station: bars with chords and tune, the chart as text, tune entry on the strings, harmony, key and capo. */
public final class SongStation extends HBox {
    private static final double GAP = 12;
    private static final double SIDE = 404;
    private static final long TWO_DIGITS_NANOS = 400_000_000L;

    private final Workbench workbench;
    private final Playback playback;
    private final TextField title = new TextField();
    private final BarsView bars = new BarsView(this::moveTo);
    private final ScrollPane scroll = new ScrollPane(bars);
    private final TuneCard tune = new TuneCard(this::place);
    private final ChartCard chart = new ChartCard(this::takeChart);
    private final HarmonyCard harmony = new HarmonyCard();
    private final AdviceCard advice;
    private int cursor;
    private int lastDigit = -1;
    private long lastDigitAt;
    private int lastDigitTick;

    /**
     * @param workbench the project
     * @param playback to hear notes with
     * @param background runs the advice
     * @param interfaceThread runs a job on the interface thread
     */
    public SongStation(Workbench workbench, Playback playback, Executor background, Executor interfaceThread) {
        super(GAP);
        this.workbench = workbench;
        this.playback = playback;
        this.advice = new AdviceCard(background, interfaceThread, this::use);
        setId("song-station");
        getStyleClass().add("station-content");
        setFocusTraversable(true);
        setAccessibleText("Song. F2 chart, F3 tune");
        title.setId("song-title");
        title.setAccessibleText("Title");
        title.setOnAction(event -> takeTitle());
        title.focusedProperty().addListener((property, before, now) -> {
            if (!now) {
                takeTitle();
            }
        });
        HBox.setHgrow(title, Priority.ALWAYS);
        Label keys = Cards.small("F2 chart, F3 tune, Ctrl+N new song");
        HBox head =
                new HBox(8, title, Cards.button("new-song", "New song", "An empty song (Ctrl+N)", this::newSong), keys);
        head.setAlignment(Pos.CENTER_LEFT);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("clear-scroll");
        scroll.setFocusTraversable(false);
        VBox barsCard = new VBox(scroll);
        barsCard.getStyleClass().add("card");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(barsCard, Priority.ALWAYS);
        VBox left = new VBox(8, head, barsCard, tune, chart);
        HBox.setHgrow(left, Priority.ALWAYS);
        left.setMinWidth(0);
        VBox right = new VBox(GAP, harmony, advice);
        ScrollPane side = new ScrollPane(right);
        side.setFitToWidth(true);
        side.setPrefWidth(SIDE);
        side.setMinWidth(SIDE);
        side.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        side.getStyleClass().add("clear-scroll");
        side.setFocusTraversable(false);
        getChildren().addAll(left, side);
        workbench.projectProperty().addListener((property, before, now) -> show(now));
        addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        bars.addEventHandler(KeyEvent.KEY_PRESSED, this::onTuneKey);
        bars.addEventHandler(KeyEvent.KEY_TYPED, this::onTuneTyped);
    }

    private void show(Project project) {
        Song song = project.song();
        SongHarmony heard = SongHarmony.of(song);
        title.setText(song.title());
        bars.show(song, heard);
        cursor = Math.min(cursor, song.endTick());
        bars.moveCursor(cursor);
        tune.show(project.instrument());
        chart.show(ChartText.of(song));
        harmony.show(song, heard);
        advice.show(project);
    }

    public void useTheme(Theme theme) {
        bars.useTheme(theme);
        tune.useTheme(theme);
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
            workbench.editSong("title " + text, song -> song.withTitle(text));
        }
    }

    private void takeChart(ChartText read) {
        workbench.editSong("chart", read::over);
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
        } else if (event.getCode() == KeyCode.ESCAPE) {
            advice.stop();
        }
    }

    private Optional<Song> song() {
        return workbench.project().map(Project::song);
    }

    private void moveTo(int tick) {
        cursor = Math.max(0, song().map(song -> Math.min(tick, song.endTick())).orElse(0));
        bars.moveCursor(cursor);
        double[] row = bars.cursorRow();
        double room = bars.getHeight() - scroll.getViewportBounds().getHeight();
        double at = scroll.getVvalue() * Math.max(0, room);
        if (room > 0 && (row[0] < at || row[1] > at + scroll.getViewportBounds().getHeight())) {
            scroll.setVvalue(Math.min(1, Math.max(0, row[0] / room)));
        }
    }

    private void onTuneKey(KeyEvent event) {
        boolean handled = true;
        boolean far = event.isShortcutDown();
        int strings = workbench.project().map(now -> now.instrument().strings()).orElse(6);
        switch (event.getCode()) {
            case RIGHT -> moveTo(far ? barAway(1) : cursor + tune.ticks());
            case LEFT -> moveTo(far ? barAway(-1) : cursor - tune.ticks());
            case UP -> {
                if (far) {
                    transpose(1);
                } else {
                    tune.moveString(-1, strings);
                }
            }
            case DOWN -> {
                if (far) {
                    transpose(-1);
                } else {
                    tune.moveString(1, strings);
                }
            }
            case HOME -> moveTo(0);
            case END -> moveTo(Integer.MAX_VALUE);
            case BACK_SPACE -> takeBack();
            case DELETE -> workbench.editSong("rest", song -> TuneEdit.clear(song, cursor, cursor + tune.ticks()));
            default -> handled = false;
        }
        if (handled) {
            event.consume();
        }
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

    /** Moves the note at the cursor, else the one before it. */
    private void transpose(int semitones) {
        song().flatMap(this::noteHere)
                .ifPresent(note -> workbench.editSong(
                        "a note " + (semitones > 0 ? "up" : "down"),
                        song -> TuneEdit.transpose(song, note.tick(), note.tick() + 1, semitones)));
    }

    private Optional<MelodyNote> noteHere(Song song) {
        return song.melody().stream()
                .filter(note -> note.tick() == cursor)
                .findFirst()
                .or(() -> before(song));
    }

    private Optional<MelodyNote> before(Song song) {
        return song.melody().stream().filter(note -> note.tick() < cursor).reduce((first, second) -> second);
    }

    private void takeBack() {
        song().flatMap(this::before).ifPresent(note -> {
            workbench.editSong("note taken out", song -> TuneEdit.clear(song, note.tick(), note.endTick()));
            moveTo(note.tick());
        });
    }

    private void onTuneTyped(KeyEvent event) {
        if (event.getCharacter().length() != 1 || event.isControlDown() || event.isMetaDown()) {
            return;
        }
        char key = event.getCharacter().charAt(0);
        lastDigit = Character.isDigit(key) ? lastDigit : -1;
        if (Character.isDigit(key)) {
            digit(key - '0');
        } else if (key >= 'A' && key <= 'G') {
            letter(key);
        } else if (key == 'r') {
            workbench.editSong("rest", song -> TuneEdit.clear(song, cursor, cursor + tune.ticks()));
            moveTo(cursor + tune.ticks());
        } else if (key == '-') {
            workbench.editSong("tie", song -> TuneEdit.lengthen(song, cursor, tune.ticks()));
            moveTo(cursor + tune.ticks());
        } else {
            tune.take(key);
        }
        event.consume();
    }

    /** A second digit soon after a 1 or a 2 makes one fret of both. */
    private void digit(int digit) {
        long now = System.nanoTime();
        boolean second = (lastDigit == 1 || lastDigit == 2) && now - lastDigitAt < TWO_DIGITS_NANOS;
        if (second) {
            cursor = lastDigitTick;
        }
        int fret = second ? 10 * lastDigit + digit : digit;
        lastDigit = second ? -1 : digit;
        lastDigitAt = now;
        lastDigitTick = cursor;
        place(tune.string(), fret);
    }

    /** The note of a letter nearest to the one before, as the key has it. */
    private void letter(char letter) {
        song().ifPresent(song -> {
            Note note = song.key().scale().stream()
                    .filter(one -> one.step().name().charAt(0) == letter)
                    .findFirst()
                    .orElseThrow();
            int near = before(song).map(MelodyNote::midi).orElse(64);
            Pitch best = null;
            for (int octave = 2; octave <= 6; octave++) {
                Pitch pitch = new Pitch(note, octave);
                best = best == null || Math.abs(pitch.midi() - near) < Math.abs(best.midi() - near) ? pitch : best;
            }
            put(best);
        });
    }

    private void place(int string, int fret) {
        workbench.project().ifPresent(project -> {
            if (!project.instrument().has(string, fret)) {
                workbench.say(Message.error("String " + string + " has no fret " + fret + ". Nothing was put in."));
                return;
            }
            int midi = project.instrument().midi(string, fret);
            put(Pitch.of(midi, project.song().key()));
        });
    }

    private void put(Pitch pitch) {
        int at = cursor;
        playback.hear(List.of(pitch.midi()));
        workbench.editSong("note " + pitch, song -> TuneEdit.put(song, new MelodyNote(at, tune.ticks(), pitch)));
        moveTo(at + tune.ticks());
    }
}

package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import phalanx.desktop.session.Journal;
import phalanx.practice.LogEntry;

/** The pass that was judged last, of which more can be said: how it felt, and a note. */
final class LastPass {
    /** Longer than this between two passes is a pause, in seconds. An assumption of ours. */
    private static final long LONGEST = 300;

    private static final String STRAIN = wording("LastPass.marked-it-rests-two-days");

    private final Journal journal;
    private final Clock clock;
    private final Consumer<String> say;
    private final Runnable done;
    private final TextField note = new TextField();
    private Optional<LogEntry> judged = Optional.empty();
    /** When the pass began that will be judged next. */
    private Instant since = Instant.EPOCH;

    /**
     * @param say tells the player something
     * @param done gives the keys back to the station
     */
    LastPass(Journal journal, Consumer<String> say, Runnable done) {
        this.journal = journal;
        this.clock = journal.clock();
        this.say = say;
        this.done = done;
        note.setId("practice-note");
        note.setPromptText(wording("LastPass.a-word-on-the-last"));
        note.setAccessibleText(wording("LastPass.a-note-on-the-last"));
        note.managedProperty().bind(note.visibleProperty());
        note.setVisible(false);
        note.setOnAction(event -> keepNote());
        note.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                event.consume();
                closeNote();
            }
        });
    }

    /** The field for the note, seen while it is written. */
    TextField note() {
        return note;
    }

    /** Another step: nothing was judged of it. */
    void forget() {
        judged = Optional.empty();
        begin();
    }

    /** A pass begins. */
    void begin() {
        since = clock.instant();
    }

    /** Puts a pass into the log; {@link #remember} lets more be said of it. */
    LogEntry judge(String title, String passage, String step, int tempo, boolean good) {
        Instant now = clock.instant();
        // a clock that was set back tells nothing
        long took = Math.max(0, Math.min(LONGEST, Duration.between(since, now).toSeconds()));
        LogEntry entry = new LogEntry(now, title, passage, step, tempo, good, (int) took);
        journal.add(entry);
        return entry;
    }

    /** More can be said of this pass now, also where it led to the next step. */
    void remember(LogEntry entry) {
        judged = Optional.of(entry);
        since = entry.at();
    }

    /** How it felt: each time the next word. */
    void sayFeel() {
        judged = judged.map(entry -> entry.feeling(entry.feel().next()));
        judged.ifPresentOrElse(
                entry -> {
                    journal.sayOfLast(entry);
                    say.accept(
                            entry.feel() == LogEntry.Feel.STRAINED
                                    ? STRAIN
                                    : wording(
                                            "LastPass.the-last-pass-felt-f",
                                            entry.feel().label()));
                },
                this::sayJudgeFirst);
        done.run();
    }

    private void sayJudgeFirst() {
        say.accept(wording("LastPass.mark-a-pass-first-c"));
    }

    void openNote() {
        if (judged.isEmpty()) {
            sayJudgeFirst();
            done.run();
        } else {
            note.setText(judged.get().note());
            note.setVisible(true);
            note.requestFocus();
        }
    }

    private void keepNote() {
        judged = judged.map(entry -> entry.noted(note.getText().strip()));
        judged.ifPresent(journal::sayOfLast);
        closeNote();
    }

    private void closeNote() {
        note.setVisible(false);
        done.run();
    }
}

package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.io.ByteArrayInputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.chart.LineChart;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.TargetDataLine;
import org.junit.jupiter.api.Test;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.practice.PracticeKeys;
import phalanx.listening.SimulatedPlayer;
import phalanx.listening.Take;
import phalanx.practice.LogEntry;
import phalanx.practice.Step;
import phalanx.practice.Today;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.song.Ticks;

/** A ladder climbed with keys alone, in the real window. */
class PracticeStationTest extends OpenWindow {
    @Test
    void aLadderIsClimbedWithoutTheMouse() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        ListView<Step> ladder = lookup("#ladder").queryListView();
        Step first = ladder.getItems().get(0);
        assertThat(text("#practice-place"))
                .startsWith("Step 1 of " + ladder.getItems().size());
        assertThat(text("#practice-name")).isEqualTo(first.name());
        assertThat(text("#practice-tempo")).isEqualTo(first.tempo() + " bpm");
        type(KeyCode.SPACE);
        assertThat(text("#practice-start")).startsWith("Stop");
        waitForText("#practice-next-shape", "counting in");
        // what comes before a bar's first beat is counted too; half a beat later its first word is marked
        Bar bar = first.bars().get(0);
        int countIn = bar.meter().barTicks() + bar.offsetOf(bar.startTick());
        double seconds = Ticks.milliseconds(countIn + Ticks.QUARTER / 4, first.tempo()) / 1000;
        clock.addAndGet((long) (seconds * SECOND));
        waitFor(() -> lookup("#practice-count .practice-count").queryAll().stream()
                .filter(word -> word.getPseudoClassStates().toString().contains("now"))
                .map(word -> ((Label) word).getText())
                .toList()
                .equals(List.of(first.counts(bar).get(0).word())));
        // faster goes on playing
        type(KeyCode.UP);
        assertThat(text("#practice-start")).startsWith("Stop");
        type(KeyCode.DOWN);
        type(KeyCode.SPACE);
        assertThat(text("#practice-start")).startsWith("Start");
        type(KeyCode.UP);
        assertThat(text("#practice-tempo")).isEqualTo(first.tempo() + 4 + " bpm");
        type(KeyCode.C);
        type(KeyCode.C);
        type(KeyCode.X);
        type(KeyCode.C);
        type(KeyCode.C);
        assertThat(text("#practice-name")).isEqualTo(first.name());
        type(KeyCode.C);
        settle();
        Step second = ladder.getItems().get(1);
        assertThat(text("#practice-name")).isEqualTo(second.name());
        assertThat(text("#practice-adds")).isEqualTo("New: " + second.adds());
        waitForText("#practice-record", "Not played yet. The song today: 6 passes.");
        type(KeyCode.LEFT);
        int fast = first.tempo() + 4;
        waitForText("#practice-record", "5 of 6 passes clean, up to " + fast + " bpm");
        type(KeyCode.ENTER);
        type(KeyCode.ENTER);
        assertThat(text("#practice-place")).startsWith("Step 3 of");
        type(KeyCode.LEFT);
        assertThat(text("#practice-place")).startsWith("Step 2 of");

        type(KeyCode.P);
        waitForText(
                "#progress-words", "1 of " + ladder.getItems().size() + " steps climbed; clean up to " + fast + " bpm");
        LineChart<?, ?> chart = lookup("#practice-progress .chart")
                .match(LineChart.class::isInstance)
                .query();
        assertThat(chart.getData().get(0).getData()).hasSize(1);
        assertThat(chart.getData().get(0).getData().get(0).getYValue()).isEqualTo(fast);
        type(KeyCode.P);
        assertThat(lookup("#practice-progress").query().isVisible()).isFalse();

        ListView<Today.Block> today = lookup("#today").queryListView();
        assertThat(today.getItems()).extracting(Today.Block::kind).startsWith(Today.Kind.WARM_UP, Today.Kind.NEW);
        interact(() -> today.getSelectionModel().select(1));
        int next = today.getItems().get(1).step().getAsInt();
        assertThat(text("#practice-place")).startsWith("Step " + (next + 1) + " of");

        ComboBox<String> passage = lookup("#practice-passage").queryComboBox();
        int whole = ladder.getItems().size();
        interact(() -> passage.setValue(passage.getItems().get(1)));
        settle();
        assertThat(ladder.getItems()).hasSizeLessThan(whole);
        // the last step is the section as it is arranged
        Step last = ladder.getItems().get(ladder.getItems().size() - 1);
        assertThat(workbench.arrangement().orElseThrow().notes()).containsAll(last.notes());
        String here = text("#practice-name");
        type(KeyCode.ENTER);
        type(KeyCode.LEFT);
        type(KeyCode.SPACE);
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(text("#practice-start")).as("left, not heard on").startsWith("Start");
        interact(() -> workbench.setTempo(60));
        waitUntilArranged();
        assertThat(ladder.getItems().get(ladder.getItems().size() - 1).tempo()).isEqualTo(60);
        assertThat(text("#practice-name")).isEqualTo(here);
    }

    private void pass(KeyCode verdict, int seconds) {
        clock.addAndGet((long) (seconds * SECOND));
        type(verdict);
    }

    /** Two sittings by the clock: what is timed, said and written comes into the log, the plan and the progress. */
    @Test
    void whatIsSaidOfAPassIsKeptAndPlannedWith() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        ListView<Today.Block> today = lookup("#today").queryListView();
        waitForText("#practice-weeks", "To the top: ");
        type(KeyCode.F);
        assertThat(text("#message")).contains("Mark a pass first");
        for (int i = 0; i < 3; i++) {
            pass(KeyCode.C, 50);
        }
        assertThat(text("#practice-place")).startsWith("Step 2 of");
        String second = text("#practice-name");
        pass(KeyCode.X, 30);
        // three times on: easy, fair, hard, strained
        for (int i = 0; i < 4; i++) {
            type(KeyCode.F);
        }
        assertThat(text("#message")).contains("rests two days", "clinician");
        type(KeyCode.N);
        // keys as a player presses them: none of them judges, plays or leads on
        type(KeyCode.C, KeyCode.X, KeyCode.SPACE, KeyCode.N, KeyCode.RIGHT);
        interact(() -> lookup("#practice-note").queryAs(TextField.class).clear());
        write("thumb");
        type(KeyCode.ENTER);
        // a pause of hours is none of a pass
        pass(KeyCode.C, 7200);
        type(KeyCode.P);
        waitForText("#progress-words", "The last week: 5 passes, 8 min.");
        type(KeyCode.P);
        AtomicReference<List<LogEntry>> kept = new AtomicReference<>();
        journal.of(workbench.arrangement().orElseThrow().song().title(), kept::set);
        waitFor(() -> kept.get() != null);
        assertThat(kept.get()).extracting(LogEntry::seconds).containsExactly(50, 50, 50, 30, 300);
        assertThat(kept.get().get(3).feel()).isEqualTo(LogEntry.Feel.STRAINED);
        assertThat(kept.get().get(3).note()).isEqualTo("thumb");

        clock.addAndGet((long) (86_400 * SECOND));
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        ComboBox<Integer> minutes = lookup("#practice-minutes").queryComboBox();
        interact(() -> minutes.setValue(30));
        waitFor(() -> !today.getItems().isEmpty()
                && today.getItems().get(0).why().contains(second + " strained: it rests until"));
        assertThat(today.getItems()).extracting(Today.Block::kind).doesNotContain(Today.Kind.NEW);

        ComboBox<String> passage = lookup("#practice-passage").queryComboBox();
        interact(() -> passage.setValue("drills for the whole song"));
        waitForText("#practice-name", "right hand alone");
        assertThat(text("#practice-adds")).startsWith("Drill: ");
        ListView<Step> drills = lookup("#ladder").queryListView();
        assertThat(drills.getItems()).extracting(Step::hands).contains(Step.Hands.LEFT);
        interact(() -> drills.getSelectionModel().selectLast());
        type(KeyCode.SPACE);
        assertThat(text("#practice-start")).startsWith("Stop");
        type(KeyCode.SPACE);
    }

    /** A step recorded by the simulated player, late on beat 2 by 20 ms, is opened and told as such. */
    @Test
    void aRecordingOfTheLastStepIsHeard() throws Exception {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        Arrangement shown = workbench.arrangement().orElseThrow();
        ListView<Step> ladder = lookup("#ladder").queryListView();
        interact(() -> ladder.getSelectionModel().selectLast());
        SimulatedPlayer.Flaws late = new SimulatedPlayer.Flaws(List.of(0.0, 20.0), 0, 0, 0, 0, Double.NaN);
        Take take = new SimulatedPlayer(shown, late, 1)
                .play(0, shown.song().endTick(), 80)
                .take();
        Path file = folder.resolve("mine.wav");
        wav(take, file);
        toOpen = Optional.of(file);
        type(KeyCode.W);
        waitFor(() -> lookup("#take-heading").tryQuery().isPresent());
        assertThat(text("#take-heading")).contains("strokes heard, 80 bpm, held");
        assertThat(lookup("#practice-take .label").queryAll().stream()
                        .map(node -> ((Label) node).getText())
                        .toList())
                .anyMatch(words -> words.matches("(1[0-9]|2[0-4]) ms late, spread \\d+"));
        toOpen = Optional.of(Files.writeString(folder.resolve("none.wav"), "no sound"));
        type(KeyCode.W);
        waitForText("#message", "none.wav: it is no WAV file. Nothing was kept.");
    }

    /** The same by the microphone, which is off until R, and forgotten when the player goes elsewhere. */
    @Test
    void theMicrophoneHearsAStep() throws Exception {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        waitFor(() -> !lookup("#ladder").queryListView().getItems().isEmpty());
        type(KeyCode.R);
        waitForText("#message", "No microphone was found.");
        assertThat(text("#practice-microphone")).isEqualTo("Microphone (R)");
        Arrangement shown = workbench.arrangement().orElseThrow();
        ListView<Step> ladder = lookup("#ladder").queryListView();
        interact(() -> ladder.getSelectionModel().selectLast());
        Take take = new SimulatedPlayer(shown, SimulatedPlayer.Flaws.NONE, 1)
                .play(0, shown.song().endTick(), 80)
                .take();
        ByteArrayInputStream sound = new ByteArrayInputStream(bytes(take));
        TargetDataLine line = mock(TargetDataLine.class);
        when(line.read(any(), anyInt(), anyInt()))
                .thenAnswer(call -> Math.max(0, sound.read(call.getArgument(0), 0, call.getArgument(2))));
        heard = Optional.of(line);
        verifyNoInteractions(line);
        type(KeyCode.R);
        waitForText("#message", "The microphone is on.");
        assertThat(text("#practice-microphone")).isEqualTo("Compare (R)");
        waitFor(() -> sound.available() == 0);
        type(KeyCode.R);
        waitFor(() -> lookup("#take-heading").tryQuery().isPresent());
        assertThat(text("#take-heading")).contains("strokes heard, 80 bpm, held");
        assertThat(text("#practice-microphone")).isEqualTo("Microphone (R)");
        verify(line, timeout(10_000)).close();
        type(KeyCode.R);
        waitForText("#message", "The microphone is on.");
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        waitForText("#message", "The microphone is off; what it heard is forgotten.");
    }

    /** In 16 bits. */
    private static byte[] bytes(Take take) {
        byte[] bytes = new byte[2 * take.samples().length];
        for (int i = 0; i < take.samples().length; i++) {
            int value = Math.round(take.samples()[i] * Short.MAX_VALUE);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        return bytes;
    }

    static void wav(Take take, Path file) throws Exception {
        byte[] bytes = bytes(take);
        AudioFormat format = new AudioFormat(take.rate(), 16, 1, true, false);
        AudioSystem.write(
                new AudioInputStream(new ByteArrayInputStream(bytes), format, take.samples().length),
                AudioFileFormat.Type.WAVE,
                file.toFile());
    }

    /** Bars marked in the score are a passage of their own, with a ladder and drills. */
    @Test
    void markedBarsArePractised() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        ComboBox<String> passage = lookup("#practice-passage").queryComboBox();
        assertThat(passage.getItems()).startsWith("the whole song", "section A, from bar 1");
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        Song song = workbench.arrangement().orElseThrow().song();
        interact(() -> shell.score().select(song.bars().get(5).startTick()));
        push(KeyCode.SHIFT, KeyCode.RIGHT);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(passage.getValue()).isEqualTo("the whole song");
        assertThat(passage.getItems()).startsWith("the whole song", "bar 5", "section A, from bar 1");
        interact(() -> passage.setValue("bar 5"));
        ListView<Step> ladder = lookup("#ladder").queryListView();
        assertThat(ladder.getItems()).isNotEmpty().allMatch(step -> step.bars()
                .equals(song.bars().subList(5, 6)));
        interact(() -> passage.setValue("drills for bar 5"));
        assertThat(text("#practice-adds")).startsWith("Drill: ");
        // no longer marked: it is no longer to be had, and the whole song comes back
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        type(KeyCode.HOME);
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(passage.getItems()).doesNotContain("bar 5", "drills for bar 5");
        assertThat(passage.getValue()).isEqualTo("the whole song");
        assertThat(text("#practice-place")).startsWith("Step 1 of");
    }

    /** A pedal that sends Page Down leads on; a key that goes everywhere is refused; Esc takes it away. */
    @Test
    void aPedalDoesWhatThePlayerSays() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT6);
        type(KeyCode.PAGE_DOWN);
        assertThat(text("#practice-place")).startsWith("Step 1 of");
        type(KeyCode.K);
        interact(() -> lookup("#key-next").queryButton().fire());
        assertThat(lookup("#key-next").queryButton().getText()).isEqualTo("press it now");
        type(KeyCode.PAGE_DOWN);
        assertThat(lookup("#key-next").queryButton().getText()).isEqualTo(KeyCode.PAGE_DOWN.getName());
        interact(() -> lookup("#key-faster").queryButton().fire());
        type(KeyCode.F1);
        waitForText("#message", "F1 does something everywhere");
        assertThat(lookup("#key-faster").queryButton().getText()).isEqualTo("your own...");
        interact(() -> lookup("#key-again").queryButton().fire());
        type(KeyCode.C);
        interact(() -> lookup("#practice-station").query().requestFocus());
        type(KeyCode.K);
        type(KeyCode.PAGE_DOWN);
        assertThat(text("#practice-place")).startsWith("Step 2 of");
        // a letter of the player's own comes before the usual one
        type(KeyCode.C);
        assertThat(text("#practice-start")).startsWith("Stop");
        waitForText("#practice-record", "Not played yet");
        type(KeyCode.SPACE);
        Map<String, String> kept = shell.practiceKeys().toKeep();
        assertThat(kept).containsOnly(Map.entry("NEXT", "PAGE_DOWN"), Map.entry("AGAIN", "C"));
        PracticeKeys again = new PracticeKeys();
        again.use(Map.of("NEXT", "PAGE_DOWN", "AGAIN", "C", "JUMP", "J", "FASTER", "NO_KEY", "SLOWER", "TAB"));
        assertThat(again.toKeep()).isEqualTo(kept);

        type(KeyCode.K);
        interact(() -> lookup("#key-clean").queryButton().fire());
        type(KeyCode.PAGE_DOWN);
        assertThat(lookup("#key-next").queryButton().getText())
                .as("one key does one thing")
                .isEqualTo("your own...");
        interact(() -> lookup("#key-clean").queryButton().fire());
        type(KeyCode.ESCAPE);
        assertThat(shell.practiceKeys().toKeep()).containsOnly(Map.entry("AGAIN", "C"));
    }
}

package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.practice.Step;
import phalanx.practice.Today;
import phalanx.song.Bar;
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
        WaitForAsyncUtils.sleep(200, TimeUnit.MILLISECONDS);
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
        WaitForAsyncUtils.waitForFxEvents();
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

        ListView<Today.Block> today = lookup("#today").queryListView();
        assertThat(today.getItems()).extracting(Today.Block::kind).startsWith(Today.Kind.WARM_UP, Today.Kind.NEW);
        interact(() -> today.getSelectionModel().select(1));
        int next = today.getItems().get(1).step().getAsInt();
        assertThat(text("#practice-place")).startsWith("Step " + (next + 1) + " of");

        ComboBox<String> passage = lookup("#practice-passage").queryComboBox();
        int whole = ladder.getItems().size();
        interact(() -> passage.setValue(passage.getItems().get(1)));
        WaitForAsyncUtils.waitForFxEvents();
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
}

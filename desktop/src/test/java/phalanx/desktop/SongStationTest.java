package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.arrange.KeyAdvisor;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.song.Ticks;

/** The flows of the song station, by keyboard. */
class SongStationTest extends OpenWindow {
    private Song song() {
        return project().song();
    }

    private String tune() {
        return song().melody().stream()
                .map(note -> note.pitch() + ":" + note.lengthTicks() / (double) Ticks.QUARTER)
                .collect(Collectors.joining(" "));
    }

    private void chart(String text) {
        interact(() -> lookup("#chart-text").<TextArea>query().setText(text));
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test
    void aSongOfSixteenBarsIsTypedWithoutTheMouse() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(() -> lookup("#chart-text").query().isFocused());
        write("[A] | G | Em7 | C | D7 | % | G . C . | D/F# | G |\n");
        write("[B] | C | G | Am7 | D7 | C . Cm . | G | Am7 D7 | G |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitForText("#message", "Set chart");
        assertThat(song().bars()).hasSize(16);
        type(KeyCode.F3);
        write("h");
        for (int bar = 0; bar < 15; bar++) {
            write("30");
        }
        type(KeyCode.UP);
        write("q3-r10");
        waitFor(() -> tune().endsWith("G4:2.0 D5:1.0") || song().melody().size() >= 32);
        assertThat(song().bars()).hasSize(16);
        assertThat(song().melody().get(song().melody().size() - 1).endTick()).isLessThanOrEqualTo(song().endTick());
        assertThat(tune()).startsWith("D4:2.0 B3:2.0 D4:2.0 B3:2.0");
        waitUntilArranged();
        waitFor(() -> workbench.arrangement().orElseThrow().song().melody().size()
                == song().melody().size());
        assertThat(workbench.arrangement().orElseThrow().notes()).hasSizeGreaterThan(64);
    }

    @Test
    void theTuneIsEnteredChangedAndTakenBackByKeys() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("q1e0.3.");
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75");
        push(KeyCode.SHIFT, KeyCode.E);
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 E4:0.5");
        write("-t0");
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 E4:1.0 B3:0.3333333333333333");
        type(KeyCode.BACK_SPACE);
        push(KeyCode.CONTROL, KeyCode.UP);
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 F4:1.0");
        write("12");
        assertThat(tune()).endsWith("F4:1.0 B4:0.3333333333333333");
        type(KeyCode.DOWN);
        write("r");
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 F4:1.0");
        clickOn("#tune-neck");
        assertThat(song().melody()).hasSize(5);
    }

    @Test
    void mistakesStandUnderTheirWordAndChordsAreCompleted() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        type(KeyCode.F2);
        List<ChordChange> before = song().chart();
        chart("| G | Hm |");
        assertThat(text("#chart-mistake")).contains("| G | Hm |\n      ^^ ");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        assertThat(song().chart()).isEqualTo(before);
        type(KeyCode.F3);
        write("q3");
        type(KeyCode.F2);
        assertThat(text("#chart-mistake"))
                .as("typed text outlives an edit of the tune")
                .contains("Hm");
        chart("");
        write("| Am | Dsu");
        waitForText("#chart-status", "Tab: Dsus4");
        type(KeyCode.TAB);
        write(" |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitForText("#message", "Set chart");
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("Am", "Dsus4");
        assertThat(song().bars().size()).isGreaterThan(2);
        push(KeyCode.CONTROL, KeyCode.Z);
    }

    @Test
    void theBestKeyAndCapoAreFoundAndUsed() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        Song before = song();
        clickOn("#advise");
        clickOn("#advise-stop");
        waitFor(() -> lookup("#advise").tryQuery().isPresent());
        clickOn("#advise");
        WaitForAsyncUtils.waitFor(
                60, TimeUnit.SECONDS, () -> lookup("#way-7-0").tryQuery().isPresent());
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(lookup("#advice-grid").<GridPane>query().getChildren().stream()
                        .filter(Button.class::isInstance))
                .hasSize(KeyAdvisor.WAYS);
        clickOn("#way-7-0");
        assertThat(text("#advice-words")).startsWith("G without capo: effort");
        clickOn("#advise-use");
        waitForText("#message", "Set key G, capo 0");
        assertThat(song().key()).hasToString("G");
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: key G");
        assertThat(song()).isEqualTo(before);
    }

    @Test
    void theSongIsNamed() {
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        enter("#song-title", "Quarry Lane");
        assertThat(text("#title")).isEqualTo("Quarry Lane");
    }
}

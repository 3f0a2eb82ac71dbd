package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeoutException;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.scene.control.Button;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.NamedTuning;
import phalanx.project.Project;
import phalanx.righthand.Level;
import phalanx.righthand.School;

/** Whole flows through the real window. */
class WindowTest extends OpenWindow {

    @Test
    void theDemoSongIsShownAndWalkedThroughByKeys() throws TimeoutException {
        assertThat(text("#title")).isEqualTo("Slate Harbour");
        assertThat(text("#place")).isEqualTo("Bar 0, beat 4");
        type(KeyCode.RIGHT);
        waitForText("#place", "Bar 1, beat 1");
        type(KeyCode.END);
        waitForText("#place", "Bar 16");
        type(KeyCode.HOME, KeyCode.DOWN);
        waitFor(() -> !text("#place").startsWith("Bar 0"));
        assertThat(text("#song-figures")).contains("effort", "ceiling");
    }

    @Test
    void spacePlaysWithAMovingCursorAndStops() throws TimeoutException {
        type(KeyCode.SPACE);
        waitFor(() -> lookup("#silent").query().isVisible());
        assertThat(text("#silent")).contains("No sound card");
        waitForSound();
        type(KeyCode.SPACE);
        waitFor(() -> !lookup("#silent").query().isVisible());
        clickOn("#play");
        waitFor(() -> lookup("#silent").query().isVisible());
        waitForSound();
        clock.addAndGet((long) (600 * SECOND));
        waitFor(() -> !lookup("#silent").query().isVisible());
    }

    /** What is heard is made in the background: until it has begun, time that passes is not its own. */
    private void waitForSound() throws TimeoutException {
        Playback playback = shell.playback();
        waitFor(() -> {
            int before = playback.tick();
            clock.addAndGet((long) (0.1 * SECOND));
            return playback.tick() != before;
        });
    }

    /** Speed, loop and what sounds, by keys and in the panel; the chip and the bottom line say so. */
    @Test
    void whatIsHeardIsChosenByKeysAndInThePanel() throws TimeoutException {
        type(KeyCode.RIGHT);
        write("<<><");
        waitForText("#message", "90 %");
        type(KeyCode.L);
        assertThat(lookup("#speed").<Button>query().getAccessibleText()).isEqualTo("speed 90 % loop");
        type(KeyCode.SPACE);
        waitFor(() -> lookup("#silent").query().isVisible());
        waitForSound();
        // the bar comes round again and again: a minute later it still plays
        clock.addAndGet((long) (55 * SECOND));
        settle();
        assertThat(lookup("#silent").query().isVisible()).isTrue();
        // without the loop it goes on to the end
        type(KeyCode.L);
        waitForSound();
        assertThat(lookup("#silent").query().isVisible()).isTrue();
        clock.addAndGet((long) (55 * SECOND));
        waitFor(() -> !lookup("#silent").query().isVisible());
        type(KeyCode.L);
        push(KeyCode.SHIFT, KeyCode.DIGIT1);
        waitForText("#message", "The thumb alone.");
        type(KeyCode.DIGIT3);
        waitForText("#message", "The tune is heard.");
        clickOn("#speed");
        clickOn("#speed-70");
        assertThat(text("#speed-now")).isEqualTo("Speed 70 %");
        clickOn("#sound-loop");
        clickOn("#only-fingers");
        type(KeyCode.ESCAPE);
        assertThat(lookup("#speed").<Button>query().getAccessibleText()).isEqualTo("speed 70 % \u2026");
    }

    /** The change that comes next is heard back and forth: two moments and no more, until it is stopped. */
    @Test
    void oneChangeIsHeardOverAndOver() throws TimeoutException {
        clickOn("#score-station");
        type(KeyCode.HOME);
        waitFor(() -> lookup("#hear-change").tryQuery().isPresent());
        Arrangement shown = workbench.arrangement().orElseThrow();
        Playback playback = shell.playback();
        type(KeyCode.X);
        waitForText("#message", "heard over and over");
        waitForSound();
        Set<Integer> moments = new TreeSet<>();
        for (int i = 0; i < 80; i++) {
            clock.addAndGet((long) (0.25 * SECOND));
            interact(() -> moments.add(shown.slotAt(playback.tick()).startTick()));
        }
        assertThat(playback.playingProperty().get()).as("endless").isTrue();
        assertThat(moments).as("moments that are heard").hasSize(2);
        assertThat(shown.slotAt(List.copyOf(moments).get(0)).posture())
                .isNotEqualTo(shown.slotAt(List.copyOf(moments).get(1)).posture());
        type(KeyCode.X);
        waitFor(() -> !playback.playingProperty().get());
    }

    @Test
    void capoIsChosenInItsChipAndTakenBack() throws TimeoutException {
        clickOn("#capo");
        clickOn("fret 2");
        waitForText("#message", "Set capo 2");
        waitFor(() -> !workbench.busyProperty().get());
        assertThat(workbench.arrangement().orElseThrow().request().instrument().capo())
                .isEqualTo(2);
        assertThat(lookup("#key").<Button>query().getAccessibleText()).isEqualTo("key C (sounds D)");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: capo 2");
        assertThat(workbench.project().orElseThrow().instrument().capo()).isZero();
        push(KeyCode.CONTROL, KeyCode.Y);
        waitForText("#message", "Again: capo 2");
    }

    @Test
    void tuneOctaveAndLevelAreChosenInTheirChips() throws TimeoutException {
        clickOn("#tune");
        clickOn("sung");
        waitForText("#message", "Set the tune: sung");
        waitFor(() -> !workbench.busyProperty().get());
        assertThat(workbench.arrangement().orElseThrow().notes()).noneMatch(note -> note.role() == Role.MELODY);
        assertThat(lookup("#tune").<Button>query().getAccessibleText()).isEqualTo("tune sung");
        clickOn("#tune");
        clickOn("heard softly when played");
        waitForText("#message", "heard softly from the next playing on");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: the tune: sung");
        clickOn("#tune");
        clickOn("octave: as written");
        waitForText("#message", "Set the tune's octave: as-written");
        assertThat(workbench.project().orElseThrow().wishes().octave()).isEqualTo(Octave.AS_WRITTEN);
        waitFor(() -> !workbench.busyProperty().get());
        clickOn("#level");
        waitForText("#level-figures", "plain: effort");
        waitForText("#level-figures", "full: effort");
        clickOn("full");
        waitForText("#message", "Set level full");
        assertThat(workbench.project().orElseThrow().picking().plan().level()).isEqualTo(Level.FULL);
        clickOn("#tune");
        push(KeyCode.CONTROL, KeyCode.A);
        write("hummed");
        type(KeyCode.ENTER);
        waitForText("#message", "\"hummed\" is not known");
    }

    @Test
    void escapeGivesUpTheWorkInHand() throws TimeoutException {
        CountDownLatch gate = new CountDownLatch(1);
        background.execute(() -> await(gate));
        clickOn("#capo");
        clickOn("fret 3");
        waitFor(() -> workbench.busyProperty().get());
        type(KeyCode.ESCAPE);
        waitForText("#message", "Stopped");
        gate.countDown();
        assertThat(workbench.project().orElseThrow().instrument().capo()).isZero();
        assertThat(workbench.busyProperty().get()).isFalse();
    }

    private static void await(CountDownLatch gate) {
        try {
            gate.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void tuningAndTempoAreTyped() throws TimeoutException {
        clickOn("#tuning");
        push(KeyCode.CONTROL, KeyCode.A);
        write("D A D G B E");
        type(KeyCode.ENTER);
        waitForText("#message", "Set tuning");
        assertThat(workbench.project().orElseThrow().instrument().tuning()).isEqualTo(NamedTuning.DROP_D.tuning());
        clickOn("#tempo");
        push(KeyCode.CONTROL, KeyCode.A);
        write("999");
        type(KeyCode.ENTER);
        waitForText("#message", "999 is outside 20 to 400");
        clickOn("#tempo");
        clickOn("+10  to 102");
        waitForText("#message", "Set tempo 102");
        assertThat(workbench.project().orElseThrow().song().tempo()).isEqualTo(102);
    }

    @Test
    void aFileIsOpenedByKeyAndABadOneLeavesTheSongOpen() throws IOException, TimeoutException {
        toOpen = Optional.of(demoCopy("Second Tune"));
        push(KeyCode.CONTROL, KeyCode.O);
        waitForText("#title", "Second Tune");
        toOpen = Optional.of(Files.writeString(folder.resolve("broken.musicxml"), "<score-partwise>"));
        clickOn("#open");
        waitForText("#message", "broken.musicxml");
        assertThat(text("#message")).contains("line 1").contains("Second Tune stays open");
        assertThat(text("#title")).isEqualTo("Second Tune");
    }

    @Test
    void aFileIsDropped() throws IOException, TimeoutException {
        Dragboard board = mock(Dragboard.class);
        when(board.hasFiles()).thenReturn(true);
        when(board.getFiles()).thenReturn(List.of(demoCopy("Dropped Tune").toFile()));
        interact(() -> {
            Event.fireEvent(shell, drag(DragEvent.DRAG_OVER, board));
            Event.fireEvent(shell, drag(DragEvent.DRAG_DROPPED, board));
        });
        waitForText("#title", "Dropped Tune");
    }

    private static DragEvent drag(EventType<DragEvent> type, Dragboard board) {
        return new DragEvent(type, board, 9, 9, 9, 9, TransferMode.COPY, null, null, null);
    }

    private Path demoCopy(String title) throws IOException {
        try (InputStream in = Shell.class.getResourceAsStream("demo/slate-harbour.musicxml")) {
            String xml = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Files.writeString(folder.resolve("tune.musicxml"), xml.replace("Slate Harbour", title));
        }
    }

    @Test
    void theArrangementIsWrittenToAFile() throws TimeoutException {
        Path tab = folder.resolve("song.tab.txt");
        toSave = Optional.of(tab);
        push(KeyCode.CONTROL, KeyCode.E);
        waitForText("#message", "Wrote ");
        assertThat(tab).content().contains("Slate Harbour", "A/C#");
    }

    @Test
    void theThemeIsSwitched() throws TimeoutException {
        clickOn("#looks-open");
        clickOn("#theme-Rosewood");
        type(KeyCode.ESCAPE);
        settle();
        assertThat(shell.getScene().getStylesheets()).anyMatch(sheet -> sheet.endsWith("rosewood.css"));
        type(KeyCode.F9);
        assertThat(shell.view().theme()).isEqualTo(Theme.EBONY);
        type(KeyCode.F9);
        waitFor(() -> shell.getScene().getStylesheets().stream().anyMatch(sheet -> sheet.endsWith("spruce.css")));
    }

    @Test
    void findingsAreVisitedOneByOne() throws TimeoutException {
        clickOn("#score-station");
        write("]");
        boolean clean = workbench.arrangement().orElseThrow().findings().isEmpty();
        waitForText("#message", clean ? "No findings" : "Finding 1 of");
    }

    /** WCAG 2.1, success criteria 1.4.3 and 1.4.6: text contrast of at least 4.5 to 1, in the strong theme 7 to 1. */
    @Test
    void textHasEnoughContrastInEveryTheme() {
        for (Theme theme : Theme.values()) {
            double least = theme == Theme.EBONY ? 7 : 4.5;
            for (String text : List.of("ink", "quiet", "melody", "alarm")) {
                assertThat(contrast(theme.colour(text), theme.colour("ground")))
                        .as("%s: %s on the ground", theme, text)
                        .isGreaterThanOrEqualTo(least);
            }
            for (String text : List.of("ink", "quiet", "bass", "melody", "inner", "alarm", "good")) {
                assertThat(contrast(theme.colour(text), theme.colour("raised")))
                        .as("%s: %s on a card", theme, text)
                        .isGreaterThanOrEqualTo(least);
            }
            for (String tile : List.of("bass", "melody")) {
                assertThat(contrast(theme.colour("on-colour"), theme.colour(tile)))
                        .isGreaterThanOrEqualTo(least);
            }
        }
    }

    private static double contrast(Color a, Color b) {
        double lighter = Math.max(luminance(a), luminance(b));
        double darker = Math.min(luminance(a), luminance(b));
        return (lighter + 0.05) / (darker + 0.05);
    }

    private static double luminance(Color colour) {
        return 0.2126 * linear(colour.getRed())
                + 0.7152 * linear(colour.getGreen())
                + 0.0722 * linear(colour.getBlue());
    }

    private static double linear(double channel) {
        return channel <= 0.03928 ? channel / 12.92 : Math.pow((channel + 0.055) / 1.055, 2.4);
    }

    @Test
    void aProjectIsSavedAndOpenedAgainWithAllThatWasDecided() throws Exception {
        interact(() -> workbench.setCapo(3));
        waitUntilArranged();
        type(KeyCode.K);
        waitForText("#message", "lock");
        interact(() -> workbench.setPicking("school", picking -> picking.withSchool(School.THUMB_AND_FOUR)));
        waitUntilArranged();
        Project saved = project();
        Path file = folder.resolve("slate.phalanx.json");
        toSave = Optional.of(file);
        push(KeyCode.CONTROL, KeyCode.S);
        waitForText("#message", "Saved " + file);
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(() -> !project().equals(saved));
        toOpen = Optional.of(file);
        push(KeyCode.CONTROL, KeyCode.O);
        waitForText("#message", "Opened slate.phalanx.json");
        assertThat(project()).isEqualTo(saved);
        // the second time it goes to the same file without asking
        toSave = Optional.empty();
        interact(() -> workbench.setTempo(101));
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.S);
        waitForText("#message", "Saved " + file);
        assertThat(Files.readString(file)).contains("\"tempo\" : 101");
        Files.writeString(file, Files.readString(file).replace("\"capo\" : 3", "\"capo\" : 33"));
        push(KeyCode.CONTROL, KeyCode.O);
        waitForText("#message", "capo 33");
        assertThat(project().song().tempo()).isEqualTo(101);
    }
}

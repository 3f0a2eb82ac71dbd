package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.score.ArrangedNote;
import phalanx.formats.library.LibraryFile;
import phalanx.project.Project;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternText;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.song.Song;

/** The flows of the picking station, by keyboard and mouse. */
class PickingStationTest extends OpenWindow {
    @BeforeEach
    void goThere() throws TimeoutException {
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.DIGIT4);
        waitFor(() -> lookup("#step-grid").tryQuery().isPresent());
    }

    private Picking picking() {
        return project().picking();
    }

    private List<String> played(int bar) {
        Song song = project().song();
        return workbench.arrangement().orElseThrow().notes().stream()
                .filter(note -> song.bars().get(bar).contains(note.tick()))
                .map(note -> note.tick()
                        - song.bars().get(bar).startTick()
                        + note.right().symbol())
                .toList();
    }

    @Test
    void aPatternIsBuiltFromNothingHeardPutOnASectionAndTakenBack() throws TimeoutException {
        clickOn("#pattern-new");
        waitFor(() -> lookup("#step-grid").query().isFocused());
        // bass row: a stroke on each beat
        for (int beat = 0; beat < 4; beat++) {
            type(KeyCode.HOME);
            for (int step = 0; step < 2 * beat; step++) {
                type(KeyCode.RIGHT);
            }
            write("x");
        }
        // up two rows to "middle", i between the beats, an accent on the last
        type(KeyCode.HOME, KeyCode.UP, KeyCode.UP, KeyCode.RIGHT);
        write("i");
        type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.RIGHT);
        write("I");
        // and one that snaps in the row above
        type(KeyCode.UP, KeyCode.LEFT);
        write("s");
        enter("#pattern-name", "Plank Walk");
        waitUntilArranged();
        List<ArrangedNote> before = workbench.arrangement().orElseThrow().notes();
        clickOn("#scope-section");
        clickOn("#pattern-apply");
        waitForText("#message", "Plank Walk on this section");
        waitUntilArranged();
        Pattern put = picking()
                .planAt(project().song().bars().get(1).startTick())
                .pattern()
                .orElseThrow();
        assertThat(PatternText.write(put))
                .contains(
                        """
                Plank Walk
                family: own
                meter: 4/4
                grid: 2
                high    . . . . . s . .
                middle  . i . . . I . .
                bass    x . x . x . x .
                """);
        assertThat(picking().spans()).hasSize(1);
        int end = picking().spans().get(0).endTick();
        assertThat(project().song().sections()).anyMatch(section -> section.startTick() == end);
        assertThat(picking().planAt(end).pattern()).isEmpty();
        clickOn("#pattern-hear");
        waitForText("#message", "No sound card");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: Plank Walk");
        waitUntilArranged();
        assertThat(workbench.arrangement().orElseThrow().notes()).isEqualTo(before);
    }

    @Test
    void patternsAreBrowsedAndTriedWithOneKey() throws TimeoutException {
        Project before = project();
        type(KeyCode.F2);
        ListView<Pattern> list = lookup("#patterns").query();
        waitFor(list::isFocused);
        assertThat(list.getItems())
                .allMatch(pattern -> pattern.meter().toString().equals("4/4"));
        type(KeyCode.HOME, KeyCode.DOWN, KeyCode.DOWN);
        String name = list.getSelectionModel().getSelectedItem().name();
        waitForText("#pattern-serves", "the first finger notes");
        type(KeyCode.ENTER);
        waitForText("#message", "with " + name + ", which is only tried");
        waitForText("#picking-bar", "Bar 1: " + name + ", tried");
        assertThat(picking().plan().pattern()).as("the song is as it was").isEmpty();
        assertThat(workbench.project()).hasValue(before);
        // another pattern that is only looked at is not what was tried
        type(KeyCode.DOWN);
        waitForText("#picking-bar", "Bar 1: pinch and fill");
        type(KeyCode.UP);
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitUntilArranged();
        assertThat(picking().plan().pattern().orElseThrow().name()).isEqualTo(name);
        waitForText("#picking-bar", "Bar 1: " + name);
        push(KeyCode.CLOSE_BRACKET);
        waitForText("#picking-bar", "Bar 2: " + name);
        push(KeyCode.OPEN_BRACKET);
        waitForText("#picking-bar", "Bar 1: " + name);
        assertThat(text("#picking-motions")).contains("pinch");
        assertThat(text("#picking-joining")).contains("strokes", "taken by the tune");
        clickOn("#patterns-fitting");
        assertThat(list.getItems())
                .anyMatch(pattern -> pattern.meter().toString().equals("6/8"));
    }

    @Test
    void schoolBassLineAndLevelAreChosenAndTakenBack() throws TimeoutException {
        choose("#school", School.THUMB_AND_INDEX);
        waitUntilArranged();
        assertThat(played(1).stream().map(text -> text.replaceAll("\\d", "")).collect(Collectors.toSet()))
                .isSubsetOf("p", "i");
        assertThat(workbench.arrangement().orElseThrow().notes())
                .extracting(ArrangedNote::right)
                .containsOnly(Digit.P, Digit.I);
        choose("#bass-line", BassLine.ON_CHANGE);
        choose("#plan-level", Level.PLAIN);
        waitUntilArranged();
        assertThat(picking().plan().bass()).isEqualTo(BassLine.ON_CHANGE);
        assertThat(picking().plan().level()).isEqualTo(Level.PLAIN);
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> picking().equals(Picking.PLAIN));
    }

    @Test
    void whereTheHandRestsItsSpeedAndWhatStaysDownAreChosenAndTakenBack() throws TimeoutException {
        Project before = project();
        choose("#hand-place", HandPlace.HEEL);
        assertThat(picking().place()).isEqualTo(HandPlace.HEEL);
        interact(() ->
                workbench.setPicking("speed", now -> now.withSpeeds(now.speeds().withRepeats(4))));
        waitUntilArranged();
        for (String id : List.of("#repeats", "#rolls", "#upstrokes")) {
            assertThat(lookup(id).tryQuery()).as(id).isPresent();
        }
        choose("#hold", Holding.FREE);
        assertThat(project().wishes().holding()).isEqualTo(Holding.FREE);
        boolean full = project().wishes().fullEnds();
        boolean slurs = project().wishes().slurs();
        for (String id : List.of("#full-ends", "#slurs")) {
            interact(() -> lookup(id).<CheckBox>query().fire());
            waitUntilArranged();
        }
        assertThat(project().wishes().fullEnds()).isEqualTo(!full);
        assertThat(project().wishes().slurs()).isEqualTo(!slurs);
        waitForText("#message", "slurs where they help");
        for (int i = 0; i < 5; i++) {
            push(KeyCode.CONTROL, KeyCode.Z);
            settle();
        }
        waitFor(() -> project().equals(before));
    }

    private <T> void choose(String id, T value) throws TimeoutException {
        interact(() -> lookup(id).<ComboBox<T>>query().setValue(value));
        waitUntilArranged();
    }

    @Test
    void aPatternThatCannotBePlayedStaysOffTheSongAndAGoodOneIsKept() throws Exception {
        clickOn("#pattern-new");
        waitFor(() -> lookup("#step-grid").query().isFocused());
        type(KeyCode.HOME, KeyCode.UP);
        write("i");
        type(KeyCode.HOME, KeyCode.UP);
        write("i");
        waitForText("#pattern-status", "digit i has two strokes at once");
        clickOn("#pattern-apply");
        waitForText("#message", "What was played before stays");
        assertThat(picking()).isEqualTo(Picking.PLAIN);
        clickOn("#step-grid");
        type(KeyCode.HOME);
        write(".");
        type(KeyCode.F3);
        push(KeyCode.CONTROL, KeyCode.K);
        waitFor(() -> !workbench.shelf().libraryProperty().get().patterns().isEmpty()
                || text("#pattern-status").contains("two strokes"));
        type(KeyCode.UP, KeyCode.UP, KeyCode.UP, KeyCode.UP, KeyCode.UP, KeyCode.UP, KeyCode.DOWN, KeyCode.DOWN);
        type(KeyCode.HOME);
        write(".");
        push(KeyCode.CONTROL, KeyCode.K);
        waitFor(() -> workbench.shelf().libraryProperty().get().patterns().size() == 1);
        waitForText("#message", "Saved My pattern");
        waitFor(() -> readLibrary().equals(1));
    }

    private Integer readLibrary() {
        try {
            return new LibraryFile(folder.resolve("library/library.json"))
                    .read()
                    .map(library -> library.patterns().size())
                    .orElse(0);
        } catch (phalanx.formats.reading.FormatException e) {
            return -1;
        }
    }

    @Test
    void theGridTakesMoreStepsAndBarsAndKeepsWhatFits() {
        clickOn("#pattern-new");
        write("xxx");
        interact(() -> lookup("#pattern-steps").<ComboBox<Integer>>query().setValue(4));
        clickOn("#pattern-bars");
        clickOn("#scope-song");
        clickOn("#pattern-apply");
        Pattern put = picking().plan().pattern().orElseThrow();
        assertThat(put.grid()).isEqualTo(4);
        assertThat(put.bars()).isEqualTo(2);
        assertThat(put.strokes()).extracting(stroke -> stroke.step()).containsExactly(0, 2, 4);
        interact(() -> lookup("#pattern-steps").<ComboBox<Integer>>query().setValue(3));
        assertThat(text("#pattern-status")).isEmpty();
    }
}

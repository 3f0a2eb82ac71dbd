package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.project.Project;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;

/** Notes moved and limits set in the score, listed, released and taken back. */
class DecisionsTest extends OpenWindow {
    private Arrangement shown() {
        return workbench.arrangement().orElseThrow();
    }

    private ArrangedNote at(int tick, Role role) {
        return shown().notes().stream()
                .filter(note -> note.tick() == tick && note.role() == role)
                .findFirst()
                .orElseThrow();
    }

    private void selectTick(int tick) {
        ScoreStation score = lookup("#score-station").query();
        type(KeyCode.HOME);
        while (score.selected() < tick) {
            type(KeyCode.RIGHT);
            settle();
        }
    }

    /** The drawer is longer than the window. */
    private void scrollToDecisions() {
        scrollTo("#decisions");
    }

    private void scrollTo(String id) {
        interact(() -> {
            ScrollPane pane = (ScrollPane) lookup(".why-drawer").query();
            double y = pane.getContent()
                    .sceneToLocal(lookup(id).query().localToScene(0, 0))
                    .getY();
            double beyond = pane.getContent().getLayoutBounds().getHeight()
                    - pane.getViewportBounds().getHeight();
            pane.setVvalue(Math.max(0, Math.min(1, (y - 100) / beyond)));
        });
        settle();
    }

    @Test
    void aTuneNoteIsMovedFingeredListedAndReleased() throws TimeoutException {
        Project before = project();
        clickOn("#score-station");
        waitUntilArranged();
        Instrument guitar = shown().request().instrument();
        ArrangedNote note = shown().notes().stream()
                .filter(one -> one.role() == Role.MELODY && one.string() == 1 && one.fret() > 0)
                .filter(one -> guitar.fretOf(2, one.midi()) <= 9)
                .findFirst()
                .orElseThrow();
        selectTick(note.tick());
        push(KeyCode.ALT, KeyCode.DOWN);
        waitForText("#message", "Set the melody note on string 2");
        waitUntilArranged();
        assertThat(at(note.tick(), Role.MELODY).string()).isEqualTo(2);
        assertThat(at(note.tick(), Role.MELODY).midi()).isEqualTo(note.midi());
        Finger other = at(note.tick(), Role.MELODY).left().orElseThrow() == Finger.LITTLE ? Finger.RING : Finger.LITTLE;
        push(KeyCode.ALT, other == Finger.RING ? KeyCode.DIGIT3 : KeyCode.DIGIT4);
        waitForText("#message", "It takes the place of the melody note on string 2 in bar ");
        waitUntilArranged();
        assertThat(project().locks()).containsExactly(new PlaceLock(note.tick(), Role.MELODY, 2, Optional.of(other)));
        assertThat(at(note.tick(), Role.MELODY).left()).contains(other);
        assertThat(shows("#decisions", "the melody note on string 2 with finger " + other.symbol()))
                .isTrue();
        scrollToDecisions();
        clickOn("#release-1");
        waitForText("#message", "Set release of");
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
        assertThat(at(note.tick(), Role.MELODY)).isEqualTo(note);
        assertThat(shows("#decisions", "Nothing decided in this bar")).isTrue();
        Digit digit = note.right() == Digit.A ? Digit.M : Digit.A;
        KeyCode letter = digit == Digit.A ? KeyCode.A : KeyCode.M;
        push(KeyCode.ALT, letter);
        waitForText("#message", "Set " + digit.symbol() + " plucks the melody note in bar ");
        waitUntilArranged();
        assertThat(at(note.tick(), Role.MELODY).right()).isEqualTo(digit);
        assertThat(shows("#decisions", digit.symbol() + " plucks the melody note"))
                .isTrue();
        push(KeyCode.ALT, KeyCode.C);
        waitForText("#message", "This right hand plays without c");
        push(KeyCode.ALT, letter);
        waitForText("#message", "Set release of");
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
    }

    private long inner(int tick) {
        return shown().notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                .count();
    }

    /** What was between becomes the tune's, and the tune's note goes; taken back, all is as it was. */
    private void assertARoleIsChanged() throws TimeoutException {
        Project before = project();
        ArrangedNote between = shown().notes().stream()
                .filter(note -> note.role() == Role.INNER && inner(note.tick()) == 1)
                .filter(note -> project()
                        .song()
                        .melodyBetween(note.tick(), note.tick() + 1)
                        .isEmpty())
                .findFirst()
                .orElseThrow();
        int at = between.tick();
        int sounds = between.midi() - shown().movedBy();
        selectTick(at);
        type(KeyCode.E);
        waitForText("#message", "Set the inner note as the tune's in bar");
        waitUntilArranged();
        assertThat(project().song().melodyBetween(at, at + 1))
                .extracting(MelodyNote::midi)
                .containsExactly(sounds);
        assertThat(at(at, Role.MELODY).midi()).isEqualTo(between.midi());
        selectTick(at);
        type(KeyCode.E);
        waitForText("#message", "Set the tune without its note in bar");
        waitUntilArranged();
        assertThat(project().song().melodyBetween(at, at + 1)).isEmpty();
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
    }

    /** An inner note comes and goes, the tune's note changes octave and length, and all of it is taken back. */
    @Test
    void notesAreAddedDroppedMovedByOctavesAndLengthened() throws TimeoutException {
        Project before = project();
        clickOn("#score-station");
        waitUntilArranged();
        assertARoleIsChanged();
        ArrangedNote inner = shown().notes().stream()
                .filter(note -> note.role() == Role.INNER && inner(note.tick()) == 1)
                .findFirst()
                .orElseThrow();
        int tick = inner.tick();
        selectTick(tick);
        type(KeyCode.DELETE);
        waitForText("#message", "Set no inner note in bar");
        waitUntilArranged();
        assertThat(inner(tick)).isZero();
        assertThat(project().locks()).containsExactly(new InnerLock(tick, 0));
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        selectTick(tick);
        type(KeyCode.N);
        waitForText("#message", "Set 2 inner notes in bar");
        waitUntilArranged();
        assertThat(inner(tick)).isEqualTo(2);
        type(KeyCode.N);
        type(KeyCode.N);
        waitUntilArranged();
        waitForText("#message", "digits are busy");
        interact(() -> workbench.decide("release", now -> now.lockedTo(List.of())));
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);

        MelodyNote note = project().song().melody().get(1);
        selectTick(note.tick());
        type(KeyCode.O);
        waitUntilArranged();
        assertThat(project().song().melody().get(1).midi()).isEqualTo(note.midi() + 12);
        push(KeyCode.SHIFT, KeyCode.O);
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
        write(",");
        waitUntilArranged();
        int step = project().song().barAt(note.tick()).meter().stepTicks();
        assertThat(project().song().melody().get(1).lengthTicks()).isEqualTo(note.lengthTicks() - step);
        write(".");
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
        write(".");
        waitForText("#message", "where the next note begins");
    }

    /** Smaller shows more of the song, and a click means the moment under the mouse in every size. */
    @Test
    void theScoreIsShownLargerAndSmaller() throws TimeoutException {
        clickOn("#score-station");
        waitUntilArranged();
        ScoreStation score = lookup("#score-station").query();
        selectTick(0);
        int usual = score.visible().get(1);
        write("---");
        settle();
        int small = score.visible().get(1);
        assertThat(small).isGreaterThan(usual);
        clickOn(score.localToScreen(300, 200));
        int picked = score.selected();
        assertThat(picked).isPositive();
        write("0");
        settle();
        selectTick(0);
        assertThat(score.visible().get(1)).isEqualTo(usual);
        clickOn(score.localToScreen(300, 200));
        // the same place is an earlier moment where everything is larger
        assertThat(score.selected()).isLessThan(picked);
        write("+++++");
        settle();
        selectTick(0);
        assertThat(score.visible().get(1)).isLessThan(usual);
    }

    /** Bars are marked with keys and mouse and judged together; what is decided in one is put on others. */
    @Test
    void barsAreMarkedAndTheirDecisionsPutOnOthers() throws TimeoutException {
        Project before = project();
        clickOn("#score-station");
        waitUntilArranged();
        Bar second = project().song().bars().get(1);
        Bar last = project().song().bars().get(5);
        selectTick(second.startTick());
        push(KeyCode.ALT, KeyCode.DOWN);
        waitUntilArranged();
        assertThat(project().locks()).hasSize(1);
        PlaceLock lock = (PlaceLock) project().locks().get(0);
        push(KeyCode.CONTROL, KeyCode.C);
        waitForText("#message", "Copied what is decided in bar " + second.number() + ": 1 lock and");
        selectTick(last.startTick());
        push(KeyCode.CONTROL, KeyCode.V);
        waitForText("#message", "Set what was copied on bar " + last.number());
        waitUntilArranged();
        assertThat(project().locks())
                .containsExactlyInAnyOrder(lock, lock.at(lock.tick() - second.startTick() + last.startTick()));
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);

        type(KeyCode.HOME);
        push(KeyCode.SHIFT, KeyCode.DOWN);
        assertThat(text("#place")).startsWith("Bars ");
        assertThat(text("#bar-ceiling")).contains("can go to");
        push(KeyCode.CONTROL, KeyCode.A);
        int bars = project().song().bars().size() - 1;
        assertThat(text("#place")).endsWith(" to " + bars);
        double effort = shown().effort();
        assertThat(shows(".why-drawer", String.format(Locale.ROOT, "Effort %.2f", effort)))
                .isTrue();
        type(KeyCode.RIGHT);
        assertThat(text("#place")).doesNotContain(" to ");
        ScoreStation score = lookup("#score-station").query();
        type(KeyCode.HOME);
        drag(score.localToScreen(250, 200)).dropTo(score.localToScreen(600, 200));
        assertThat(text("#place")).startsWith("Bars ");
    }

    /** A bass note on the first string: no hand has it there, which is said at once with the reason. */
    @Test
    void whatCannotBeKeptIsSaidAtOnce() throws TimeoutException {
        clickOn("#score-station");
        waitUntilArranged();
        int tick = project().song().bars().get(2).startTick();
        interact(() ->
                workbench.decide("place", now -> now.withLock(new PlaceLock(tick, Role.BASS, 1, Optional.empty()))));
        waitUntilArranged();
        waitForText("#message", "decided: the bass note on string 1; not kept: ");
        assertThat(text("#message")).contains("Ctrl+Z takes it back");
        interact(() -> workbench.setTempo(100));
        waitUntilArranged();
        assertThat(text("#message")).as("said once").doesNotContain("not kept");
    }

    /** A staff stands above on demand: less of the song is seen, a click still means the moment under it. */
    @Test
    void aStaffIsShownAndTakenAway() throws TimeoutException {
        clickOn("#score-station");
        waitUntilArranged();
        ScoreStation score = lookup("#score-station").query();
        write("---");
        selectTick(0);
        int usual = score.visible().get(1);
        type(KeyCode.T);
        waitForText("#message", "an octave lower than written");
        selectTick(0);
        assertThat(score.visible().get(1)).isLessThan(usual);
        clickOn(score.localToScreen(500, 100));
        assertThat(score.selected()).isPositive();
        type(KeyCode.T);
        waitForText("#message", "Without the staff");
        selectTick(0);
        assertThat(score.visible().get(1)).isEqualTo(usual);
    }

    /** The list holds what the song has, by hand and kind, and leads to the places. */
    @Test
    void allFindingsAreListedFilteredAndWalked() throws TimeoutException {
        // a tempo at which hands come too late
        interact(() ->
                workbench.decide("tempo 190", now -> now.withSong(now.song().withTempo(190))));
        clickOn("#score-station");
        waitUntilArranged();
        type(KeyCode.F);
        ListView<Finding> list = lookup("#finding-list").query();
        assertThat(list.getItems()).isNotEmpty().isEqualTo(shown().findings());
        ComboBox<String> hand = lookup("#finding-hand").query();
        interact(() -> hand.getSelectionModel().select(1));
        assertThat(list.getItems())
                .isNotEmpty()
                .allMatch(finding -> finding.kind().side() == FindingKind.Side.LEFT);
        ComboBox<String> kind = lookup("#finding-kind").query();
        interact(() -> kind.getSelectionModel().select(1));
        assertThat(list.getItems()).allMatch(finding -> finding.kind().label().equals(kind.getValue()));
        interact(() -> hand.getSelectionModel().select(0));
        interact(list::requestFocus);
        type(KeyCode.END);
        Finding last = list.getItems().get(list.getItems().size() - 1);
        ScoreStation score = lookup("#score-station").query();
        assertThat(score.selected()).isLessThanOrEqualTo(last.tick());
        assertThat(shown().song().barAt(score.selected()).number()).isEqualTo(last.bar());
        type(KeyCode.F);
        assertThat(lookup("#findings-panel").tryQuery()).isEmpty();
        assertThat(shows("#place", "Bar " + last.bar())).isTrue();
    }

    /** What helps is tried, offered with its price, and does what it says. */
    @Test
    void aRemedyIsFoundAndTaken() throws TimeoutException {
        // a tempo at which hands come too late
        interact(() ->
                workbench.decide("tempo 190", now -> now.withSong(now.song().withTempo(190))));
        clickOn("#score-station");
        waitUntilArranged();
        Arrangement before = shown();
        Finding finding = before.findings().get(0);
        write("]");
        scrollTo("#findings");
        clickOn("#helps-1");
        waitFor(() -> !lookup(".remedy").queryAll().isEmpty() || shows("#help-1", "Nothing that was tried"));
        assertThat(lookup(".remedy").queryAll()).isNotEmpty();
        Button remedy = lookup(".remedy").nth(0).query();
        String name = remedy.getText().replaceAll("  [+-].*", "");
        scrollTo("#help-1");
        clickOn(remedy);
        waitForText("#message", "Set " + name);
        waitUntilArranged();
        waitFor(() -> shown().findings().stream()
                .noneMatch(left -> left.kind() == finding.kind()
                        && left.bar() == finding.bar()
                        && left.severity().ordinal() >= finding.severity().ordinal()));
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: " + name);
    }

    @Test
    void limitsHoldForASectionAndAreTakenBack() throws TimeoutException {
        Project before = project();
        clickOn("#score-station");
        waitUntilArranged();
        selectTick(shown().song().sections().get(0).startTick());
        scrollToDecisions();
        clickOn("#no-barre");
        waitForText("#message", "Set no barre in section A");
        waitUntilArranged();
        LimitLock limit = (LimitLock) project().locks().get(0);
        assertThat(shown().holds())
                .filteredOn(hold -> hold.tick() < limit.endTick() && hold.endTick() > limit.startTick())
                .noneMatch(hold -> hold.press().isBarre());
        interact(() -> lookup("#highest-fret").<ComboBox<String>>query().setValue("4"));
        waitForText("#message", "not above fret 4, no barre");
        waitUntilArranged();
        assertThat(project().locks()).hasSize(1);
        assertThat(lookup("#no-barre").<CheckBox>query().isSelected()).isTrue();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: not above fret 4");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        assertThat(project()).isEqualTo(before);
    }
}

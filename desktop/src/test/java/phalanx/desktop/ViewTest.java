package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeoutException;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.geometry.Rectangle2D;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.desktop.arrange.ScoreView;
import phalanx.desktop.widget.NeckPainter;
import phalanx.formats.library.Looks;
import phalanx.guitar.Instrument;
import phalanx.song.Bar;

/** Everything larger, in another theme, and as a left-handed player sees it, in the real window. */
class ViewTest extends OpenWindow {
    private Bounds seen(String id) {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            Node node = lookup(id).query();
            return node.localToScene(node.getLayoutBounds());
        });
    }

    private void keys(KeyCode code, int times) {
        for (int i = 0; i < times; i++) {
            push(KeyCode.CONTROL, code);
        }
        settle();
    }

    /** With P a part that is repeated is shown once; keys pass over what is folded away, the play cursor goes through it. */
    @Test
    void whatComesAgainIsShownOnce() throws Exception {
        Path reel = folder.resolve("reel.abc");
        Files.writeString(
                reel,
                String.join(
                        "\n",
                        "X:1",
                        "T:Low Stile Reel",
                        "M:4/4",
                        "L:1/4",
                        "Q:1/4=90",
                        "K:G",
                        "|:\"G\"G B d B|\"C\"e d c A|\"G\"B G \"D\"A F|1 \"G\"G2 D2:|2 \"G\"G4||",
                        "|:\"Em\"e e g e|\"D\"d A F A|\"C\"G E \"D\"F A|\"G\"G4:|",
                        ""));
        toOpen = Optional.of(reel);
        push(KeyCode.CONTROL, KeyCode.O);
        waitFor(() -> project().song().title().equals("Low Stile Reel"));
        waitUntilArranged();
        ScoreStation score = lookup("#score-station").query();
        List<Bar> bars = project().song().bars();
        assertThat(bars).hasSize(16);
        clickOn("#score-station");
        type(KeyCode.HOME, KeyCode.P);
        waitForText("#message", "What comes again is shown once");
        List<Integer> picked = new ArrayList<>(List.of(score.selected()));
        for (int i = 0; i < 100; i++) {
            type(KeyCode.RIGHT);
            if (score.selected() == picked.get(picked.size() - 1)) {
                break;
            }
            picked.add(score.selected());
        }
        assertThat(picked).noneMatch(tick -> bars.get(5).contains(tick));
        assertThat(picked).anyMatch(tick -> bars.get(7).contains(tick));
        interact(() -> score.select(bars.get(5).startTick()));
        assertThat(text("#place")).contains("Bar 6");
        type(KeyCode.P);
        waitForText("#message", "Every bar in order of playing");
    }

    @Test
    void theScoreRunsInOneLine() throws TimeoutException {
        clickOn("#score-station");
        ScoreStation score = lookup("#score-station").query();
        List<Bar> bars = project().song().bars();
        type(KeyCode.HOME, KeyCode.R);
        waitForText("#message", "One line that runs on");
        assertThat(score.visible().get(0)).isZero();
        int fits = project().song().barIndexAt(score.visible().get(1)) + 1;
        assertThat(fits).isBetween(2, bars.size() - 1);
        // downwards one page, the bar before stays in sight
        type(KeyCode.DOWN);
        waitFor(() -> score.visible().get(0) == bars.get(fits - 1).startTick());
        assertThat(score.selected()).isEqualTo(bars.get(fits).startTick());
        type(KeyCode.END);
        waitFor(() -> score.visible().get(1) >= bars.get(bars.size() - 1).startTick());
        type(KeyCode.HOME);
        waitFor(() -> score.visible().get(0) == 0);
        // so near that one bar alone has room: it is the one that is selected
        for (int i = 0; i < 8; i++) {
            write("+");
        }
        type(KeyCode.END);
        waitFor(() -> score.visible().get(0)
                == project().song().barAt(score.selected()).startTick());
        write("0");
        type(KeyCode.R);
        waitForText("#message", "Lines below each other");
    }

    @Test
    void everythingIsLargerAndKeepsWorking() throws TimeoutException {
        double usual = seen("#looks-open").getHeight();
        keys(KeyCode.EQUALS, 2);
        assertThat(shell.view().percent()).isEqualTo(120);
        waitForText("#message", "All is shown at 120 %");
        assertThat(seen("#looks-open").getHeight()).isCloseTo(1.2 * usual, within(1.0));
        assertThat(seen("#score-station").getMaxX()).isLessThan(1281);
        // drawings have a pixel for each of the screen's
        ScoreView score = lookup(node -> node instanceof ScoreView).query();
        Canvas canvas = (Canvas) score.getChildrenUnmodifiable().get(0);
        assertThat(canvas.getWidth()).isCloseTo(1.2 * score.getWidth(), within(1.0));
        assertThat(canvas.getBoundsInParent().getWidth()).isCloseTo(score.getWidth(), within(1.0));
        // what opens in a window of its own, too
        clickOn("#tempo");
        Node editor = lookup(".editor").query();
        double shown = WaitForAsyncUtils.waitForAsyncFx(
                10_000, () -> editor.localToScene(editor.getLayoutBounds()).getWidth());
        assertThat(shown).isCloseTo(1.2 * editor.getLayoutBounds().getWidth(), within(1.0));
        type(KeyCode.ESCAPE);
        clickOn("#station-guitar");
        assertThat(shell.current()).isEqualTo(Station.GUITAR);

        // twice as large: what does not fit is scrolled, and what has the keys is brought into sight
        keys(KeyCode.EQUALS, 9);
        assertThat(shell.view().percent()).isEqualTo(Looks.LARGEST);
        assertThat(lookup("#view-down").query().isVisible()).isTrue();
        interact(() -> lookup("#looks-open").query().requestFocus());
        settle();
        assertThat(seen("#looks-open").getMaxY()).isLessThanOrEqualTo(800);
        clickOn("#looks-open");
        assertThat(lookup("#looks").query().isVisible()).isTrue();
        type(KeyCode.ESCAPE);
        keys(KeyCode.DIGIT0, 1);
        assertThat(seen("#looks-open").getHeight()).isCloseTo(usual, within(0.1));
        assertThat(lookup("#view-down").query().isVisible()).isFalse();
        keys(KeyCode.MINUS, 5);
        assertThat(shell.view().percent()).isEqualTo(Looks.SMALLEST);
    }

    @Test
    void necksAreTurnedForALeftHandedPlayer() {
        clickOn("#station-guitar");
        Node hand = lookup("#hand-picture").query();
        interact(hand::requestFocus);
        type(KeyCode.DIGIT4);
        String before = reach();
        type(KeyCode.LEFT);
        String shorter = reach();
        clickOn("#looks-open");
        clickOn("#left-handed");
        clickOn("#still");
        type(KeyCode.ESCAPE);
        assertThat(shell.view().leftHanded()).isTrue();
        assertThat(shell.view().still()).isTrue();
        // towards the body is to the left now
        interact(hand::requestFocus);
        type(KeyCode.LEFT);
        assertThat(reach()).isEqualTo(before).isNotEqualTo(shorter);
        // finger 4 stands farthest from the nut: the pointer takes it at the left
        Point2D left = WaitForAsyncUtils.waitForAsyncFx(10_000, () -> hand.localToScreen(20, 44));
        clickOn(left);
        type(KeyCode.LEFT);
        assertThat(reach()).isNotEqualTo(before);
    }

    /** On the neck on which a tune is put the open strings are at the right, fret 1 left of them. */
    @Test
    void aTuneIsPutOnATurnedNeck() {
        interact(() -> shell.useView(View.FIRST.leftHanded(true)));
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        ToggleButton shown = lookup("#neck-shown").query();
        if (!shown.isSelected()) {
            clickOn("#neck-shown");
        }
        type(KeyCode.F3);
        Region neck = lookup("#tune-neck").query();
        // string 1 is the uppermost
        clickOn(WaitForAsyncUtils.waitForAsyncFx(10_000, () -> neck.localToScreen(neck.getWidth() - 10, 12)));
        clickOn(WaitForAsyncUtils.waitForAsyncFx(10_000, () -> neck.localToScreen(neck.getWidth() - 60, 12)));
        assertThat(project().song().melody().stream().limit(2).map(note -> note.pitch()
                        .midi()))
                .containsExactly(64, 65);
    }

    private String reach() {
        return text("#measure");
    }

    /** Who does not see the score hears it moment by moment: each note with its string, fret, finger and digit. */
    @Test
    void theScoreIsReadNoteByNote() {
        Node score = lookup("#score-station").query();
        interact(score::requestFocus);
        Arrangement arrangement = workbench.arrangement().orElseThrow();
        String before = "";
        for (int moment = 0; moment < 12; moment++) {
            type(KeyCode.RIGHT);
            String words = score.getAccessibleText();
            assertThat(words).startsWith("Bar ").isNotEqualTo(before);
            before = words;
            int tick = shell.score().selected();
            List<ArrangedNote> struck = arrangement.notes().stream()
                    .filter(note -> note.tick() == tick)
                    .toList();
            assertThat(words.split("string \\d").length - 1).isEqualTo(struck.size());
            for (ArrangedNote note : struck) {
                String fret = note.fret() == 0 ? "open" : "fret " + note.fret() + ", finger ";
                assertThat(words)
                        .contains(note.role().label() + " ", ", string " + note.string() + " " + fret)
                        .contains("by " + note.right().symbol());
            }
        }
        push(KeyCode.HOME);
        type(KeyCode.RIGHT);
        assertThat(score.getAccessibleText())
                .startsWith("Bar 1, beat 1. chord D. melody F#4, string 1 fret 2, finger ");
        push(KeyCode.CONTROL, KeyCode.A);
        assertThat(score.getAccessibleText()).isEqualTo("Bars 0 to 16, marked");
    }

    /** The same neck both ways: each fret is as far from the left edge as it was from the right one. */
    @Test
    void aTurnedNeckIsTheMirrorImage() {
        Instrument instrument = Instrument.STANDARD;
        Rectangle2D place = new Rectangle2D(20, 10, 400, 90);
        NeckPainter right = new NeckPainter(null, View.FIRST, instrument, 0, 12, place);
        NeckPainter left = new NeckPainter(null, View.FIRST.leftHanded(true), instrument, 0, 12, place);
        for (int fret = 0; fret <= 12; fret++) {
            assertThat(left.wireX(fret) - place.getMinX()).isCloseTo(place.getMaxX() - right.wireX(fret), within(1e-9));
        }
        assertThat(right.wireX(1)).isLessThan(right.wireX(2));
        assertThat(left.y(6)).isEqualTo(right.y(6));
        assertThat(new Point2D(left.wireX(0), left.y(1))).isEqualTo(new Point2D(place.getMaxX(), place.getMinY()));
    }

    /** Names that a song or a player gives may be long; our own words are to be read whole. */
    @Test
    void nothingIsCutOff() {
        List<String> cut = new ArrayList<>();
        for (int[] size : new int[][] {{1280, 800, 100}, {1024, 700, 100}, {1280, 800, 150}}) {
            interact(() -> {
                Stage stage = (Stage) shell.getScene().getWindow();
                stage.setWidth(size[0]);
                stage.setHeight(size[1]);
                shell.useView(View.FIRST.sized(size[2]));
            });
            for (Station station : Station.values()) {
                interact(() -> shell.show(station));
                cut().forEach(words -> cut.add(Arrays.toString(size) + " " + station.label() + ": " + words));
            }
        }
        assertThat(cut).isEmpty();
    }
}

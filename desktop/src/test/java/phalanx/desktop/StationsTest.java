package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeoutException;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.arrange.colour.AttackAdvice;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.FindingKind;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.formats.library.Library;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.guitar.PartialCapo;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.Shape;
import phalanx.technique.Attack;

/** The flows of the stations Guitar and Shapes, and of locks in the score. */
class StationsTest extends OpenWindow {
    private void choose(String id, String value) {
        interact(() -> lookup(id).<ComboBox<String>>query().setValue(value));
        settle();
    }

    private Library library() {
        return workbench.shelf().libraryProperty().get();
    }

    /** Types a measure into its chip's editor. */
    private void measure(String chip, String text) {
        clickOn(chip);
        enter("#editor-field", text);
    }

    @Test
    void aGuitarIsMeasuredStrungAndSaved() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        measure("#scale", "632");
        waitForText("#message", "Set scale 632 mm");
        assertThat(project().instrument().guitar().scaleMm()).isEqualTo(632);
        measure("#scale", "20");
        waitForText("#message", "20.0 mm is outside 300 to 1000 mm. Nothing was changed");
        assertThat(project().instrument().guitar().scaleMm()).isEqualTo(632);
        waitUntilArranged();
        type(KeyCode.ESCAPE);
        clickOn("#keep-guitar");
        enter("#guitar-name", "Larch");
        waitForText("#message", "Saved the guitar \"Larch\"");
        choose("#guitar-kind", "nylon-string guitar");
        assertThat(project().instrument().guitar()).isEqualTo(Guitar.NYLON);
        assertThat(shows("#tension-warnings", "built for nylon")).isFalse();
        choose("#string-set", "steel, light");
        assertThat(shows("#tension-warnings", "built for nylon")).isTrue();
        choose("#guitar-kind", "Larch");
        assertThat(project().instrument().guitar().scaleMm()).isEqualTo(632);
        assertThat(library().guitars()).extracting(Library.OwnGuitar::name).containsExactly("Larch");
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: guitar Larch");
        assertThat(project().instrument().guitar()).isEqualTo(Guitar.NYLON);
    }

    @Test
    void theNeckShowsNodesAndWhatTheHandReaches() {
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        settle();
        Node neck = lookup(node -> node.getAccessibleText() != null
                        && node.getAccessibleText().startsWith("The neck from the nut"))
                .query();
        List<Integer> plain = pixels(neck);
        interact(() -> lookup("#harmonic-nodes").<CheckBox>query().fire());
        settle();
        List<Integer> nodes = pixels(neck);
        assertThat(nodes).isNotEqualTo(plain);
        // over the middle of the neck four fingers stand a fret each; beside it they are gone
        moveTo(neck);
        settle();
        assertThat(pixels(neck)).isNotEqualTo(nodes);
        moveTo("#guitar-kind");
        settle();
        assertThat(pixels(neck)).isEqualTo(nodes);
        interact(() -> lookup("#harmonic-nodes").<CheckBox>query().fire());
        settle();
        assertThat(pixels(neck)).isEqualTo(plain);
    }

    private static List<Integer> pixels(Node node) {
        return WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            WritableImage image = node.snapshot(null, null);
            List<Integer> pixels = new ArrayList<>();
            for (int y = 0; y < image.getHeight(); y += 2) {
                for (int x = 0; x < image.getWidth(); x += 2) {
                    pixels.add(image.getPixelReader().getArgb(x, y));
                }
            }
            return pixels;
        });
    }

    @Test
    void theHandIsMeasuredAtTheGuitar() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT1);
        clickOn("#hand-picture");
        // finger 3 from fret 8 to 7, finger 4 from 9 to 8
        type(KeyCode.DIGIT3, KeyCode.LEFT, KeyCode.DIGIT4, KeyCode.LEFT);
        assertThat(lookup("#measure").<Button>query().getText()).isEqualTo("Use 53 and 78 mm");
        clickOn("#measure");
        waitForText("#message", "reach as measured");
        double span = project().hand().spanMm();
        // finger 1 at fret 5, finger 4 at fret 8 of a 650 mm scale: 77.5 mm between the wires
        assertThat(span).isBetween(77.5, 85.0);
        assertThat(project().hand().greatestMm(1, 4)).isEqualTo(span);
        clickOn("#thumb");
        clickOn("not over the neck");
        settle();
        assertThat(project().hand().thumb()).isEqualTo(Hand.Thumb.NEVER);
        waitUntilArranged();
        measure("#span", "400");
        waitForText("#message", "400.0 mm from finger 1 to finger 4 is outside 60 to 220 mm. Nothing was changed");
        assertThat(project().hand().spanMm()).isEqualTo(span);
        waitUntilArranged();
        assertThat(library().setup().hand()).isEqualTo(project().hand());
    }

    @Test
    void theGuitarIsRetunedStepByStep() throws TimeoutException {
        clickOn("#tuning");
        clickOn("drop D");
        waitForText("#message", "Set tuning drop D");
        clickOn("#tuning");
        clickOn("How to retune, string by string");
        settle();
        assertThat(lookup("#guitar-station").query().isVisible()).isTrue();
        assertThat(shows("#retuning", "E2 to D2")).isTrue();
        assertThat(shows("#retuning", "down 2")).isTrue();
        assertThat(shows("#retuning", "an octave below string 4, both open")).isTrue();
        choose("#tune-to", "D A D G A D");
        assertThat(project().instrument().tuning()).isEqualTo(NamedTuning.DADGAD.tuning());
        waitUntilArranged();
        enter("#tuning-name", "Harbour");
        waitForText("#message", "Saved the tuning \"Harbour\"");
        assertThat(workbench.shelf().tuning("harbour")).isEqualTo(NamedTuning.DADGAD.tuning());
        enter("#partial-capo", "2: 5-3");
        assertThat(project().instrument().partial()).contains(new PartialCapo(2, 5, 3));
        enter("#partial-capo", "at the second");
        waitForText("#message", "is not a partial capo");
        assertThat(project().instrument().partial()).contains(new PartialCapo(2, 5, 3));
        clickOn("#partial-off");
        assertThat(project().instrument().partial()).isEmpty();
        waitUntilArranged();
    }

    private void openShapes() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.DIGIT3);
        waitForText("#shape-count", "shapes in");
    }

    @Test
    void aShapeIsFoundByFiltersAndLockedIntoTheSong() throws TimeoutException {
        openShapes();
        assertThat(text("#shape-count")).startsWith("D: ");
        clickOn("#filter-top");
        enter("#editor-field", "A4 1");
        waitFor(() -> text("#shape-count").startsWith("D: ") && !shows("#shapes-station", "x x 0 2 3 2"));
        clickOn("#filter-frets");
        clickOn("3 to 7");
        waitFor(() -> lookup("#filter-frets").query().getAccessibleText().contains("3 to 7"));
        waitFor(() -> shows("#shape-drawer", "A4"));
        clickOn("#shapes-station");
        type(KeyCode.RIGHT, KeyCode.ENTER);
        waitForText("#message", "Set lock ");
        waitUntilArranged();
        assertThat(project().locks()).hasSize(1);
        ShapeLock lock = (ShapeLock) project().locks().get(0);
        assertThat(lock.held().shape().fret(1)).isEqualTo(5);
        assertThat(workbench.arrangement().orElseThrow().request().locks()).containsExactly(lock);
        assertThat(workbench
                        .arrangement()
                        .orElseThrow()
                        .slotAt(lock.startTick())
                        .held()
                        .shape()
                        .frets())
                .isNotEmpty();
        waitFor(() -> lookup("#release").tryQuery().isPresent());
        type(KeyCode.U);
        waitForText("#message", "Set release of");
        assertThat(project().locks()).isEmpty();
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: release of");
        assertThat(project().locks()).containsExactly(lock);
    }

    @Test
    void aNoteIsSlurredWithOneKeyAndPluckedAgain() throws TimeoutException {
        clickOn("#score-station");
        AttackAdvice advice = new AttackAdvice(workbench.arrangement().orElseThrow());
        // the tune's first note has nothing to be slurred from
        type(KeyCode.HOME, KeyCode.S);
        waitForText("#message", "This note cannot be slurred: nothing sounds on its string before it. The nearest");
        assertThat(project().locks()).isEmpty();
        ArrangedNote first = workbench.arrangement().orElseThrow().notes().stream()
                .filter(note -> note.role() == Role.MELODY
                        && advice.refusal(note, AttackLock.Way.SLURRED).isEmpty())
                .findFirst()
                .orElseThrow();
        ScoreStation score = lookup("#score-station").query();
        while (score.selected() < first.tick()) {
            type(KeyCode.RIGHT);
            settle();
        }
        type(KeyCode.S);
        waitForText("#message", "Set slur in bar");
        waitUntilArranged();
        assertThat(slurs()).containsExactly(first.tick());
        type(KeyCode.S);
        waitForText("#message", "Set plucked note in bar");
        waitUntilArranged();
        assertThat(slurs()).isEmpty();
        assertThat(project().locks()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: plucked note");
        waitUntilArranged();
        assertThat(slurs()).containsExactly(first.tick());
    }

    /** What tablature has as a slide is plucked by the key and slid again by it: nothing stays decided. */
    @Test
    void aWrittenSlideIsPluckedAndSlidAgain() throws Exception {
        String[] strings = {"B|-5-/7-----------|", "G|---------------|", "D|---------------|", "A|-0-------------|"};
        String text = "e|---------------|\n" + String.join("\n", strings) + "\nE|---------------|\n";
        workbench.open(Files.writeString(folder.resolve("slide.tab"), text));
        waitForText("#message", "Opened slide.tab");
        waitUntilArranged();
        clickOn("#score-station");
        List<Integer> slid = slurs();
        assertThat(slid).hasSize(1);
        ScoreStation score = lookup("#score-station").query();
        interact(() -> score.select(slid.get(0)));
        type(KeyCode.S);
        waitForText("#message", "Set plucked note in bar");
        waitUntilArranged();
        assertThat(slurs()).isEmpty();
        type(KeyCode.S);
        waitForText("#message", "Set slur in bar");
        waitUntilArranged();
        assertThat(slurs()).isEqualTo(slid);
        assertThat(project().locks()).isEmpty();
    }

    @Test
    void aNoteRingsAsAHarmonicIsBentToOrWaversWithOneKey() throws TimeoutException {
        workbench.decide("tune up", now -> now.withWishes(now.wishes().withOctave(Octave.UP)));
        clickOn("#score-station");
        waitUntilArranged();
        keyMakes(AttackLock.Way.HARMONIC, "harmonic", Attack.Touched.class, KeyCode.H);
        keyMakes(AttackLock.Way.BENT, "bend", Attack.Slur.class, KeyCode.B);
        keyMakes(AttackLock.Way.VIBRATO, "vibrato", Attack.Pluck.class, KeyCode.W);
        keyMakes(AttackLock.Way.CURLED, "quarter bend", Attack.Pluck.class, KeyCode.SHIFT, KeyCode.B);
        keyMakes(AttackLock.Way.SHIFTED, "shift slide", Attack.Pluck.class, KeyCode.D);
        keyMakes(AttackLock.Way.SLID_INTO, "slide into the note", Attack.Graced.class, KeyCode.SHIFT, KeyCode.S);
        type(KeyCode.HOME, KeyCode.B);
        waitForText("#message", "This note cannot be bent: nothing sounds on its string before it");
    }

    private void keyMakes(AttackLock.Way way, String word, Class<? extends Attack> attack, KeyCode... key)
            throws TimeoutException {
        ScoreStation score = lookup("#score-station").query();
        AttackAdvice advice = new AttackAdvice(workbench.arrangement().orElseThrow());
        ArrangedNote note = workbench.arrangement().orElseThrow().notes().stream()
                .filter(one ->
                        one.role() == Role.MELODY && advice.refusal(one, way).isEmpty())
                .findFirst()
                .orElseThrow();
        type(KeyCode.HOME);
        while (score.selected() < note.tick()) {
            type(KeyCode.RIGHT);
            settle();
        }
        push(key);
        waitForText("#message", "Set " + word + " in bar");
        waitUntilArranged();
        assertThat(tuneAt(note.tick()).attack()).isInstanceOf(attack).isNotEqualTo(note.attack());
        assertThat(tuneAt(note.tick()).midi()).isEqualTo(note.midi());
        push(key);
        waitForText("#message", "Set plucked note in bar");
        waitUntilArranged();
        assertThat(tuneAt(note.tick())).isEqualTo(note);
        assertThat(project().locks()).isEmpty();
    }

    private ArrangedNote tuneAt(int tick) {
        return workbench.arrangement().orElseThrow().notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.MELODY)
                .findFirst()
                .orElseThrow();
    }

    /** Brings a control of the shape drawer into sight, as the wheel does. */
    private void scrollTo(String id) {
        interact(() -> {
            Node node = lookup(id).query();
            Node content = lookup("#shape-drawer").query();
            Node above = content.getParent();
            while (!(above instanceof ScrollPane)) {
                above = above.getParent();
            }
            ScrollPane pane = (ScrollPane) above;
            double y = content.sceneToLocal(node.localToScene(0, 0)).getY();
            double beyond = content.getLayoutBounds().getHeight()
                    - pane.getViewportBounds().getHeight();
            pane.setVvalue(Math.max(0, Math.min(1, (y - pane.getViewportBounds().getHeight() / 2) / beyond)));
        });
    }

    private List<Integer> slurs() {
        return workbench.arrangement().orElseThrow().slurred().keySet().stream()
                .map(ArrangedNote::tick)
                .toList();
    }

    @Test
    void aCascadeStandsBeforeTheSongAndGoesAgain() throws TimeoutException {
        openShapes();
        waitFor(() -> shows("#cascade", "frets above"));
        int bars = project().song().bars().size();
        boolean pickup = project().song().bars().get(0).number() == 0;
        assertThat(pickup).isTrue();
        scrollTo("#cascade-intro");
        clickOn("#cascade-intro");
        waitForText("#message", "begins with a pickup");
        assertThat(project().song().bars()).hasSize(bars);
        clickOn("#cascade-7");
        waitFor(() -> shows("#cascade", "2* of") || shows("#cascade", "over fret"));
        scrollTo("#cascade-triplets");
        clickOn("#cascade-triplets");
        waitFor(() -> shows("#cascade", "+"));
        assertThat(cut()).isEmpty();
        scrollTo("#cascade-play");
        clickOn("#cascade-play");
        waitForText("#message", "Set cascade over");
        waitUntilArranged();
        assertThat(workbench.arrangement().orElseThrow().findings())
                .anyMatch(finding -> finding.message().contains("the cascade over")
                        && finding.message().contains("the tune is played there"));
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: cascade over");
        assertThat(project().locks()).isEmpty();
    }

    @Test
    void aShapeHasOneEffortWhereverItIsShown() throws TimeoutException {
        openShapes();
        enter("#any-chord", "C");
        waitFor(() -> text("#shape-count").startsWith("C: "));
        waitFor(() -> shows("#shape-drawer", "x 3 2 0 1 0"));
        // what the commands "reach" and "shapes" print, see CommandsTest
        double effort = new ReachCheck(Instrument.STANDARD, Hand.AVERAGE)
                .check(Shape.parse("x32010"))
                .effort();
        assertThat(shows("#shape-drawer", String.format("Effort %.2f", effort))).isTrue();
        assertThat(shows("#shapes-station", String.format("%.1f", effort))).isTrue();
    }

    @Test
    void aChainIsTypedWalkedAndTheSongsOwnShown() throws TimeoutException {
        openShapes();
        type(KeyCode.D);
        settle();
        write("C Hm7 x32010:043010 x02210");
        type(KeyCode.ENTER);
        waitForText("#chain-sum", "3 shapes");
        assertThat(text("#chain-troubles")).contains("shape 2, Hm7");
        waitForText("#change-title", "From C to x32010:043010");
        type(KeyCode.RIGHT);
        waitForText("#change-title", "From x32010:043010 to x02210");
        clickOn("#chain-fingers");
        waitFor(() -> lookup("#chain-fingers").tryQuery().isEmpty());
        assertThat(lookup("#chain-field").<TextField>query().getText()).contains("x32010:032010");
        clickOn("#chain-song");
        waitFor(() -> !text("#chain-sum").startsWith("3 shapes"));
        assertThat(lookup("#chain-troubles").query().isVisible()).isFalse();
        type(KeyCode.ESCAPE);
        waitFor(() -> lookup("#filter-top").tryQuery().isPresent());
        assertThat(lookup("#shape-drawer").query().isVisible()).isTrue();
    }

    @Test
    void shapesAreComparedKeptAndAskedForBeyondTheSong() throws TimeoutException {
        openShapes();
        type(KeyCode.C);
        type(KeyCode.RIGHT);
        waitForText("#change-title", "From x x 0 2 3 2 to ");
        type(KeyCode.M);
        waitForText("#message", "is now among your shapes of D");
        assertThat(library().shapes()).hasSize(1);
        enter("#any-chord", "F#m7b5");
        waitFor(() -> text("#shape-count").startsWith("F#m7b5: "));
        enter("#any-chord", "H?");
        waitForText("#message", "The shapes shown are as they were");
        assertThat(text("#shape-count")).startsWith("F#m7b5: ");
        clickOn("#filter-top");
        enter("#editor-field", "C8");
        waitForText("#shape-count", "no shape");
        assertThat(shows("#shape-drawer", "C8 on top; without that demand")).isTrue();
        clickOn("#filter-top");
        enter("#editor-field", "any");
        waitFor(() -> text("#shape-count").startsWith("F#m7b5: "));
        clickOn("#shapes-station");
        type(KeyCode.ENTER);
        waitForText("#message", "stands nowhere in it");
        interact(() ->
                lookup("#song-chords").<ListView<?>>query().getSelectionModel().select(1));
        waitFor(() -> text("#shape-count").startsWith("A/C#: "));
    }

    @Test
    void aMomentIsLockedAndPlayedAnotherWay() throws TimeoutException {
        type(KeyCode.RIGHT, KeyCode.K);
        waitForText("#message", "Set lock ");
        waitUntilArranged();
        assertThat(project().locks()).hasSize(1);
        assertThat(workbench.arrangement().orElseThrow().findings())
                .noneMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT);
        type(KeyCode.U);
        waitForText("#message", "Set release of");
        waitUntilArranged();
        waitFor(() -> lookup("#other-way-1").tryQuery().isPresent());
        String way = text("#other-way-1");
        clickOn("#other-way-1");
        waitForText("#message", "Set lock ");
        waitUntilArranged();
        Shape locked = ((ShapeLock) project().locks().get(0)).held().shape();
        assertThat(way).startsWith(locked.toString());
    }

    @Test
    void aFasterWayIsFoundTakenAndTakenBack() throws TimeoutException {
        double ceiling = workbench.arrangement().orElseThrow().ceiling().tempo();
        clickOn("#find-faster");
        waitFor(() -> lookup("#faster-way").tryQuery().isPresent());
        assertThat(text("#faster-way")).startsWith("To ").contains(" bpm  effort +");
        clickOn("#faster-way");
        waitForText("#message", "Set the way that goes to");
        waitUntilArranged();
        assertThat(workbench.arrangement().orElseThrow().ceiling().tempo()).isGreaterThan(ceiling);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        assertThat(project().locks()).isEmpty();
        assertThat(workbench.arrangement().orElseThrow().ceiling().tempo()).isEqualTo(ceiling);
    }
}

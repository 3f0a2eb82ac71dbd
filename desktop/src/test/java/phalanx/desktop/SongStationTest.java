package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import phalanx.arrange.advice.KeyAdvisor;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.formats.library.Library;
import phalanx.guitar.NamedTuning;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.Pitch;

/** The flows of the song station, by keyboard. */
class SongStationTest extends OpenWindow {
    /** What the typing test strikes: chart, tune and the keys between. */
    private static final int KEYS_STRUCK = 53 + 60 + 2 + 1 + 1 + 30 + 1 + 6;

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
        settle();
    }

    /** A new song with a chart. */
    private void newSong(String text) {
        push(KeyCode.CONTROL, KeyCode.N);
        chart(text);
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitForText("#message", "Set chart");
    }

    @Test
    void aSongOfSixteenBarsIsTypedWithoutTheMouse() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(() -> lookup("#chart-text").query().isFocused());
        long began = System.nanoTime();
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
        write("q3-rx0");
        double seconds = (System.nanoTime() - began) / 1e9;
        waitFor(() -> tune().endsWith("G4:2.0 D5:1.0") || song().melody().size() >= 32);
        assertThat(song().bars()).hasSize(16);
        assertThat(song().melody().get(song().melody().size() - 1).endTick()).isLessThanOrEqualTo(song().endTick());
        assertThat(tune()).startsWith("D4:2.0 B3:2.0 D4:2.0 B3:2.0");
        waitUntilArranged();
        waitFor(() -> workbench.arrangement().orElseThrow().song().melody().size()
                == song().melody().size());
        assertThat(workbench.arrangement().orElseThrow().notes()).hasSizeGreaterThan(64);
        // a player strikes about four keys a second; common practice, no source
        double playedFiveTimes = 5 * Ticks.milliseconds(song().endTick(), song().tempo()) / 1000;
        assertThat(KEYS_STRUCK / 4.0).as("by hand, in seconds").isLessThan(playedFiveTimes);
        assertThat(seconds).as("as the window takes the keys").isLessThan(playedFiveTimes);
    }

    @Test
    void aPassageIsMarkedCopiedMovedAndPutInByKeys() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("| C | F |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("q0303");
        push(KeyCode.CONTROL, KeyCode.V);
        waitForText("#message", "Nothing was copied yet");
        push(KeyCode.CONTROL, KeyCode.C);
        waitForText("#message", "Nothing is marked");
        push(KeyCode.SHIFT, KeyCode.HOME);
        push(KeyCode.CONTROL, KeyCode.C);
        waitForText("#message", "Copied 4 notes and the chords");
        type(KeyCode.END);
        push(KeyCode.CONTROL, KeyCode.V);
        waitForText("#message", "passage put in");
        assertThat(song().bars()).hasSize(3);
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "C");
        assertThat(tune()).isEqualTo("B3:1.0 D4:1.0 B3:1.0 D4:1.0 B3:1.0 D4:1.0 B3:1.0 D4:1.0");
        push(KeyCode.SHIFT, KeyCode.LEFT);
        push(KeyCode.SHIFT, KeyCode.LEFT);
        push(KeyCode.CONTROL, KeyCode.UP);
        assertThat(tune()).endsWith("D4:1.0 C4:1.0 Eb4:1.0");
        push(KeyCode.CONTROL, KeyCode.X);
        assertThat(song().melody()).hasSize(6);
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().melody()).hasSize(8);
        push(KeyCode.CONTROL, KeyCode.A);
        type(KeyCode.DELETE);
        assertThat(song().melody()).isEmpty();
    }

    @Test
    void wordsWithChordsPastedInBecomeAChart() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("[Verse]\n[G]Down by the [C]weir we\n[D7]waited for the [G]tide\n");
        assertThat(lookup("#chart-text").<TextArea>query().getText()).isEqualTo("[Verse]\n| G | C |\n| D7 | G |\n");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitForText("#message", "Set chart");
        assertThat(song().sections()).extracting(Section::name).containsExactly("Verse");
    }

    @Test
    void wordsAreTypedUnderTheTune() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("q03030");
        type(KeyCode.HOME, KeyCode.RIGHT, KeyCode.F4);
        waitFor(() -> lookup("#words").query().isFocused());
        write("Har-bour _ lights");
        type(KeyCode.ENTER);
        waitForText("#message", "words");
        assertThat(song().melody())
                .extracting(note -> note.syllable().orElse(""))
                .containsExactly("", "Har-", "bour", "", "lights");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> song().melody().stream().noneMatch(note -> note.syllable().isPresent()));
    }

    @Test
    void aSectionThatComesAgainIsVariedAndAsBeforeAgain() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("[A] | C | F | [B] | G | C | [A] | C | F |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        waitFor(() -> lookup("#vary-2").tryQuery().isPresent());
        assertThat(lookup("#vary-1").tryQuery()).isEmpty();
        clickOn("#vary-2");
        waitFor(() -> song().sections().get(2).varied());
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> !song().sections().get(2).varied());
        clickOn("#section-1");
        waitFor(() -> lookup("#bars").query().isFocused());
        write("q3");
        assertThat(song().melody().get(0).tick())
                .isEqualTo(song().sections().get(1).startTick());
    }

    @Test
    void anotherChordThatTheTuneAllowsIsPutInAndTakenBack() throws TimeoutException {
        newSong("| C | F | G7 | C |");
        clickOn("#hint-Am");
        waitFor(() -> song().chart().get(0).symbol().equals("Am"));
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> song().chart().get(0).symbol().equals("C"));
    }

    private void open(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        Files.writeString(file, text);
        toOpen = Optional.of(file);
        push(KeyCode.CONTROL, KeyCode.O);
        waitForText("#message", "Opened " + name);
    }

    @Test
    void aFileOfSeveralTunesOffersThem() throws Exception {
        open("two.abc", "X:1\nT:First Mill\nL:1/4\nK:C\n\"C\"CEGc|\n\nX:2\nT:Second Mill\nL:1/4\nK:G\n\"G\"GBdg|\n");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        ComboBox<String> parts = lookup("#parts").query();
        assertThat(parts.getItems()).containsExactly("First Mill: 4 notes", "Second Mill");
        interact(() -> parts.getSelectionModel().select(1));
        waitFor(() -> song().title().equals("Second Mill"));
        assertThat(tune()).startsWith("G4:1.0 B4:1.0");
    }

    @Test
    void aSecondPartGoesUnderTheTuneAndAThirdIsTheBass() throws Exception {
        open(
                "three.abc",
                "X:1\nT:Three Gates\nM:4/4\nL:1/4\nK:C\nV:low\nC,2G,,2|C,4|\nV:under\nCEGE|E4|\nV:top\n\"C\"cegc|c4|\nw:la lee lo la lum\n");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        ComboBox<String> harmony = lookup("#harmony-part").query();
        assertThat(lookup("#parts")
                        .<ComboBox<String>>query()
                        .getSelectionModel()
                        .getSelectedIndex())
                .isEqualTo(2);
        assertThat(harmony.getSelectionModel().getSelectedItem()).isEqualTo("none");
        interact(() -> harmony.getSelectionModel().select(2));
        waitFor(() -> song().melody().stream().anyMatch(note -> note.below().isPresent()));
        ComboBox<String> bass = lookup("#bass-part").query();
        interact(() -> bass.getSelectionModel().select(1));
        waitFor(() -> song().bass().size() == 3);
        assertThat(song().melody().get(0).below()).contains(Pitch.parse("C4"));
        interact(() -> workbench.setTempo(131));
        interact(() -> bass.getSelectionModel().select(0));
        waitFor(() -> lookup("#question").query().isVisible());
        assertThat(bass.getSelectionModel().getSelectedIndex())
                .as("what is open is shown")
                .isEqualTo(1);
        clickOn("#answer-cancel");
        assertThat(song().tempo()).isEqualTo(131);
        interact(() -> bass.getSelectionModel().select(0));
        clickOn("#answer-drop");
        waitFor(() -> song().bass().isEmpty());
    }

    /** Three whole notes on the top string, the shape of the second bar locked. */
    private void beginThreeBarsWithALock() throws TimeoutException {
        newSong("| C | F | G7 |");
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("w303");
        waitUntilArranged();
        interact(() -> workbench.lock(
                workbench.arrangement().orElseThrow().slotAt(Ticks.WHOLE).lock()));
    }

    @Test
    void barsGoInAndOutWithAllThatStandsInThem() throws TimeoutException {
        beginThreeBarsWithALock();
        assertThat(project().locks()).hasSize(1);
        int lockedFrom = project().locks().get(0).startTick();
        type(KeyCode.HOME, KeyCode.RIGHT);
        push(KeyCode.CONTROL, KeyCode.I);
        assertThat(song().bars()).hasSize(4);
        assertThat(song().chart())
                .extracting(ChordChange::startTick)
                .containsExactly(0, 2 * Ticks.WHOLE, 3 * Ticks.WHOLE);
        assertThat(project().locks().get(0).startTick()).isEqualTo(lockedFrom + Ticks.WHOLE);
        clickOn("#delete-bar");
        assertThat(song().bars()).hasSize(3);
        assertThat(project().locks().get(0).startTick()).isEqualTo(lockedFrom);
        push(KeyCode.CONTROL, KeyCode.D);
        waitForText("#message", "A note and a lock went with the bars");
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("C", "G7");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> project().locks().size() == 1);
        assertThat(song().bars()).hasSize(3);
    }

    @Test
    void barsAreMovedSplitJoinedAndGivenAnotherMeter() throws TimeoutException {
        beginThreeBarsWithALock();
        type(KeyCode.HOME);
        push(KeyCode.ALT, KeyCode.RIGHT);
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("F", "C", "G7");
        assertThat(project().locks().get(0).startTick()).isZero();
        push(KeyCode.ALT, KeyCode.RIGHT);
        assertThat(song().chart())
                .extracting(ChordChange::symbol)
                .as("the cursor went along")
                .containsExactly("F", "G7", "C");
        push(KeyCode.ALT, KeyCode.RIGHT);
        waitForText("#message", "Nothing is after bar 3");
        type(KeyCode.HOME, KeyCode.Q, KeyCode.RIGHT);
        push(KeyCode.CONTROL, KeyCode.K);
        assertThat(song().bars()).extracting(Bar::meter).hasToString("[1/4, 3/4, 4/4, 4/4]");
        push(KeyCode.CONTROL, KeyCode.J);
        waitForText("#message", "two bars at least are joined");
        type(KeyCode.HOME);
        push(KeyCode.SHIFT, KeyCode.RIGHT);
        push(KeyCode.SHIFT, KeyCode.RIGHT);
        clickOn("#bar-meter");
        write("six").type(KeyCode.ENTER);
        waitForText("#message", "\"six\" is not a meter");
        // what was refused leaves the two bars marked
        clickOn("#join-bars");
        assertThat(song().bars()).extracting(Bar::meter).hasToString("[4/4, 4/4, 4/4]");
        push(KeyCode.CONTROL, KeyCode.RIGHT);
        push(KeyCode.CONTROL, KeyCode.M);
        write("3/4").type(KeyCode.ENTER);
        waitFor(() -> song().endTick() == 10 * Ticks.QUARTER);
        assertThat(song().bars()).extracting(Bar::meter).hasToString("[4/4, 3/4, 3/4]");
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().bars()).extracting(Bar::meter).hasToString("[4/4, 4/4, 4/4]");
    }

    @Test
    void theKeyChipMovesTheSongWithAndWithoutACapo() throws TimeoutException {
        newSong("| C | F | G7 | C |");
        waitUntilArranged();
        clickOn("#key");
        clickOn("A");
        waitFor(() -> song().key().toString().equals("A"));
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("A", "D", "E7", "A");
        waitUntilArranged();
        clickOn("#key");
        write("C capo").type(KeyCode.ENTER);
        waitFor(() -> project().instrument().capo() == 3);
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "G7", "C");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> project().instrument().capo() == 0);
        assertThat(song().key()).hasToString("A");
        clickOn("#key");
        write("H").type(KeyCode.ENTER);
        waitForText("#message", "Nothing was changed");
        assertThat(song().key()).hasToString("A");
    }

    @Test
    void aBassOfOnesOwnIsTypedHeldAndTakenBack() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("| C | F |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("w3");
        type(KeyCode.HOME);
        write("bhCG");
        assertThat(song().bass().stream().map(note -> note.pitch().toString()).toList())
                .containsExactly("C3", "G2");
        assertThat(tune()).as("the tune is left alone").isEqualTo("D4:4.0");
        waitUntilArranged();
        waitFor(() -> workbench.arrangement().orElseThrow().song().bass().size() == 2);
        assertThat(workbench.arrangement().orElseThrow().notes().stream()
                        .filter(note -> note.role() == Role.BASS && note.tick() < Ticks.WHOLE)
                        .map(ArrangedNote::midi))
                .containsExactly(48, 43);
        type(KeyCode.BACK_SPACE);
        assertThat(song().bass()).hasSize(1);
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().bass()).hasSize(2);
        write("b");
        push(KeyCode.SHIFT, KeyCode.E);
        assertThat(song().bass()).hasSize(2);
        assertThat(song().melody()).hasSize(2);
    }

    @Test
    void chordsAreProposedForATuneAloneAndCanBeKeptOrRemoved() throws Exception {
        open("alone.abc", "X:1\nT:Alone\nM:4/4\nL:1/4\nK:C\nCEGE|AFAc|BdGB|c4|\n");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(lookup("#proposals").query().isVisible()).isTrue();
        assertThat(lookup("#opening-report").query().isVisible()).isTrue();
        clickOn("#close-report");
        waitFor(() -> !lookup("#opening-report").query().isVisible());
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("C?", "F?", "G?", "C?");
        clickOn("#take-chords");
        waitFor(() -> song().chart().get(0).symbol().equals("C"));
        assertThat(lookup("#proposals").query().isVisible()).isFalse();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> lookup("#proposals").query().isVisible());
        clickOn("#remove-chords");
        waitFor(() -> song().chart().isEmpty());
        assertThat(song().melody()).hasSize(13);
    }

    @Test
    void tablatureIsKeptAsWrittenUntilThePlayerWantsItAnew() throws Exception {
        Path file = folder.resolve("weir.tab.txt");
        Files.writeString(
                file,
                """
                Weir Song, 96 bpm
                  C               G
                e|----------------|-3-------------|
                B|-1-------3------|---------------|
                G|-----0-------0--|-----0-----0---|
                D|---2---2---2----|---0---0-------|
                A|-3--------------|---------------|
                E|----------------|-3-------3-----|
                """);
        toOpen = Optional.of(file);
        push(KeyCode.CONTROL, KeyCode.O);
        waitForText("#title", "Weir Song");
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        assertThat(project().written()).isPresent();
        List<String> before = places();
        assertThat(before).contains("5/3", "2/1", "4/2", "6/3");
        workbenchTempo(110);
        assertThat(places()).isEqualTo(before);
        clickOn("#arrange-anew");
        waitFor(() -> project().written().isEmpty());
        waitUntilArranged();
        assertThat(places()).isNotEqualTo(before);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitUntilArranged();
        waitFor(() -> places().equals(before));
        interact(() -> workbench.setWishes("phrases to end plainly", wishes -> wishes.withFullEnds(false)));
        waitUntilArranged();
        assertThat(project().written()).isEmpty();
        assertThat(workbench.messageProperty().get().text()).contains("kept as written are arranged anew");
    }

    private void workbenchTempo(int tempo) throws TimeoutException {
        interact(() -> workbench.setTempo(tempo));
        waitUntilArranged();
    }

    private List<String> places() {
        return workbench.arrangement().orElseThrow().notes().stream()
                .map(note -> note.string() + "/" + note.fret())
                .toList();
    }

    @Test
    void theAdviceTriesOtherTuningsAndMindsAVoice() throws Exception {
        // short, for twice as many ways are arranged
        open("stile.abc", "X:1\nT:Stile\nM:4/4\nL:1/4\nK:D\n\"D\"defa|\"G\"b2ag|\"A7\"efge|\"D\"d4|\n");
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        clickOn("#advise-DROP_D");
        clickOn("#advise-voice").write("high");
        clickOn("#advise");
        assertThat(lookup("#advice .finding").tryQuery()).isPresent();
        enterVoice("A2 to D4");
        clickOn("#advise");
        WaitForAsyncUtils.waitFor(240, TimeUnit.SECONDS, () -> lookup("#advice-tuning-1")
                .tryQuery()
                .isPresent());
        settle();
        clickOn("#advice-tuning-1");
        assertThat(text("#advice-words")).containsAnyOf("within the voice", "fits the voice in no octave");
        clickOn("#advise-use");
        waitForText("#message", "tuning drop D");
        assertThat(project().instrument().tuning()).isEqualTo(NamedTuning.DROP_D.tuning());
        push(KeyCode.CONTROL, KeyCode.Z);
        waitFor(() -> project().instrument().tuning().equals(NamedTuning.STANDARD.tuning()));
    }

    private void enterVoice(String text) {
        clickOn("#advise-voice");
        push(KeyCode.CONTROL, KeyCode.A);
        write(text);
    }

    @Test
    void theTuneIsEnteredChangedAndTakenBackByKeys() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("q1e0.3.");
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75");
        write("E");
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 E4:0.5");
        write("-t0");
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 E4:1.0 B3:0.3333333333333333");
        type(KeyCode.BACK_SPACE);
        push(KeyCode.CONTROL, KeyCode.UP);
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 F4:1.0");
        write("x2");
        assertThat(tune()).endsWith("F4:1.0 B4:0.3333333333333333");
        type(KeyCode.DOWN);
        write("r");
        push(KeyCode.CONTROL, KeyCode.Z);
        settle();
        assertThat(tune()).isEqualTo("C4:1.0 B3:0.5 D4:0.75 F4:1.0");
        clickOn("#neck-shown");
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
                240, TimeUnit.SECONDS, () -> lookup("#way-7-0").tryQuery().isPresent());
        settle();
        assertThat(lookup("#advice-grid").<GridPane>query().getChildren().stream()
                        .filter(Button.class::isInstance))
                .hasSize(KeyAdvisor.WAYS);
        // one figure for the song as it is: in the status line, in the level's editor and in the advice
        String effort = String.format(
                "effort %.0f", workbench.arrangement().orElseThrow().effort());
        assertThat(text("#song-figures")).contains(effort + " ");
        clickOn("#way-2-0");
        assertThat(text("#advice-words")).startsWith("D without capo: " + effort + ",");
        clickOn("#level");
        waitForText("#level-figures", "even: " + effort + ",");
        type(KeyCode.ESCAPE);
        clickOn("#way-7-0");
        assertThat(text("#advice-words"))
                .startsWith("G without capo: effort")
                .contains("than where it is now, most of it");
        clickOn("#advise-use");
        waitForText("#message", "Set key G, capo 0");
        assertThat(song().key()).hasToString("G");
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: key G");
        assertThat(song()).isEqualTo(before);
    }

    @Test
    void graceNotesStandBeforeTheLastNote() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("| C | F |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("g");
        waitForText("#message", "There is no note before the cursor");
        write("h1g");
        String note = song().melody().get(0).pitch().toString();
        waitForText("#message", "The next note stands just before " + note);
        write("3g1");
        waitFor(() -> song().melody().get(0).graces().size() == 2);
        assertThat(song().melody()).hasSize(1);
        assertThat(song().melody().get(0).graces()).extracting(Pitch::toString).containsExactly("D4", note);
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().melody().get(0).graces()).hasSize(1);
        // twice with nothing between: away with them
        write("gg");
        waitForText("#message", "No grace notes before " + note);
        assertThat(song().melody().get(0).graces()).isEmpty();
        write("gg");
        waitForText("#message", "The next note stands alone");
    }

    @Test
    void aSecondNoteGoesWithTheLast() throws TimeoutException {
        push(KeyCode.CONTROL, KeyCode.N);
        chart("| C | F |");
        push(KeyCode.CONTROL, KeyCode.ENTER);
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        write("+");
        waitForText("#message", "There is no note before the cursor");
        write("q3");
        String alone = song().melody().get(0).pitch().toString();
        write("+");
        waitForText("#message", "The next note goes with " + alone);
        type(KeyCode.LEFT);
        type(KeyCode.RIGHT);
        write("+");
        waitForText("#message", "The next note goes with " + alone);
        write("0");
        waitFor(() -> song().melody().get(0).below().isPresent());
        assertThat(song().melody()).hasSize(1);
        assertThat(song().melody().get(0).pitch()).hasToString(alone);
        write("3");
        assertThat(song().melody()).hasSize(2);
        assertThat(song().melody().get(1).below()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.Z);
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().melody().get(0).below()).isEmpty();
    }

    @Test
    void fretsInTheChartAreHeldUntilTheyAreReleased() throws TimeoutException {
        newSong("| x32010 | F |");
        waitUntilArranged();
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("x32010", "F");
        assertThat(workbench.arrangement().orElseThrow().request().locks()).hasSize(1);
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        type(KeyCode.HOME);
        type(KeyCode.U);
        waitForText("#message", "Set release of x 3 2 0 1 0");
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F");
        waitUntilArranged();
        assertThat(workbench.arrangement().orElseThrow().request().locks()).isEmpty();
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(song().chart()).extracting(ChordChange::symbol).containsExactly("x32010", "F");
    }

    @Test
    void whatCouldComeBeforeAndAfterIsProposedPutInAndTakenBack() throws TimeoutException {
        newSong("[A] | G | C | D7 | G |");
        waitUntilArranged();
        clickOn("#extras-find");
        waitFor(() -> lookup("#extra-take-1").tryQuery().isPresent());
        assertThat(shows("#extras", "the first chord over a pedal")).isTrue();
        assertThat(shows("#extras", "the bass goes down to the root")).isTrue();
        int bars = song().bars().size();
        clickOn("#extra-hear-1");
        clickOn("#extra-take-1");
        waitForText("#message", "Set the ");
        waitUntilArranged();
        assertThat(song().bars()).hasSizeGreaterThan(bars);
        assertThat(song().sections().get(0).startTick()).isPositive();
        assertThat(lookup("#extras-find").tryQuery()).isPresent();
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        type(KeyCode.HOME);
        waitFor(() -> shows("#decisions", "put in: the "));
        type(KeyCode.U);
        waitForText("#message", "Set the song without the ");
        assertThat(song().bars()).hasSize(bars);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: the song without");
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: the ");
        assertThat(song().bars()).hasSize(bars);
    }

    @Test
    void aLickIsKeptAndPutOverAnotherChord() throws TimeoutException {
        newSong("| G | Am | D7 | G |");
        waitUntilArranged();
        push(KeyCode.F3);
        write("q0303");
        waitFor(() -> song().melody().size() == 4);
        waitUntilArranged();
        type(KeyCode.HOME);
        clickOn("#lick-name");
        write("Weir Step");
        clickOn("#lick-keep");
        waitForText("#message", "Kept Weir Step in your library.");
        assertThat(workbench.shelf().libraryProperty().get().licks())
                .extracting(Library.OwnLick::text)
                .hasSize(1)
                .allMatch(text -> text.startsWith("Weir Step | 4/4 | "));
        type(KeyCode.F3);
        waitFor(() -> lookup("#bars").query().isFocused());
        type(KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.RIGHT, KeyCode.RIGHT);
        clickOn("#licks-find");
        waitFor(() -> lookup("#extra-take-1").tryQuery().isPresent());
        assertThat(shows("#extras", "Weir Step")).isTrue();
        assertThat(shows("#extras", "Mill Step")).isTrue();
        clickOn("#extra-take-1");
        waitForText("#message", "Set Weir Step");
        List<MelodyNote> with = song().melody();
        waitUntilArranged();
        push(KeyCode.CONTROL, KeyCode.DIGIT5);
        type(KeyCode.HOME);
        for (int i = 0; i < 12 && !shows("#decisions", "put in: Weir Step"); i++) {
            type(KeyCode.RIGHT);
        }
        clickOn("#release-1");
        waitForText("#message", "Set the song without Weir Step");
        assertThat(song().melody()).hasSize(4);
        assertThat(shows("#decisions", "put in")).isFalse();
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: the song without Weir Step");
        assertThat(song().melody()).isEqualTo(with);
        push(KeyCode.CONTROL, KeyCode.Z);
        waitForText("#message", "Took back: Weir Step");
        assertThat(song().melody()).hasSize(4);
    }

    @Test
    void theSongIsNamed() {
        push(KeyCode.CONTROL, KeyCode.DIGIT2);
        enter("#song-title", "Quarry Lane");
        assertThat(text("#title")).isEqualTo("Quarry Lane");
    }
}

package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.platform.engine.discovery.DiscoverySelectors.selectClass;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.platform.launcher.core.LauncherDiscoveryRequestBuilder;
import org.junit.platform.launcher.core.LauncherFactory;
import org.junit.platform.launcher.listeners.SummaryGeneratingListener;
import phalanx.song.ChordChange;
import phalanx.theory.NoteNames;
import phalanx.words.Language;
import phalanx.words.Words;

/** Language and names of notes are settled when a process begins: the window with others is one of its own. */
class OtherLanguageTest {
    @Test
    void theWindowSpeaksItalianAndCallsNotesBySolfa() throws Exception {
        Process child = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-D" + Words.PROPERTY + "=it",
                        "-D" + NoteNames.PROPERTY + "=sol-fa",
                        "-Dfile.encoding=UTF-8",
                        "-cp",
                        System.getProperty("java.class.path"),
                        OtherLanguageTest.class.getName())
                .redirectErrorStream(true)
                .start();
        String said = new String(child.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(child.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(child.exitValue()).as(said).isZero();
    }

    /** Runs the flows below; ends with the number of those that failed, one where none ran. */
    public static void main(String[] none) {
        SummaryGeneratingListener summary = new SummaryGeneratingListener();
        LauncherFactory.create()
                .execute(
                        LauncherDiscoveryRequestBuilder.request()
                                .selectors(selectClass(InItalian.class))
                                .build(),
                        summary);
        summary.getSummary().printFailuresTo(new PrintWriter(System.out, true));
        long failed = summary.getSummary().getTestsFailedCount();
        System.exit(summary.getSummary().getTestsSucceededCount() == 0 ? 1 : (int) failed);
    }

    static class InItalian extends OpenWindow {
        @BeforeEach
        @Override
        void demo() throws TimeoutException {
            push(KeyCode.CONTROL, KeyCode.N);
            TextArea chart = lookup("#chart-text").query();
            interact(() -> chart.setText("[A] | Re | La/Do# . | Sim7 |"));
            push(KeyCode.CONTROL, KeyCode.ENTER);
            waitFor(() -> workbench
                            .arrangement()
                            .filter(done -> done.song().chart().size() == 3)
                            .isPresent()
                    && !workbench.busyProperty().get());
        }

        @Test
        void whatIsShownAndTypedIsInThePlayersWords() throws Exception {
            assertThat(text("#station-score")).isEqualTo("Partitura");
            waitForText("#song-figures", "fatica");
            push(KeyCode.CONTROL, KeyCode.DIGIT5);
            Node score = lookup("#score-station").query();
            interact(score::requestFocus);
            type(KeyCode.RIGHT);
            push(KeyCode.HOME);
            assertThat(score.getAccessibleText())
                    .startsWith("Battuta 1, movimento 1. accordo Re. ")
                    .contains("basso Re3, corda 4 vuota");

            push(KeyCode.CONTROL, KeyCode.DIGIT2);
            type(KeyCode.F2);
            TextArea chart = lookup("#chart-text").query();
            assertThat(chart.getText()).contains("La/Do#", "Sim7", "[A]");
            interact(() -> chart.setText("[Sol] | Sol | Re/Fa# . | Sib |\n| Mim | Hm |"));
            // marked where it stands in what was typed
            assertThat(text("#chart-mistake")).contains("| Mim | Hm |\n        ^^ ");
            interact(() -> chart.setText("[Sol] | Sol | Re/Fa# . | Sib |\n| Mim | Fadd9 |"));
            push(KeyCode.CONTROL, KeyCode.ENTER);
            waitFor(() -> project().song().sections().stream()
                    .anyMatch(section -> section.name().equals("Sol")));
            assertThat(project().song().chart().stream()
                            .map(ChordChange::symbol)
                            .limit(5))
                    .isEqualTo(List.of("G", "D/F#", "Bb", "Em", "Fadd9"));

            waitUntilArranged();

            push(KeyCode.CONTROL, KeyCode.DIGIT3);
            enter("#any-chord", "La7/Do#");
            waitForText("#shape-count", "La7/Do#: ");
            clickOn(".shape-card");
            ScrollPane drawer = lookup(".why-drawer").queryAs(ScrollPane.class);
            assertThat(drawer.getContent().getLayoutBounds().getWidth())
                    .as("what is beside a scroll bar is not under it")
                    .isLessThanOrEqualTo(drawer.getViewportBounds().getWidth() + 1);

            List<String> cut = new ArrayList<>();
            for (Station station : Station.values()) {
                interact(() -> shell.show(station));
                cut().forEach(words -> cut.add(station.label() + ": " + words));
            }
            assertThat(cut).isEmpty();

            clickOn("#looks-open");
            ComboBox<Optional<Language>> languages = lookup("#language").query();
            ComboBox<NoteNames> notes = lookup("#note-names").query();
            interact(() -> {
                languages.setValue(Optional.of(Language.ENGLISH));
                notes.setValue(NoteNames.GERMAN);
            });
            assertThat(shell.view().language()).hasValue(Language.ENGLISH);
            assertThat(shell.view().toKeep().notes()).isEqualTo("german");
            assertThat(View.of(shell.view().toKeep())).isEqualTo(shell.view());
        }
    }
}

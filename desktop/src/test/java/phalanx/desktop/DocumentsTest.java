package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import phalanx.desktop.session.Rescue;
import phalanx.formats.project.ProjectFile;

/** Nothing that is not saved goes, and no file is overwritten, without a question; through the window's own keys. */
class DocumentsTest extends OpenWindow {
    private boolean asked() {
        return lookup("#question").query().isVisible();
    }

    private Path saved(String name) throws TimeoutException {
        toSave = Optional.of(folder.resolve(name));
        push(KeyCode.CONTROL, KeyCode.S);
        waitForText("#message", "Saved");
        return folder.resolve(name);
    }

    private void tempo(int tempo) throws TimeoutException {
        interact(() -> workbench.setTempo(tempo));
        waitUntilArranged();
    }

    @Test
    void anotherSongTakesThePlaceOfAChangedOneOnlyByWord() throws Exception {
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(() -> project().song().title().equals("New song"));
        assertThat(asked()).as("nothing was changed").isFalse();
        tempo(111);
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(this::asked);
        assertThat(text("#question-words")).isEqualTo("New song has changes that are not saved.");
        push(KeyCode.CONTROL, KeyCode.Z);
        assertThat(project().song().tempo()).as("keys wait for the answer").isEqualTo(111);
        type(KeyCode.ESCAPE);
        waitFor(() -> !asked());
        assertThat(project().song().tempo()).isEqualTo(111);
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(this::asked);
        toSave = Optional.of(folder.resolve("kept.phalanx.json"));
        clickOn("#answer-save");
        waitFor(() -> project().song().tempo() == 90);
        assertThat(new ProjectFile()
                        .read(folder.resolve("kept.phalanx.json"))
                        .song()
                        .tempo())
                .isEqualTo(111);
        tempo(112);
        toOpen = Optional.of(folder.resolve("kept.phalanx.json"));
        push(KeyCode.CONTROL, KeyCode.O);
        waitFor(this::asked);
        clickOn("#answer-drop");
        waitFor(() -> project().song().tempo() == 111);
        assertThat(workbench.isChanged()).isFalse();
    }

    @Test
    void aNameThatIsTakenIsAskedAbout() throws Exception {
        Path one = saved("one.phalanx.json");
        String before = Files.readString(one);
        push(KeyCode.CONTROL, KeyCode.N);
        waitFor(() -> project().song().title().equals("New song"));
        toSave = Optional.of(one);
        push(KeyCode.CONTROL, KeyCode.S);
        waitFor(this::asked);
        assertThat(text("#question-words"))
                .startsWith("one.phalanx.json is there already and holds \"")
                .endsWith("Replace it?");
        clickOn("#answer-cancel");
        assertThat(one).hasContent(before);
        push(KeyCode.CONTROL, KeyCode.S);
        waitFor(this::asked);
        toSave = Optional.of(folder.resolve("two.phalanx.json"));
        type(KeyCode.ENTER);
        waitFor(() -> workbench.file().projectFile().equals(toSave));
        assertThat(one).hasContent(before);
        Path tab = Files.writeString(folder.resolve("mine.tab.txt"), "mine");
        toSave = Optional.of(tab);
        push(KeyCode.CONTROL, KeyCode.E);
        waitFor(this::asked);
        clickOn("#answer-replace");
        waitForText("#message", "Wrote");
        assertThat(Files.readString(tab)).startsWith("New song");
    }

    @Test
    void aFileThatAnotherProgramChangedIsNotOverwrittenWithoutAWord() throws Exception {
        Path file = saved("shared.phalanx.json");
        tempo(101);
        Files.writeString(file, Files.readString(file) + "\n");
        push(KeyCode.CONTROL, KeyCode.S);
        waitFor(this::asked);
        assertThat(text("#question-words")).contains("was changed by another program or window");
        toSave = Optional.of(folder.resolve("other.phalanx.json"));
        clickOn("#answer-other");
        waitFor(() -> workbench.file().projectFile().equals(toSave));
        assertThat(new ProjectFile().read(file).song().tempo()).isNotEqualTo(101);
    }

    @Test
    void workOfAKilledWindowIsOfferedBesideItsFile() throws Exception {
        Path file = saved("weir.phalanx.json");
        ScheduledExecutorService other = Executors.newSingleThreadScheduledExecutor();
        Rescue killed = new Rescue(folder.resolve("unsaved"), other, words -> {});
        killed.changed(project().withSong(project().song().withTempo(133).withTitle("Weir, later")), Optional.of(file));
        killed.close();
        Rescue next = new Rescue(folder.resolve("unsaved"), other, words -> {});
        interact(() -> shell.documents().offer(next.found()));
        waitFor(this::asked);
        assertThat(text("#question-words"))
                .startsWith("Unsaved work on \"Weir, later\" from ")
                .contains("Its file weir.phalanx.json, saved ")
                .endsWith("differs: title, tempo.");
        clickOn("#rescue-open");
        waitFor(() -> project().song().tempo() == 133);
        assertThat(workbench.isChanged()).isTrue();
        assertThat(workbench.file().projectFile()).contains(file);
        waitFor(() -> next.found().isEmpty());
        push(KeyCode.CONTROL, KeyCode.S);
        waitFor(() -> !workbench.isChanged());
        assertThat(new ProjectFile().read(file).song().tempo()).isEqualTo(133);
        other.shutdownNow();
    }

    /** "Don't save" and then a file that cannot be read: the song stays open, and its unsaved copy stays on the disk. */
    @Test
    void aFileThatCannotBeReadLeavesTheUnsavedCopy() throws Exception {
        tempo(143);
        toOpen = Optional.of(Files.writeString(folder.resolve("broken.musicxml"), "<broken"));
        push(KeyCode.CONTROL, KeyCode.O);
        waitFor(this::asked);
        clickOn("#answer-drop");
        waitForText("#message", "stays open");
        assertThat(project().song().tempo()).isEqualTo(143);
        Path unsaved = folder.resolve("unsaved");
        waitFor(() -> {
            try (Stream<Path> all = Files.walk(unsaved)) {
                return all.anyMatch(file -> file.endsWith("work.json"));
            } catch (IOException e) {
                return false;
            }
        });
    }
}

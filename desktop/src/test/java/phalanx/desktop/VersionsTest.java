package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import phalanx.arrange.score.Finding;
import phalanx.desktop.arrange.ScoreStation;
import phalanx.project.Comparison;
import phalanx.project.Project;
import phalanx.project.Version;
import phalanx.righthand.Level;

/** Versions kept, tried, compared and taken back, and findings let stand, in the real window. */
class VersionsTest extends OpenWindow {
    private List<String> names() {
        return project().versions().stream().map(Version::name).toList();
    }

    private void choose(String id, String item) {
        ComboBox<String> box = lookup(id).queryComboBox();
        interact(() -> box.setValue(item));
        settle();
    }

    @Test
    void aVersionIsKeptTriedComparedHeardAndTakenBack() throws TimeoutException {
        Project before = project();
        clickOn("#score-station");
        type(KeyCode.V);
        clickOn("#version-name");
        type(KeyCode.K);
        type(KeyCode.V);
        assertThat(project()).as("letters in a field are no commands").isEqualTo(before);
        assertThat(lookup("#versions-panel").tryQuery()).isPresent();
        enter("#version-name", "Evening");
        assertThat(names()).containsExactly(Project.FIRST, "Evening");
        assertThat(project().version().name()).isEqualTo("Evening");
        waitUntilArranged();
        waitForText("#song-figures", "version Evening");
        enter("#version-name", "Evening");
        waitForText("#message", "two versions have one name");
        assertThat(names()).hasSize(2);

        choose("#what-if", "level full");
        waitUntilArranged();
        assertThat(names()).containsExactly(Project.FIRST, "Evening", "level full");
        assertThat(project().picking().plan().level()).isEqualTo(Level.FULL);
        assertThat(project().versions().get(1).picking().plan().level()).isEqualTo(Level.EVEN);
        // the one it was tried beside is compared at once
        waitForText("#comparison", "bars differ");
        ListView<Comparison.BarPair> bars = lookup("#compared-bars").queryListView();
        assertThat(bars.getItems()).isNotEmpty().allMatch(pair -> pair.in().contains(Comparison.Part.NOTES));
        assertThat(text("#comparison")).contains("Decided otherwise: picking");
        interact(() -> bars.getSelectionModel().select(0));
        int tick = project().song().bars().get(bars.getItems().get(0).bar()).startTick();
        assertThat(lookup("#score-station").<ScoreStation>query().selected()).isEqualTo(tick);
        clickOn("#hear-both");

        ListView<String> list = lookup("#version-list").queryListView();
        interact(() -> list.getSelectionModel().select("Evening"));
        waitUntilArranged();
        assertThat(project().version().name()).isEqualTo("Evening");
        assertThat(project().picking()).isEqualTo(before.picking());
        choose("#compare-with", Project.FIRST);
        waitForText("#comparison", "0 of");

        enterWithoutKeeping("Late");
        clickOn("#version-rename");
        assertThat(names()).containsExactly(Project.FIRST, "Late", "level full");
        clickOn("#version-remove");
        assertThat(names()).containsExactly(Project.FIRST, "level full");
        waitUntilArranged();
        clickOn("#versions-close");
        for (int i = 0; i < 5; i++) {
            push(KeyCode.CONTROL, KeyCode.Z);
            waitUntilArranged();
        }
        assertThat(project()).isEqualTo(before);
    }

    private void enterWithoutKeeping(String text) {
        TextField field = lookup("#version-name").query();
        interact(() -> field.setText(text));
    }

    @Test
    void aFindingIsLetStandAndCountedAgain() throws TimeoutException {
        workbench.arrangement().orElseThrow();
        interact(() -> workbench.setTempo(240));
        waitUntilArranged();
        clickOn("#score-station");
        write("]");
        List<Finding> all = workbench.arrangement().orElseThrow().findings();
        assertThat(all).isNotEmpty();
        waitForText("#message", "Finding 1 of " + all.size());
        interact(() -> lookup("#stand-1").queryButton().fire());
        write("I leave the low note out");
        type(KeyCode.ENTER);
        waitUntilArranged();
        Finding stands = workbench.arrangement().orElseThrow().findings().stream()
                .filter(finding -> project().version().ignores(finding).isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(project().version().ignores(stands)).contains("I leave the low note out");
        waitForText("#song-figures", (all.size() - 1) + " finding");
        assertThat(shows("#findings", "Stands: I leave")).isTrue();
        type(KeyCode.F);
        assertThat(shows("#findings-panel", "1 let stand")).isTrue();
        type(KeyCode.F);
        interact(() -> lookup("#count-1").queryButton().fire());
        waitUntilArranged();
        waitForText("#song-figures", all.size() + " finding");
        assertThat(project().version().ignored()).isEmpty();
    }
}

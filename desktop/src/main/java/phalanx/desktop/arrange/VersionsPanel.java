package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Playback;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Choices;
import phalanx.desktop.widget.WordsCell;
import phalanx.project.Comparison;
import phalanx.project.Difference;
import phalanx.project.Project;
import phalanx.project.Version;
import phalanx.project.WhatIf;
import phalanx.song.Bar;
import phalanx.words.Words;

/** The named versions of an arrangement: kept, tried, shown, and two of them compared bar by bar. */
final class VersionsPanel extends VBox {
    private static final double WIDTH = 320;
    private static final double LIST = 132;
    private static final String NONE = wording("VersionsPanel.nothing");
    private static final String WHAT_IF = wording("VersionsPanel.what-if");

    private final Workbench workbench;
    private final Playback playback;
    private final Marks marks;
    private final ListView<String> list = new ListView<>();
    private final TextField name = new TextField();
    private final ComboBox<String> whatIf = new ComboBox<>();
    private final ComboBox<String> against = new ComboBox<>();
    private final Label result = Cards.quiet("");
    private final ListView<Comparison.BarPair> bars = new ListView<>();
    private final Button hear;
    private final Button remove;
    /** The arrangement of the other version, once it is compared. */
    private Optional<Arrangement> other = Optional.empty();

    private List<WhatIf> tries = List.of();
    private boolean filling;

    /**
     * What becomes of a comparison in the score.
     *
     * @param pick told where the player wants to look
     * @param show takes the places of the bars that differ
     */
    record Marks(Consumer<Integer> pick, Consumer<Set<Integer>> show) {}

    /** @param close when the player wants the moment again */
    VersionsPanel(Workbench workbench, Playback playback, Marks marks, Runnable close) {
        super(8);
        this.workbench = workbench;
        this.playback = playback;
        this.marks = marks;
        getStyleClass().addAll("why", "card");
        setId("versions-panel");
        list.setId("version-list");
        list.getStyleClass().add("plain-list");
        list.setAccessibleText(wording("VersionsPanel.versions-of-the-arrangement"));
        list.setCellFactory(view -> new WordsCell<>(WIDTH - 70, this::named));
        list.setPrefHeight(LIST);
        list.setMinHeight(LIST);
        list.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> {
            if (now != null && !filling) {
                workbench.decide(wording("VersionsPanel.version", Words.shipped(now)), project -> project.showing(now));
            }
        });
        name.setId("version-name");
        name.setAccessibleText(wording("VersionsPanel.name-of-a-version"));
        name.setPromptText(wording("VersionsPanel.a-name"));
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setOnAction(event -> keep());
        Button keep = Cards.button(
                "version-keep",
                wording("VersionsPanel.keep-as-new"),
                wording("VersionsPanel.a-new-version-with-this"),
                this::keep);
        Button rename = Cards.button(
                "version-rename",
                wording("VersionsPanel.rename"),
                wording("VersionsPanel.give-the-version-that-is"),
                this::rename);
        remove = Cards.button(
                "version-remove",
                wording("VersionsPanel.remove"),
                wording("VersionsPanel.ctrl-z-brings-it-back"),
                this::remove);
        whatIf.setId("what-if");
        whatIf.setAccessibleText(wording("VersionsPanel.what-if-try-a-change"));
        whatIf.setMaxWidth(Double.MAX_VALUE);
        whatIf.setOnAction(event -> tryOut());
        against.setId("compare-with");
        against.setAccessibleText(wording("VersionsPanel.compare-with-which-version"));
        against.setMaxWidth(Double.MAX_VALUE);
        Choices.shownAs(against, Words::shipped);
        against.setOnAction(event -> {
            if (!filling) {
                compare();
            }
        });
        result.setId("comparison");
        bars.setId("compared-bars");
        bars.getStyleClass().add("plain-list");
        bars.setAccessibleText(wording("VersionsPanel.bars-that-differ"));
        bars.setCellFactory(view -> new WordsCell<>(WIDTH - 70, this::words));
        bars.setMinHeight(0);
        bars.setPlaceholder(Cards.quiet(""));
        VBox.setVgrow(bars, Priority.ALWAYS);
        bars.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> pick(now));
        hear = Cards.button(
                "hear-both",
                wording("VersionsPanel.hear-the-bar-in-both"),
                wording("VersionsPanel.the-version-that-is-shown"),
                this::hear);
        HBox compared = new HBox(8, Cards.before(wording("VersionsPanel.compare-with")), against);
        compared.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(against, Priority.ALWAYS);
        getChildren()
                .addAll(
                        Cards.heading(wording("VersionsPanel.versions")),
                        list,
                        name,
                        new HBox(6, keep, rename, remove),
                        whatIf,
                        compared,
                        result,
                        bars,
                        hear,
                        Cards.button(
                                "versions-close",
                                wording("VersionsPanel.back-to-the-moment-v"),
                                wording("VersionsPanel.esc-too"),
                                close));
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                close.run();
                event.consume();
            }
        });
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setMinHeight(0);
    }

    /** The name of a version, and what it is played with. */
    private String named(String name) {
        return workbench.project().stream()
                .flatMap(project -> project.versions().stream())
                .filter(version -> version.name().equals(name))
                .findFirst()
                .map(version -> Words.shipped(name) + "\n" + facts(version))
                .orElse(name);
    }

    private static String facts(Version version) {
        int locks = version.locks().size();
        return wording(
                "VersionsPanel.tune",
                version.instrument().tuning().label()
                        + (version.instrument().capo() == 0
                                ? ""
                                : wording(
                                        "VersionsPanel.capo",
                                        version.instrument().capo())),
                version.picking().plan().level().label(),
                version.wishes().tune().label(),
                locks == 0
                        ? ""
                        : ", " + locks + (locks == 1 ? wording("VersionsPanel.lock") : wording("VersionsPanel.locks")));
    }

    private String words(Comparison.BarPair pair) {
        Bar bar = workbench.arrangement().orElseThrow().song().bars().get(pair.bar());
        String in = pair.in().stream().map(Comparison.Part::label).collect(Collectors.joining(", "));
        String findings = pair.findings() == pair.otherFindings()
                ? ""
                : wording("VersionsPanel.findings-there", pair.findings(), pair.otherFindings());
        return String.format(
                Words.figures(),
                wording("VersionsPanel.bar-effort-there"),
                bar.number(),
                in,
                pair.effort(),
                pair.otherEffort(),
                findings);
    }

    /** Fills the lists from the project; a comparison that stands is made again. */
    void show() {
        Project project = workbench.project().orElseThrow();
        filling = true;
        List<String> names = project.versions().stream().map(Version::name).toList();
        list.getItems().setAll(names);
        list.getSelectionModel().select(project.version().name());
        remove.setDisable(names.size() < 2);
        tries = WhatIf.of(project);
        whatIf.getItems().setAll(WHAT_IF);
        whatIf.getItems().addAll(tries.stream().map(WhatIf::name).toList());
        whatIf.setValue(WHAT_IF);
        String before = against.getValue();
        List<String> others = new ArrayList<>(List.of(NONE));
        others.addAll(names);
        others.remove(project.version().name());
        against.getItems().setAll(others);
        against.setValue(others.contains(before) ? before : NONE);
        filling = false;
        // cells are measured with their style
        applyCss();
        list.refresh();
        compare();
    }

    /** Forgets the comparison. */
    void leave() {
        filling = true;
        against.setValue(NONE);
        filling = false;
        clear("");
    }

    private void keep() {
        String typed = name.getText().strip();
        name.clear();
        workbench.decide(wording("VersionsPanel.version", typed), now -> now.branched(typed));
    }

    private void rename() {
        String typed = name.getText().strip();
        name.clear();
        workbench.decide(wording("VersionsPanel.name-of-the-version", typed), now -> now.renamed(typed));
    }

    private void remove() {
        workbench
                .project()
                .map(now -> now.version().name())
                .ifPresent(gone -> workbench.decide(
                        wording("VersionsPanel.removal-of-version", Words.shipped(gone)),
                        now -> now.withoutVersion(gone)));
    }

    private void tryOut() {
        Optional<WhatIf> chosen = tries.stream()
                .filter(one -> !filling && one.name().equals(whatIf.getValue()))
                .findFirst();
        chosen.ifPresent(change -> {
            String shown = workbench.project().orElseThrow().version().name();
            workbench.decide(wording("VersionsPanel.version", change.name()), change::asVersion);
            filling = true;
            against.getItems().add(shown);
            against.setValue(shown);
            filling = false;
        });
    }

    private void compare() {
        String with = against.getValue();
        if (with == null || with.equals(NONE) || workbench.arrangement().isEmpty()) {
            clear(
                    against.getItems().size() > 1
                            ? wording("VersionsPanel.choose-a-version-to-see")
                            : wording("VersionsPanel.keep-a-second-version-or"));
            return;
        }
        clear(wording("VersionsPanel.arranging-to-compare", with));
        Project now = workbench.project().orElseThrow();
        Project there = now.showing(with);
        workbench.solver().aside(there, true, arrangement -> compared(now, there, arrangement));
    }

    private void clear(String words) {
        other = Optional.empty();
        result.setText(words);
        bars.getItems().clear();
        hear.setDisable(true);
        marks.show.accept(Set.of());
    }

    private void compared(Project now, Project there, Arrangement arrangement) {
        Arrangement shown = workbench.arrangement().orElseThrow();
        List<Comparison.BarPair> pairs = Comparison.of(shown, arrangement);
        other = Optional.of(arrangement);
        List<String> settings = Difference.decided(now.version(), there.version());
        result.setText(String.format(
                Words.figures(),
                wording("VersionsPanel.of-bars-differ-effort-there"),
                pairs.size(),
                shown.song().bars().size(),
                shown.effort(),
                arrangement.effort(),
                Math.floor(shown.ceiling().tempo()),
                Math.floor(arrangement.ceiling().tempo()),
                shown.findings().size(),
                arrangement.findings().size(),
                settings.isEmpty() ? "" : wording("VersionsPanel.decided-otherwise", String.join(", ", settings))));
        bars.getItems().setAll(pairs);
        marks.show.accept(pairs.stream().map(Comparison.BarPair::bar).collect(Collectors.toSet()));
    }

    private void pick(Comparison.BarPair pair) {
        hear.setDisable(pair == null);
        if (pair != null) {
            marks.pick.accept(workbench
                    .arrangement()
                    .orElseThrow()
                    .song()
                    .bars()
                    .get(pair.bar())
                    .startTick());
        }
    }

    private void hear() {
        Comparison.BarPair pair = bars.getSelectionModel().getSelectedItem();
        other.ifPresent(there -> {
            Arrangement shown = workbench.arrangement().orElseThrow();
            Bar bar = shown.song().bars().get(pair.bar());
            playback.hearInTurn(List.of(shown, there), bar.startTick(), bar.endTick());
        });
    }
}

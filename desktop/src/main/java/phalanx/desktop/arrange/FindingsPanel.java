package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.arrange.audit.SongFigures;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.WordsCell;
import phalanx.project.Version;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.words.Words;

/** All findings of a song, by hand, kind and section, and what the song asks of the hands in figures. */
final class FindingsPanel extends VBox {
    private static final double WIDTH = 320;
    private static final int MOST_TERMS = 6;
    /** The style of a finding that matters most. */
    private static final String HIGH = "high";

    private final Label figures = Cards.quiet("");
    private final Label hardest = Cards.quiet("");
    private final Label effort = Cards.quiet("");
    private final ComboBox<String> hand = choice("finding-hand", wording("FindingsPanel.findings-of-which-hand"));
    private final ComboBox<String> kind = choice("finding-kind", wording("FindingsPanel.findings-of-which-kind"));
    private final ComboBox<String> section =
            choice("finding-section", wording("FindingsPanel.findings-of-which-section"));
    private final ListView<Finding> list = new ListView<>();
    private final Label heading = new Label();
    private final Label nothing = Cards.quiet("");
    private List<Finding> all = List.of();
    private Song song;
    private Version version;
    private boolean filling;

    /**
     * @param onPick told which finding is chosen
     * @param close when the player wants the moment again
     */
    FindingsPanel(Consumer<Finding> onPick, Runnable close) {
        super(8);
        getStyleClass().add("why");
        getStyleClass().add("card");
        setId("findings-panel");
        heading.getStyleClass().add("heading");
        list.setId("finding-list");
        list.getStyleClass().add("plain-list");
        list.setAccessibleText(wording("FindingsPanel.findings-word"));
        list.setPlaceholder(nothing);
        list.setCellFactory(view -> new Line());
        list.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> {
            if (now != null && !filling) {
                onPick.accept(now);
            }
        });
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE || event.getCode() == KeyCode.F) {
                close.run();
                event.consume();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        list.setMinHeight(0);
        setMinHeight(0);
        getChildren()
                .addAll(
                        Cards.heading(wording("FindingsPanel.the-song")),
                        figures,
                        hardest,
                        effort,
                        heading,
                        new HBox(6, hand, section),
                        kind,
                        list,
                        Cards.button(
                                "findings-close",
                                wording("FindingsPanel.back-to-the-moment-f"),
                                wording("FindingsPanel.esc-too"),
                                close));
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
    }

    private boolean stands(Finding finding) {
        return version.ignores(finding).isPresent();
    }

    private String words(Finding finding) {
        return finding.message()
                + version.ignores(finding)
                        .map(reason -> wording("FindingsPanel.stands", reason))
                        .orElse("");
    }

    /** What matters most is marked, what stands is faint. */
    private final class Line extends WordsCell<Finding> {
        Line() {
            super(WIDTH - 70, FindingsPanel.this::words);
        }

        @Override
        protected void updateItem(Finding finding, boolean empty) {
            super.updateItem(finding, empty);
            boolean shown = !empty && finding != null;
            boolean faint = shown && stands(finding);
            setOpacity(faint ? 0.7 : 1);
            getStyleClass().remove(HIGH);
            if (shown && !faint && finding.severity() == Finding.Severity.HIGH) {
                getStyleClass().add(HIGH);
            }
        }
    }

    private ComboBox<String> choice(String id, String words) {
        ComboBox<String> box = new ComboBox<>();
        box.setId(id);
        box.setAccessibleText(words);
        box.setMaxWidth(Double.MAX_VALUE);
        box.setOnAction(event -> {
            if (!filling) {
                filter();
            }
        });
        return box;
    }

    /** @param shown the version that is arranged: what it lets stand is listed last and counted apart */
    void show(Arrangement arrangement, Version shown) {
        version = shown;
        SongFigures now = SongFigures.of(arrangement);
        song = arrangement.song();
        all = arrangement.findings().stream()
                .sorted(Comparator.comparing(this::stands))
                .toList();
        figures.setText(String.format(
                Words.figures(),
                wording("FindingsPanel.shifts-barres-stretched-moments-highest"),
                now.shifts(),
                now.barres(),
                now.stretches(),
                now.highestFret(),
                now.meanFret(),
                Math.floor(arrangement.ceiling().tempo())));
        hardest.setText(now.hardestBars().stream()
                .map(bar -> String.valueOf(song.bars().get(bar).number()))
                .collect(Collectors.joining(", ", wording("FindingsPanel.hardest-bars"), ".")));
        effort.setText(arrangement.cost().effort().terms().entrySet().stream()
                .sorted(Comparator.comparingDouble(entry -> -entry.getValue()))
                .limit(MOST_TERMS)
                .map(entry ->
                        String.format(Words.figures(), "%s %.1f", entry.getKey().label(), entry.getValue()))
                .collect(Collectors.joining(
                        ", ",
                        String.format(Words.figures(), wording("FindingsPanel.effort"), arrangement.effort()),
                        wording("FindingsPanel.and-smaller-ones"))));
        filling = true;
        fill(
                hand,
                wording("FindingsPanel.both-hands"),
                List.of(
                        wording("FindingsPanel.left-hand"),
                        wording("FindingsPanel.right-hand"),
                        wording("FindingsPanel.the-ear")));
        fill(
                kind,
                wording("FindingsPanel.every-kind"),
                all.stream()
                        .map(finding -> finding.kind().label())
                        .distinct()
                        .sorted()
                        .toList());
        fill(
                section,
                wording("FindingsPanel.every-section"),
                song.sections().stream().map(Section::name).distinct().toList());
        section.setVisible(!song.sections().isEmpty());
        section.setManaged(section.isVisible());
        filling = false;
        filter();
    }

    /** Measures its lines anew, once it is on screen. */
    void refresh() {
        applyCss();
        list.refresh();
    }

    private static void fill(ComboBox<String> box, String none, List<String> words) {
        String before = box.getValue();
        List<String> items = new ArrayList<>(List.of(none));
        items.addAll(words);
        box.getItems().setAll(items);
        box.setValue(items.contains(before) ? before : none);
    }

    private void filter() {
        List<Finding> left = all.stream().filter(this::isWanted).toList();
        filling = true;
        list.getItems().setAll(left);
        filling = false;
        nothing.setText(
                all.isEmpty()
                        ? wording("FindingsPanel.both-hands-come-through-at")
                        : wording("FindingsPanel.none-of-the-song-s"));
        long standing = left.stream().filter(this::stands).count();
        heading.setText((all.isEmpty()
                        ? wording("FindingsPanel.no-findings")
                        : left.size() == all.size()
                                ? all.size()
                                        + (all.size() == 1
                                                ? wording("FindingsPanel.finding")
                                                : wording("FindingsPanel.findings"))
                                : wording("FindingsPanel.of-findings", left.size(), all.size()))
                + (standing == 0 ? "" : wording("FindingsPanel.let-stand", standing)));
    }

    private boolean isWanted(Finding finding) {
        boolean hands =
                switch (hand.getSelectionModel().getSelectedIndex()) {
                    case 1 -> finding.kind().side() == FindingKind.Side.LEFT;
                    case 2 -> finding.kind().side() == FindingKind.Side.RIGHT;
                    case 3 -> finding.kind().side() == FindingKind.Side.EAR;
                    default -> true;
                };
        boolean kinds = kind.getSelectionModel().getSelectedIndex() <= 0
                || finding.kind().label().equals(kind.getValue());
        return hands && kinds && (section.getSelectionModel().getSelectedIndex() <= 0 || isIn(finding));
    }

    private boolean isIn(Finding finding) {
        String name = "";
        for (Section one : song.sections()) {
            if (one.startTick() <= finding.tick()) {
                name = one.name();
            }
        }
        return name.equals(section.getValue());
    }
}

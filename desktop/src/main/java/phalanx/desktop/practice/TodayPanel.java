package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import phalanx.desktop.session.Journal;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.WordsCell;
import phalanx.practice.LogEntry;
import phalanx.practice.Step;
import phalanx.practice.Today;
import phalanx.practice.Weeks;

/** What the log and the minutes of today make of a ladder: blocks to choose from, and how long the rest may take. */
final class TodayPanel extends VBox {
    private static final double GAP = 8;
    private static final double HEIGHT = 190;

    private final Journal journal;
    private final Clock clock;
    private final ComboBox<Integer> minutes = new ComboBox<>();
    private final ListView<Today.Block> blocks = new ListView<>();
    private final Label plan = Cards.small("");
    private String title = "";
    private Optional<PassageChoice> part = Optional.empty();
    private List<Step> steps = List.of();
    private boolean filling;

    /**
     * @param journal what was practised
     * @param width of the panel
     * @param choose takes the place of the step that a block is about
     * @param done gives the keys back to the station
     */
    TodayPanel(Journal journal, double width, IntConsumer choose, Runnable done) {
        super(GAP);
        this.journal = journal;
        this.clock = journal.clock();
        minutes.setId("practice-minutes");
        minutes.setAccessibleText(wording("TodayPanel.minutes-today"));
        minutes.getItems().setAll(10, 20, 30, 45, 60);
        minutes.setValue(20);
        minutes.setOnAction(event -> {
            reckon();
            done.run();
        });
        blocks.setId("today");
        blocks.setAccessibleText(wording("TodayPanel.what-to-practise-today"));
        blocks.getStyleClass().add("plain-list");
        blocks.setCellFactory(view -> new WordsCell<>(width - 70, this::words));
        blocks.setPlaceholder(Cards.quiet(wording("TodayPanel.today-s-list-is-being")));
        blocks.setFocusTraversable(false);
        blocks.setPrefHeight(HEIGHT);
        blocks.setMinHeight(HEIGHT * 0.8);
        blocks.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> {
            if (!filling && now != null && now.step().isPresent()) {
                choose.accept(now.step().getAsInt());
            }
        });
        plan.setId("practice-weeks");
        plan.setMinHeight(USE_PREF_SIZE);
        HBox time = new HBox(GAP, Cards.before(wording("TodayPanel.minutes-today-2")), minutes);
        time.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(time, blocks, plan);
    }

    /** Reckons what is to be done of a ladder or of drills; it is shown when it is found. */
    void show(String song, List<Step> ladder, PassageChoice of) {
        title = song;
        steps = ladder;
        part = Optional.of(of);
        blocks.getItems().clear();
        reckon();
    }

    private String words(Today.Block block) {
        String what = block.step().isPresent()
                ? ": " + steps.get(block.step().getAsInt()).name()
                : "";
        return wording("TodayPanel.min", block.kind().label(), block.minutes(), what, block.why());
    }

    /**
     * What the log and the minutes make of the ladder.
     *
     * @param blocks of today
     * @param weeks that the rest may take; none for drills, and where it is more than a year
     */
    private record Plan(List<Today.Block> blocks, Optional<Weeks> weeks) {}

    private void reckon() {
        part.ifPresent(now -> {
            List<Step> ladder = steps;
            int time = minutes.getValue();
            LocalDate day = LocalDate.ofInstant(clock.instant(), clock.getZone());
            journal.reckon(
                    title,
                    entries -> {
                        List<LogEntry> own = entries.stream()
                                .filter(entry -> entry.passage().equals(now.id()))
                                .toList();
                        return new Plan(
                                Today.of(ladder, own, day, clock.getZone(), time),
                                now.drills() ? Optional.empty() : Weeks.of(ladder, own, day, clock.getZone(), time));
                    },
                    found -> {
                        if (ladder == steps) {
                            show(found, now.drills());
                        }
                    });
        });
    }

    private void show(Plan found, boolean drills) {
        filling = true;
        blocks.getItems().setAll(found.blocks());
        filling = false;
        blocks.refresh();
        plan.setText(
                drills
                        ? wording("TodayPanel.drills-have-no-end-some")
                        : found.weeks()
                                .map(weeks -> weeks.most() == 0
                                        ? wording("TodayPanel.the-ladder-is-climbed")
                                        : wording("TodayPanel.to-the-top", range(weeks), Weeks.ASSUMPTION))
                                .orElse(wording("TodayPanel.more-than-a-year-at")));
    }

    private static String range(Weeks weeks) {
        return weeks.least() == weeks.most()
                ? weeks.most() + (weeks.most() == 1 ? wording("TodayPanel.week") : wording("TodayPanel.weeks"))
                : wording("TodayPanel.to-weeks", weeks.least(), weeks.most());
    }
}

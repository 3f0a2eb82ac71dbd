package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.chart.BarChart;
import javafx.scene.chart.CategoryAxis;
import javafx.scene.chart.LineChart;
import javafx.scene.chart.NumberAxis;
import javafx.scene.chart.XYChart;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import phalanx.desktop.widget.Cards;
import phalanx.practice.Progress;
import phalanx.practice.Step;

/** How a passage gets on: the tempo over days, passes a week, what is climbed and what is stuck. */
final class ProgressView extends VBox {
    private static final double LEAST_HEIGHT = 150;

    private final LineChart<Number, Number> tempo = new LineChart<>(new NumberAxis(), new NumberAxis());
    private final BarChart<String, Number> weeks = new BarChart<>(new CategoryAxis(), new NumberAxis());
    private final Label words = Cards.quiet("");

    ProgressView() {
        super(8);
        setId("practice-progress");
        words.setId("progress-words");
        words.setWrapText(true);
        words.setMinHeight(USE_PREF_SIZE);
        tempo.setVerticalZeroLineVisible(false);
        tempo.setTitle(wording("ProgressView.fastest-clean-pass-of-a"));
        weeks.setTitle(wording("ProgressView.minutes-a-week"));
        for (XYChart<?, ?> chart : new XYChart<?, ?>[] {tempo, weeks}) {
            chart.setLegendVisible(false);
            chart.setAnimated(false);
            chart.setMinHeight(LEAST_HEIGHT);
            HBox.setHgrow(chart, Priority.ALWAYS);
        }
        HBox charts = new HBox(8, tempo, weeks);
        charts.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(charts, Priority.ALWAYS);
        getChildren().addAll(words, charts);
    }

    /**
     * @param steps the ladder as it is now
     * @param goal the song's tempo
     */
    void show(Progress progress, List<Step> steps, int goal) {
        tempo.getData().clear();
        weeks.getData().clear();
        words.setText(words(progress, steps, goal));
        if (progress.weeks().isEmpty()) {
            return;
        }
        LocalDate first = progress.weeks().firstKey();
        XYChart.Series<Number, Number> line = new XYChart.Series<>();
        progress.tempo().forEach((day, bpm) -> line.getData()
                .add(new XYChart.Data<>(ChronoUnit.DAYS.between(first, day), bpm)));
        tempo.getData().add(line);
        days((NumberAxis) tempo.getXAxis(), first, progress);
        ((NumberAxis) tempo.getYAxis()).setForceZeroInRange(false);
        XYChart.Series<String, Number> bars = new XYChart.Series<>();
        progress.weeks().forEach((week, done) -> bars.getData().add(new XYChart.Data<>(date(week), done.minutes())));
        weeks.getData().add(bars);
    }

    private static void days(NumberAxis axis, LocalDate first, Progress progress) {
        long last = ChronoUnit.DAYS.between(first, progress.weeks().lastKey()) + 7;
        axis.setAutoRanging(false);
        // a day more, so that the first point is not cut
        axis.setLowerBound(-1);
        axis.setUpperBound(last);
        axis.setTickUnit(last <= 28 ? 7 : Math.ceil(last / 28.0) * 7);
        axis.setMinorTickVisible(false);
        axis.setTickLabelFormatter(new StringConverter<>() {
            @Override
            public String toString(Number day) {
                return date(first.plusDays(day.longValue()));
            }

            @Override
            public Number fromString(String text) {
                return 0;
            }
        });
    }

    private static String date(LocalDate day) {
        return String.format(Locale.ROOT, "%d.%d.", day.getDayOfMonth(), day.getMonthValue());
    }

    /** A step of a ladder that was another is called as the record has it. */
    private static String name(String id, List<Step> steps) {
        return steps.stream()
                .filter(step -> step.id().equals(id))
                .map(Step::name)
                .findFirst()
                .orElse(id);
    }

    private static String words(Progress progress, List<Step> steps, int goal) {
        if (progress.weeks().isEmpty()) {
            return wording("ProgressView.nothing-was-practised-here-yet");
        }
        String best = progress.tempo().isEmpty()
                ? wording("ProgressView.no-clean-pass-yet")
                : wording(
                        "ProgressView.clean-up-to-bpm",
                        progress.tempo().values().stream()
                                .mapToInt(bpm -> bpm)
                                .max()
                                .orElseThrow());
        String stuck = progress.stuck().isEmpty()
                ? ""
                : wording(
                        "ProgressView.has-not-moved-in-five",
                        progress.stuck().stream().map(id -> name(id, steps)).collect(Collectors.joining("; ")));
        Progress.Week week = progress.weeks().lastEntry().getValue();
        String lately = wording("ProgressView.the-last-week-passes-min", week.passes(), week.minutes());
        return wording(
                "ProgressView.of-steps-climbed-of", progress.climbed().size(), steps.size(), best, goal, lately, stuck);
    }
}

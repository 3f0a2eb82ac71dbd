package phalanx.desktop.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import phalanx.desktop.widget.Cards;
import phalanx.listening.TakeReport;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.theory.Pitch;

/** What a take told: the thumb's strokes beside their beats, and the notes that were wrong or missing. */
final class TakePanel extends VBox {
    private static final double WIDTH = 360;
    private static final double ROW = 26;
    private static final double DOT = 4;
    /** What is earlier or later is drawn at the edge. */
    private static final double WIDEST_MS = 60;
    /** So many notes are named; of the rest the number is said. */
    private static final int NAMED = 5;

    TakePanel() {
        super(8);
        setId("practice-take");
    }

    void show(TakeReport report, Song song) {
        getChildren().setAll(heading(report));
        if (report.clipped()) {
            getChildren().add(words("The recording is clipped: softer, or further away, tells more."));
        }
        getChildren().add(Cards.heading("The thumb beside an even beat"));
        for (TakeReport.Steadiness beat : report.thumb()) {
            getChildren().add(row(beat));
        }
        HBox scale = new HBox(
                Cards.quiet((int) WIDEST_MS + " ms early"), Cards.space(), Cards.quiet((int) WIDEST_MS + " ms late"));
        scale.setMaxWidth(WIDTH);
        scale.setTranslateX(ROW + 8);
        getChildren().add(scale);
        List<String> notes = new ArrayList<>();
        report.wrong()
                .forEach(wrong -> notes.add(place(wrong.note().tick(), song) + " "
                        + Pitch.printed(wrong.note().midi(), song.key()) + " sounded as "
                        + Pitch.printed(wrong.midi(), song.key())));
        report.missing()
                .forEach(note -> notes.add(
                        place(note.tick(), song) + " " + Pitch.printed(note.midi(), song.key()) + " did not sound"));
        String more = notes.size() > NAMED ? "; " + (notes.size() - NAMED) + " more" : "";
        getChildren()
                .add(words(
                        notes.isEmpty()
                                ? "Every note was heard as it is written."
                                : String.join("; ", notes.subList(0, Math.min(NAMED, notes.size()))) + more + "."));
    }

    private static Label heading(TakeReport report) {
        Label heading = Cards.heading(String.format(
                Locale.ROOT,
                "%d of %d strokes heard, %.0f bpm%s",
                report.heard(),
                report.strokes(),
                report.tempo(),
                Math.abs(report.drift()) < 1
                        ? ", held"
                        : String.format(
                                Locale.ROOT,
                                ", %.0f %% %s at the end",
                                Math.abs(report.drift()),
                                report.drift() > 0 ? "faster" : "slower")));
        heading.setId("take-heading");
        return heading;
    }

    private static Label words(String text) {
        Label label = new Label(text);
        label.setId("take-notes");
        label.setWrapText(true);
        label.setMinHeight(USE_PREF_SIZE);
        return label;
    }

    private static String place(int tick, Song song) {
        Bar bar = song.barAt(tick);
        return "bar " + bar.number() + ", beat "
                + (1 + bar.offsetOf(tick) / bar.meter().beatTicks()) + ":";
    }

    private static Node row(TakeReport.Steadiness beat) {
        boolean on = beat.beat() == Math.rint(beat.beat());
        Label name = new Label(on ? String.valueOf((int) beat.beat()) : "&");
        name.setMinWidth(ROW);
        Pane strokes = new Pane();
        strokes.setMinSize(WIDTH, ROW);
        strokes.setMaxWidth(WIDTH);
        Line line = new Line(0, ROW / 2, WIDTH, ROW / 2);
        line.getStyleClass().add("take-line");
        Line due = new Line(WIDTH / 2, 2, WIDTH / 2, ROW - 2);
        due.getStyleClass().add("take-due");
        strokes.getChildren().addAll(line, due);
        for (double error : beat.errors()) {
            Circle dot = new Circle(x(error), ROW / 2, DOT);
            dot.getStyleClass().add("take-stroke");
            strokes.getChildren().add(dot);
        }
        Line mean = new Line(x(beat.ms()), 2, x(beat.ms()), ROW - 2);
        mean.getStyleClass().add("take-mean");
        strokes.getChildren().add(mean);
        String text = String.format(
                Locale.ROOT,
                "%.0f ms %s, spread %.0f",
                Math.abs(beat.ms()),
                beat.ms() < 0 ? "early" : "late",
                beat.spread());
        HBox row = new HBox(8, name, strokes, new Label(text));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText("The thumb on " + name.getText() + ": " + text);
        return row;
    }

    private static double x(double ms) {
        double share = Math.max(-1, Math.min(1, ms / WIDEST_MS));
        return WIDTH / 2 * (1 + share);
    }
}

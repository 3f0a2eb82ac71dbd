package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
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
import phalanx.words.Words;

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
            getChildren().add(words(wording("TakePanel.the-recording-is-clipped-softer")));
        }
        getChildren().add(Cards.heading(wording("TakePanel.the-thumb-beside-an-even")));
        for (TakeReport.Steadiness beat : report.thumb()) {
            getChildren().add(row(beat));
        }
        HBox scale = new HBox(
                Cards.quiet(wording("TakePanel.ms-early", (int) WIDEST_MS)),
                Cards.space(),
                Cards.quiet(wording("TakePanel.ms-late", (int) WIDEST_MS)));
        scale.setMaxWidth(WIDTH);
        scale.setTranslateX(ROW + 8);
        getChildren().add(scale);
        List<String> notes = new ArrayList<>();
        report.wrong()
                .forEach(wrong -> notes.add(wording(
                        "TakePanel.sounded-as",
                        place(wrong.note().tick(), song),
                        Pitch.printed(wrong.note().midi(), song.key()),
                        Pitch.printed(wrong.midi(), song.key()))));
        report.missing()
                .forEach(note -> notes.add(wording(
                        "TakePanel.did-not-sound", place(note.tick(), song), Pitch.printed(note.midi(), song.key()))));
        String more = notes.size() > NAMED ? wording("TakePanel.more", notes.size() - NAMED) : "";
        getChildren()
                .add(words(
                        notes.isEmpty()
                                ? wording("TakePanel.every-note-was-heard-as")
                                : String.join("; ", notes.subList(0, Math.min(NAMED, notes.size()))) + more + "."));
    }

    private static Label heading(TakeReport report) {
        Label heading = Cards.heading(String.format(
                Words.figures(),
                wording("TakePanel.of-strokes-heard-bpm"),
                report.heard(),
                report.strokes(),
                report.tempo(),
                Math.abs(report.drift()) < 1
                        ? wording("TakePanel.held")
                        : String.format(
                                Words.figures(),
                                wording("TakePanel.at-the-end"),
                                Math.abs(report.drift()),
                                report.drift() > 0 ? wording("TakePanel.faster") : wording("TakePanel.slower"))));
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
        return wording(
                "TakePanel.bar-beat",
                bar.number(),
                1 + bar.offsetOf(tick) / bar.meter().beatTicks());
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
                Words.figures(),
                wording("TakePanel.ms-spread"),
                Math.abs(beat.ms()),
                beat.ms() < 0 ? wording("TakePanel.early") : wording("TakePanel.late"),
                beat.spread());
        HBox row = new HBox(8, name, strokes, new Label(text));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleText(wording("TakePanel.the-thumb-on", name.getText(), text));
        return row;
    }

    private static double x(double ms) {
        double share = Math.max(-1, Math.min(1, ms / WIDEST_MS));
        return WIDTH / 2 * (1 + share);
    }
}

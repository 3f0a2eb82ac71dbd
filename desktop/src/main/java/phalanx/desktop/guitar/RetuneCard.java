package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Playback;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.formats.library.Library;
import phalanx.guitar.NamedTuning;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Retuning;
import phalanx.guitar.RetuningStep;
import phalanx.guitar.StringSet;
import phalanx.guitar.TensionReport;
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * Strings and retuning: all strings as one list in the order of work, those that are turned first, each with how it is
 * heard to be right; what they pull together; own tunings; the partial capo.
 */
final class RetuneCard extends VBox {
    private static final int MOST_UP = 2;
    private static final double GRAVITY = 9.81;
    private static final double PITCH_WIDTH = 92;
    private static final double MOVE_WIDTH = 52;

    private final Workbench workbench;
    private final Playback playback;
    private final ComboBox<String> from = new ComboBox<>();
    private final ComboBox<String> to = new ComboBox<>();
    private final VBox steps = new VBox(2);
    private final VBox below = new VBox(6);
    private final TextField name = new TextField();
    private final TextField partial = new TextField();
    private Tuning tunedTo = Tuning.STANDARD;
    private Optional<Project> shown = Optional.empty();
    private boolean showing;

    RetuneCard(Workbench workbench, Playback playback) {
        this.workbench = workbench;
        this.playback = playback;
        from.setId("tuned-to");
        from.setAccessibleText(wording("RetuneCard.tuning-the-guitar-has-now"));
        from.setOnAction(event -> startFrom(from.getValue()));
        to.setId("tune-to");
        to.setAccessibleText(wording("RetuneCard.tuning-the-song-wants"));
        to.setOnAction(event -> tuneTo(to.getValue()));
        steps.setId("retuning");
        getStyleClass().add("card");
        setSpacing(8);
        below.setId("tension-warnings");
        HBox choices = new HBox(
                12, choice(wording("RetuneCard.tuned-now"), from), choice(wording("RetuneCard.tuning-wanted"), to));
        HBox head = new HBox(
                8,
                Cards.heading(wording("RetuneCard.strings-and-retuning")),
                Cards.space(),
                Cards.before(wording("RetuneCard.in-order-of-work")));
        head.setAlignment(Pos.BASELINE_LEFT);
        getChildren().addAll(head, choices, steps, below, ownAndPartial());
        workbench.shelf().libraryProperty().addListener((property, before, now) -> shown.ifPresent(this::show));
    }

    private static Node choice(String label, ComboBox<String> box) {
        Label text = new Label(label);
        text.getStyleClass().add("quiet");
        text.setMinWidth(Region.USE_PREF_SIZE);
        box.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(box, Priority.ALWAYS);
        HBox line = new HBox(8, text, box);
        line.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(line, Priority.ALWAYS);
        return line;
    }

    private Node ownAndPartial() {
        HBox both = new HBox(16, saving(), partialCapo());
        both.getChildren().forEach(part -> HBox.setHgrow(part, Priority.ALWAYS));
        return both;
    }

    private Node saving() {
        name.setId("tuning-name");
        name.setPromptText(wording("RetuneCard.name-this-tuning"));
        name.setOnAction(event -> save());
        HBox.setHgrow(name, Priority.ALWAYS);
        return new HBox(
                8,
                name,
                Cards.button(
                        "save-tuning",
                        wording("RetuneCard.save"),
                        wording("RetuneCard.keep-this-tuning-under-a"),
                        this::save));
    }

    private void save() {
        shown.ifPresent(project -> {
            if (name.getText().isBlank()) {
                workbench.say(Message.error(wording("RetuneCard.your-tuning-needs-a-name")));
                return;
            }
            Library.OwnTuning own =
                    new Library.OwnTuning(name.getText(), project.instrument().tuning());
            workbench.shelf().keep(workbench.shelf().libraryProperty().get().with(own));
            workbench.say(Message.plain(wording("RetuneCard.saved-the-tuning", own.name())));
            name.clear();
            Cards.leave(name);
        });
    }

    private Node partialCapo() {
        partial.setId("partial-capo");
        partial.setPromptText(wording("RetuneCard.partial-capo-as-2-5"));
        partial.setAccessibleText(wording("RetuneCard.partial-capo-fret-and-strings"));
        partial.setOnAction(event -> setPartial());
        HBox.setHgrow(partial, Priority.ALWAYS);
        Node off = Cards.button(
                "partial-off", wording("RetuneCard.none"), wording("RetuneCard.take-the-partial-capo-off"), () -> {
                    partial.clear();
                    workbench.setPartialCapo(Optional.empty());
                });
        return new HBox(8, partial, off);
    }

    private void setPartial() {
        String text = partial.getText().trim();
        if (!text.matches("\\d{1,2}\\s*:\\s*\\d{1,2}\\s*-\\s*\\d{1,2}")) {
            workbench.say(Message.error(wording("RetuneCard.is-not-a-partial-capo", text)));
            return;
        }
        int[] numbers = Arrays.stream(text.split("\\s*[:-]\\s*"))
                .mapToInt(Integer::parseInt)
                .toArray();
        try {
            PartialCapo capo =
                    new PartialCapo(numbers[0], Math.max(numbers[1], numbers[2]), Math.min(numbers[1], numbers[2]));
            workbench.setPartialCapo(Optional.of(capo));
            Cards.leave(partial);
        } catch (IllegalArgumentException e) {
            workbench.say(Message.error(wording("RetuneCard.nothing-was-changed", e.getMessage())));
        }
    }

    private void startFrom(String label) {
        if (!showing && label != null) {
            tunedTo = workbench.shelf().tuning(label);
            shown.ifPresent(this::show);
        }
    }

    private void tuneTo(String label) {
        if (!showing && label != null) {
            workbench.setTuning(label);
        }
    }

    /** The song's tuning was changed: the guitar still has the one before. */
    void retuned(Tuning before) {
        tunedTo = before;
    }

    void show(Project project) {
        shown = Optional.of(project);
        Tuning wanted = project.instrument().tuning();
        showing = true;
        List<String> labels = new ArrayList<>();
        Arrays.stream(NamedTuning.values()).map(NamedTuning::label).forEach(labels::add);
        workbench.shelf().libraryProperty().get().tunings().stream()
                .map(Library.OwnTuning::name)
                .forEach(labels::add);
        fill(from, labels, label(tunedTo));
        fill(to, labels, label(wanted));
        project.instrument()
                .partial()
                .ifPresentOrElse(
                        capo -> partial.setText(capo.fret() + ": " + capo.bassString() + "-" + capo.trebleString()),
                        partial::clear);
        showing = false;
        showSteps(wanted);
    }

    private String label(Tuning tuning) {
        return workbench.shelf().libraryProperty().get().tunings().stream()
                .filter(own -> own.tuning().equals(tuning))
                .map(Library.OwnTuning::name)
                .findFirst()
                .orElseGet(tuning::label);
    }

    private static void fill(ComboBox<String> box, List<String> labels, String value) {
        List<String> all = new ArrayList<>(labels);
        if (!all.contains(value)) {
            all.add(value);
        }
        box.getItems().setAll(all);
        box.setValue(value);
    }

    private void showSteps(Tuning wanted) {
        steps.getChildren().clear();
        below.getChildren().clear();
        if (tunedTo.strings() != wanted.strings()) {
            steps.getChildren()
                    .add(Cards.quiet(
                            wording("RetuneCard.a-guitar-of-strings-cannot", tunedTo.strings(), wanted.strings())));
            return;
        }
        Retuning retuning = new Retuning(tunedTo, wanted);
        List<RetuningStep> turned = retuning.steps();
        turned.forEach(step -> steps.getChildren().add(turned(step)));
        retuning.checks().forEach((string, check) -> {
            if (turned.stream().noneMatch(step -> step.string() == string)) {
                steps.getChildren().add(stays(string, wanted.midi(string), check));
            }
        });
        showPull(wanted);
        if (turned.stream().anyMatch(step -> step.semitones() > 0)) {
            below.getChildren().add(Cards.caution(wording("RetuneCard.turn-up-slowly-with-the")));
        }
    }

    private void showPull(Tuning wanted) {
        Project project = shown.orElseThrow();
        StringSet set = project.strings();
        if (set.strings().size() != wanted.strings()) {
            below.getChildren()
                    .add(Cards.quiet(wording(
                            "RetuneCard.this-set-has-strings-and", set.strings().size(), wanted.strings())));
            return;
        }
        TensionReport report = TensionReport.of(project.instrument().guitar(), set, wanted);
        double before =
                TensionReport.of(project.instrument().guitar(), set, tunedTo).totalNewtons();
        double more = report.totalNewtons() - before;
        String change = Math.abs(more) < 0.5
                ? ""
                : String.format(
                        Words.figures(),
                        wording("RetuneCard.n-than-before"),
                        Math.abs(more),
                        more < 0 ? wording("RetuneCard.less") : wording("RetuneCard.more"));
        below.getChildren()
                .add(Cards.quiet(String.format(
                        Words.figures(),
                        wording("RetuneCard.all-together-n-kg"),
                        report.totalNewtons(),
                        report.totalNewtons() / GRAVITY,
                        change)));
        report.warnings().forEach(warning -> below.getChildren().add(Cards.caution(warning)));
    }

    private Node stays(int string, int midi, Optional<RetuningStep.Check> check) {
        Label pitch = pitch(Pitch.of(midi, Key.C_MAJOR).spoken(), "mono");
        return row(
                string,
                pitch,
                wording("RetuneCard.stays"),
                check.map(RetuningStep.Check::brief).orElse(wording("RetuneCard.by-its-pitch")),
                midi);
    }

    private Node turned(RetuningStep step) {
        String way =
                wording("RetuneCard.to", Pitch.of(step.fromMidi(), Key.C_MAJOR), Pitch.of(step.toMidi(), Key.C_MAJOR));
        Label pitch = pitch(way, "strong-mono");
        int size = Math.abs(step.semitones());
        Node row = row(
                step.string(),
                pitch,
                (step.semitones() < 0 ? wording("RetuneCard.down") : wording("RetuneCard.up")) + size,
                step.check().map(RetuningStep.Check::brief).orElse(wording("RetuneCard.by-the-tone-alone-no")),
                step.toMidi());
        row.getStyleClass().add("turned");
        if (step.semitones() > MOST_UP) {
            pitch.getStyleClass().add("alarm");
        }
        return row;
    }

    private static Label pitch(String text, String style) {
        Label label = new Label(text);
        label.getStyleClass().add(style);
        label.setMinWidth(PITCH_WIDTH);
        return label;
    }

    private Node row(int string, Label pitch, String move, String check, int midi) {
        Label number = new Label(String.valueOf(string));
        number.getStyleClass().addAll("mono", "quiet");
        number.setMinWidth(14);
        Label moves = new Label(move);
        moves.getStyleClass().add("caution");
        moves.setMinWidth(MOVE_WIDTH);
        Label words = Cards.small(check);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        String name = Pitch.of(midi, Key.C_MAJOR).spoken();
        Button hear = Cards.button(
                "hear-" + string,
                wording("RetuneCard.hear", name),
                wording("RetuneCard.hear-the-pitch-this-string"),
                () -> playback.hear(List.of(midi)));
        hear.getStyleClass().add("small");
        HBox row = new HBox(8, number, pitch, moves, words, hear);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("string-row");
        row.setAccessibleText(wording("RetuneCard.string", string, pitch.getText(), move, check));
        return row;
    }
}

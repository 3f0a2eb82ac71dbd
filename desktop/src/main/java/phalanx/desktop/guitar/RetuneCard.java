package phalanx.desktop.guitar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
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
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** How to get from one tuning to another by ear, string by string; own tunings; the partial capo. */
final class RetuneCard extends VBox {
    private static final int MOST_UP = 2;

    private final Workbench workbench;
    private final Playback playback;
    private final ComboBox<String> from = new ComboBox<>();
    private final ComboBox<String> to = new ComboBox<>();
    private final VBox steps = new VBox(8);
    private final TextField name = new TextField();
    private final TextField partial = new TextField();
    private Tuning tunedTo = Tuning.STANDARD;
    private Optional<Project> shown = Optional.empty();
    private boolean showing;

    RetuneCard(Workbench workbench, Playback playback) {
        this.workbench = workbench;
        this.playback = playback;
        from.setId("tuned-to");
        from.setAccessibleText("Tuning the guitar has now");
        from.setOnAction(event -> startFrom(from.getValue()));
        to.setId("tune-to");
        to.setAccessibleText("Tuning the song wants");
        to.setOnAction(event -> tuneTo(to.getValue()));
        steps.setId("retuning");
        getStyleClass().add("card");
        setSpacing(8);
        getChildren()
                .addAll(
                        Cards.heading("Retune by ear"),
                        choice("the guitar has", from),
                        choice("the song wants", to),
                        steps,
                        saving(),
                        Cards.heading("Partial capo"),
                        partialCapo());
        workbench.libraryProperty().addListener((property, before, now) -> shown.ifPresent(this::show));
    }

    private static Node choice(String label, ComboBox<String> box) {
        Label text = new Label(label);
        text.getStyleClass().add("quiet");
        text.setMinWidth(Region.USE_PREF_SIZE);
        box.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(box, Priority.ALWAYS);
        HBox line = new HBox(8, text, box);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private Node saving() {
        name.setId("tuning-name");
        name.setPromptText("name for this tuning");
        name.setOnAction(event -> save());
        HBox.setHgrow(name, Priority.ALWAYS);
        return new HBox(8, name, Cards.button("save-tuning", "Save", "Keep this tuning under a name", this::save));
    }

    private void save() {
        shown.ifPresent(project -> {
            if (name.getText().isBlank()) {
                workbench.say(Message.error("Your tuning needs a name to be saved under."));
                return;
            }
            Library.OwnTuning own =
                    new Library.OwnTuning(name.getText(), project.instrument().tuning());
            workbench.keep(workbench.libraryProperty().get().with(own));
            workbench.say(Message.plain("Saved the tuning \"" + own.name() + "\"."));
            name.clear();
            Cards.leave(name);
        });
    }

    private Node partialCapo() {
        partial.setId("partial-capo");
        partial.setPromptText("fret: strings, such as 2: 5-3");
        partial.setAccessibleText("Partial capo, fret and strings");
        partial.setOnAction(event -> setPartial());
        HBox.setHgrow(partial, Priority.ALWAYS);
        Node off = Cards.button("partial-off", "None", "Take the partial capo off", () -> {
            partial.clear();
            workbench.setPartialCapo(Optional.empty());
        });
        return new HBox(8, partial, off);
    }

    private void setPartial() {
        String text = partial.getText().trim();
        if (!text.matches("\\d{1,2}\\s*:\\s*\\d{1,2}\\s*-\\s*\\d{1,2}")) {
            workbench.say(Message.error("\"" + text
                    + "\" is not a partial capo such as 2: 5-3, fret 2 on strings 5 to 3. Nothing was changed."));
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
            workbench.say(Message.error(e.getMessage() + ". Nothing was changed."));
        }
    }

    private void startFrom(String label) {
        if (!showing && label != null) {
            tunedTo = workbench.tuning(label);
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
        workbench.libraryProperty().get().tunings().stream()
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
        return workbench.libraryProperty().get().tunings().stream()
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
        if (tunedTo.strings() != wanted.strings()) {
            steps.getChildren()
                    .add(Cards.quiet("A guitar of " + tunedTo.strings() + " strings cannot be tuned to "
                            + wanted.strings() + " pitches."));
            return;
        }
        List<RetuningStep> all = new Retuning(tunedTo, wanted).steps();
        if (all.isEmpty()) {
            steps.getChildren().add(Cards.quiet("No string moves. To check by ear, from the lowest:"));
            new Retuning(tunedTo, wanted).checks().forEach((string, check) -> steps.getChildren()
                    .add(check(string, wanted.midi(string), check)));
        }
        for (int i = 0; i < all.size(); i++) {
            steps.getChildren().add(step(i + 1, all.get(i)));
        }
        if (all.stream().anyMatch(step -> step.semitones() > 0)) {
            steps.getChildren().add(Cards.caution("Turn up slowly, with the face away from the strings."));
        }
    }

    private Node check(int string, int midi, Optional<RetuningStep.Check> check) {
        String words = check.map(RetuningStep.Check::words).orElse("by its pitch");
        return line(Cards.small("string " + string + ": " + words), string, midi);
    }

    private Node line(Region words, int string, int midi) {
        HBox.setHgrow(words, Priority.ALWAYS);
        String pitch = Pitch.of(midi, Key.C_MAJOR).toString();
        Node hear = Cards.button(
                "hear-" + string,
                "Hear " + pitch,
                "Hear the pitch this string should have",
                () -> playback.hear(List.of(midi)));
        HBox line = new HBox(8, words, Cards.space(), hear);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private Node step(int number, RetuningStep step) {
        String target = Pitch.of(step.toMidi(), Key.C_MAJOR).toString();
        Label what = new Label(number + "   string " + step.string() + ": "
                + Pitch.of(step.fromMidi(), Key.C_MAJOR) + (step.semitones() < 0 ? " down to " : " up to ") + target
                + ", " + Math.abs(step.semitones()) + (Math.abs(step.semitones()) == 1 ? " semitone" : " semitones"));
        what.getStyleClass().add(step.semitones() > MOST_UP ? "alarm" : "strong");
        what.setWrapText(true);
        Label check = Cards.small(
                step.check().map(RetuningStep.Check::words).orElse("by the tone alone: no string is right yet"));
        return line(new VBox(2, what, check), step.string(), step.toMidi());
    }
}

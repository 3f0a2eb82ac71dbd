package phalanx.desktop.guitar;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.NumberField;
import phalanx.formats.library.Library;
import phalanx.guitar.Guitar;
import phalanx.guitar.StringSet;
import phalanx.project.Project;

/** The guitar's measures: the usual ones by kind, own ones by name, and each by itself. */
final class GuitarCard extends VBox {
    private static final String STEEL = "steel-string guitar";
    private static final String NYLON = "nylon-string guitar";

    private final Workbench workbench;
    private final ComboBox<String> kinds = new ComboBox<>();
    private final TextField name = new TextField();
    private final NumberField scale;
    private final NumberField nut;
    private final NumberField saddle;
    private final NumberField frets;
    private final NumberField joint;
    private boolean showing;

    GuitarCard(Workbench workbench) {
        this.workbench = workbench;
        kinds.setId("guitar-kind");
        kinds.setMaxWidth(Double.MAX_VALUE);
        kinds.setPromptText("choose a guitar");
        kinds.setAccessibleText("Guitar");
        kinds.setOnAction(event -> choose(kinds.getValue()));
        scale = field(
                "scale", "scale length", "mm", "Nut to saddle, 300 to 1000 mm", (guitar, mm) -> guitar.withScale(mm));
        nut = field(
                "nut-span",
                "at the nut",
                "mm",
                "Between the two outer strings at the nut",
                (guitar, mm) -> guitar.withSpans(mm, guitar.saddleSpanMm()));
        saddle = field(
                "saddle-span",
                "at the saddle",
                "mm",
                "Between the two outer strings at the saddle",
                (guitar, mm) -> guitar.withSpans(guitar.nutSpanMm(), mm));
        frets = field(
                "frets",
                "frets",
                "",
                "How many frets there are, 12 to 30",
                (guitar, count) -> guitar.withFrets((int) count, guitar.bodyJoint()));
        joint = field(
                "joint",
                "body joins at fret",
                "",
                "The fret at which the neck meets the body",
                (guitar, fret) -> guitar.withFrets(guitar.frets(), (int) fret));
        getStyleClass().add("card");
        setSpacing(8);
        getChildren().addAll(Cards.heading("Guitar"), kinds, scale, nut, saddle, frets, joint, saving());
        workbench.libraryProperty().addListener((property, before, now) -> showKinds(now));
        showKinds(workbench.libraryProperty().get());
    }

    private interface Measure {
        Guitar apply(Guitar guitar, double value);
    }

    private NumberField field(String id, String label, String unit, String help, Measure measure) {
        return new NumberField(id, label, unit, help, value -> {
            Optional<Project> project = workbench.project();
            if (project.isPresent()) {
                try {
                    Guitar guitar = measure.apply(project.get().instrument().guitar(), value);
                    workbench.setGuitar(guitar, project.get().strings(), label + " " + value + " " + unit);
                } catch (IllegalArgumentException e) {
                    workbench.say(Message.error(e.getMessage() + ". Nothing was changed."));
                    show(project.get());
                }
            }
        });
    }

    private Node saving() {
        name.setId("guitar-name");
        name.setPromptText("name of your guitar");
        HBox.setHgrow(name, Priority.ALWAYS);
        name.setOnAction(event -> save());
        HBox line =
                new HBox(8, name, Cards.button("save-guitar", "Save", "Keep these measures and strings", this::save));
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private void save() {
        workbench.project().ifPresent(project -> {
            if (name.getText().isBlank()) {
                workbench.say(Message.error("Your guitar needs a name to be saved under."));
                return;
            }
            Library.OwnGuitar own =
                    new Library.OwnGuitar(name.getText(), project.instrument().guitar(), project.strings());
            workbench.keep(workbench.libraryProperty().get().with(own));
            workbench.say(Message.plain("Saved the guitar \"" + own.name() + "\"."));
            name.clear();
            Cards.leave(name);
        });
    }

    private void showKinds(Library library) {
        showing = true;
        List<String> own =
                library.guitars().stream().map(Library.OwnGuitar::name).toList();
        kinds.getItems().setAll(STEEL, NYLON);
        kinds.getItems().addAll(own);
        showing = false;
    }

    private void choose(String kind) {
        if (showing || kind == null) {
            return;
        }
        switch (kind) {
            case STEEL -> workbench.setGuitar(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), kind);
            case NYLON -> workbench.setGuitar(Guitar.NYLON, StringSet.Named.NYLON_NORMAL.set(), kind);
            default ->
                workbench.libraryProperty().get().guitars().stream()
                        .filter(own -> own.name().equals(kind))
                        .findFirst()
                        .ifPresent(own -> workbench.setGuitar(own.guitar(), own.strings(), "guitar " + kind));
        }
    }

    void show(Project project) {
        Guitar guitar = project.instrument().guitar();
        showing = true;
        kinds.setValue(nameOf(guitar));
        showing = false;
        scale.show(guitar.scaleMm());
        nut.show(guitar.nutSpanMm());
        saddle.show(guitar.saddleSpanMm());
        frets.show(guitar.frets());
        joint.show(guitar.bodyJoint());
    }

    private String nameOf(Guitar guitar) {
        if (guitar.equals(Guitar.STEEL)) {
            return STEEL;
        }
        if (guitar.equals(Guitar.NYLON)) {
            return NYLON;
        }
        return workbench.libraryProperty().get().guitars().stream()
                .filter(own -> own.guitar().equals(guitar))
                .map(Library.OwnGuitar::name)
                .findFirst()
                .orElse(null);
    }
}

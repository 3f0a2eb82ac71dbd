package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Chip;
import phalanx.formats.library.Library;
import phalanx.guitar.Guitar;
import phalanx.guitar.StringSet;
import phalanx.project.Project;
import phalanx.words.Words;

/** Over the neck: which guitar it is with which strings, its measures, and whether harmonic nodes are shown. */
final class GuitarBar extends FlowPane {
    private static final String STEEL = wording("GuitarBar.steel-string-guitar");
    private static final double CHOOSER = 156;
    private static final String NYLON = wording("GuitarBar.nylon-string-guitar");

    private final Workbench workbench;
    private final ComboBox<String> kinds = new ComboBox<>();
    private final ComboBox<String> sets = new ComboBox<>();
    private final Chip keep =
            new Chip("keep-guitar", wording("GuitarBar.keep-as"), wording("GuitarBar.keep-these-measures-and-strings"));
    private final MeasureChip scale;
    private final MeasureChip nut;
    private final MeasureChip saddle;
    private final MeasureChip frets;
    private final MeasureChip joint;
    private boolean showing;

    GuitarBar(Workbench workbench, Runnable nodesSwitched, CheckBox nodes) {
        super(6, 6);
        this.workbench = workbench;
        kinds.setId("guitar-kind");
        kinds.setPromptText(wording("GuitarBar.a-guitar-of-your-own"));
        kinds.setAccessibleText(wording("GuitarBar.guitar-word"));
        kinds.setOnAction(event -> choose(kinds.getValue()));
        sets.setId("string-set");
        sets.setAccessibleText(wording("GuitarBar.string-set"));
        Arrays.stream(StringSet.Named.values()).map(StringSet.Named::label).forEach(sets.getItems()::add);
        sets.setOnAction(event -> string(sets.getValue()));
        scale = measure(
                "scale",
                wording("GuitarBar.scale"),
                "mm",
                wording("GuitarBar.scale-length-nut-to-saddle"),
                new double[] {628, 640, 645, 650, 660},
                (guitar, mm) -> guitar.withScale(mm));
        nut = measure(
                "nut-span",
                wording("GuitarBar.nut"),
                "mm",
                wording("GuitarBar.between-the-two-outer-strings"),
                new double[] {35, 37, 39, 43},
                (guitar, mm) -> guitar.withSpans(mm, guitar.saddleSpanMm()));
        saddle = measure(
                "saddle-span",
                wording("GuitarBar.saddle"),
                "mm",
                wording("GuitarBar.between-the-two-outer-strings-2"),
                new double[] {52, 54, 56, 59},
                (guitar, mm) -> guitar.withSpans(guitar.nutSpanMm(), mm));
        frets = measure(
                "frets",
                wording("GuitarBar.frets"),
                "",
                wording("GuitarBar.how-many-frets-there-are"),
                new double[] {18, 19, 20, 21, 22},
                (guitar, count) -> guitar.withFrets((int) count, guitar.bodyJoint()));
        joint = measure(
                "joint",
                wording("GuitarBar.body-at-fret"),
                "",
                wording("GuitarBar.the-fret-at-which-the"),
                new double[] {12, 14},
                (guitar, fret) -> guitar.withFrets(guitar.frets(), (int) fret));
        kinds.setPrefWidth(CHOOSER);
        sets.setPrefWidth(CHOOSER);
        keep.getStyleClass().add("measure");
        keep.valueProperty().set("\u2026");
        keep.setEditor(this::keeping);
        nodes.setId("harmonic-nodes");
        nodes.setOnAction(event -> nodesSwitched.run());
        setAlignment(Pos.CENTER_LEFT);
        getChildren()
                .addAll(kinds, sets, scale.chip(), nut.chip(), saddle.chip(), frets.chip(), joint.chip(), keep, nodes);
        workbench.shelf().libraryProperty().addListener((property, before, now) -> showKinds(now));
        showKinds(workbench.shelf().libraryProperty().get());
    }

    private interface Measure {
        Guitar apply(Guitar guitar, double value);
    }

    private MeasureChip measure(String id, String name, String unit, String help, double[] usual, Measure measure) {
        return new MeasureChip(id, name, unit, help, usual, workbench, value -> workbench
                .project()
                .ifPresent(project -> {
                    Guitar guitar = measure.apply(project.instrument().guitar(), value);
                    workbench.setGuitar(
                            guitar, project.strings(), (name + " " + Words.figure(value) + " " + unit).trim());
                }));
    }

    private VBox keeping() {
        VBox editor = new VBox(8);
        editor.getStyleClass().add("editor");
        TextField name = new TextField();
        name.setId("guitar-name");
        name.setPromptText(wording("GuitarBar.name-of-your-guitar"));
        name.setAccessibleText(wording("GuitarBar.name-of-your-guitar-2"));
        name.setOnAction(event -> save(name.getText()));
        editor.getChildren()
                .addAll(
                        name,
                        Cards.button(
                                "save-guitar",
                                wording("GuitarBar.save"),
                                wording("GuitarBar.keep-these-measures-and-strings-2"),
                                () -> save(name.getText())));
        editor.focusedProperty().addListener((property, before, now) -> name.requestFocus());
        editor.setFocusTraversable(true);
        return editor;
    }

    private void save(String name) {
        workbench.project().ifPresent(project -> {
            if (name.isBlank()) {
                workbench.say(Message.error(wording("GuitarBar.your-guitar-needs-a-name")));
                return;
            }
            Library.OwnGuitar own =
                    new Library.OwnGuitar(name, project.instrument().guitar(), project.strings());
            workbench.shelf().keep(workbench.shelf().libraryProperty().get().with(own));
            workbench.say(Message.plain(wording("GuitarBar.saved-the-guitar", own.name())));
            keep.close();
        });
    }

    private void showKinds(Library library) {
        showing = true;
        String value = kinds.getValue();
        List<String> own =
                library.guitars().stream().map(Library.OwnGuitar::name).toList();
        kinds.getItems().setAll(STEEL, NYLON);
        kinds.getItems().addAll(own);
        kinds.setValue(value);
        showing = false;
        workbench.project().ifPresent(this::show);
    }

    private void choose(String kind) {
        if (showing || kind == null) {
            return;
        }
        if (kind.equals(STEEL)) {
            workbench.setGuitar(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), kind);
        } else if (kind.equals(NYLON)) {
            workbench.setGuitar(Guitar.NYLON, StringSet.Named.NYLON_NORMAL.set(), kind);
        } else {
            workbench.shelf().libraryProperty().get().guitars().stream()
                    .filter(own -> own.name().equals(kind))
                    .findFirst()
                    .ifPresent(
                            own -> workbench.setGuitar(own.guitar(), own.strings(), wording("GuitarBar.guitar", kind)));
        }
    }

    private void string(String label) {
        if (showing || label == null) {
            return;
        }
        Optional<StringSet.Named> named = Arrays.stream(StringSet.Named.values())
                .filter(set -> set.label().equals(label))
                .findFirst();
        workbench
                .project()
                .ifPresent(project -> named.ifPresent(set -> workbench.setGuitar(
                        project.instrument().guitar(), set.set(), wording("GuitarBar.strings", label))));
    }

    void show(Project project) {
        Guitar guitar = project.instrument().guitar();
        showing = true;
        kinds.setValue(nameOf(guitar));
        sets.setValue(project.strings().label());
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
        return workbench.shelf().libraryProperty().get().guitars().stream()
                .filter(own -> own.guitar().equals(guitar))
                .map(Library.OwnGuitar::name)
                .findFirst()
                .orElse(null);
    }
}

package phalanx.desktop.guitar;

import java.util.Arrays;
import java.util.Locale;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Workbench;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.GuitarString;
import phalanx.guitar.StringSet;
import phalanx.guitar.TensionReport;
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** The strings with their pitch, gauge and pull, the total, and what is risky. */
final class StringsCard extends VBox {
    private final Workbench workbench;
    private final ComboBox<String> sets = new ComboBox<>();
    private final GridPane table = new GridPane();
    private final VBox below = new VBox(8);
    private boolean showing;

    StringsCard(Workbench workbench) {
        this.workbench = workbench;
        sets.setId("string-set");
        sets.setMaxWidth(Double.MAX_VALUE);
        sets.setAccessibleText("String set");
        Arrays.stream(StringSet.Named.values()).map(StringSet.Named::label).forEach(sets.getItems()::add);
        sets.setOnAction(event -> choose(sets.getValue()));
        table.setHgap(12);
        table.setVgap(4);
        table.setId("tensions");
        below.setId("tension-warnings");
        getStyleClass().add("card");
        setSpacing(8);
        getChildren().addAll(Cards.heading("Strings"), sets, table, below);
    }

    private void choose(String label) {
        if (showing || label == null) {
            return;
        }
        workbench.project().ifPresent(project -> Arrays.stream(StringSet.Named.values())
                .filter(named -> named.label().equals(label))
                .findFirst()
                .ifPresent(
                        named -> workbench.setGuitar(project.instrument().guitar(), named.set(), "strings " + label)));
    }

    void show(Project project) {
        showing = true;
        sets.setValue(project.strings().name());
        showing = false;
        table.getChildren().clear();
        below.getChildren().clear();
        Tuning tuning = project.instrument().tuning();
        if (tuning.strings() != project.strings().strings().size()) {
            below.getChildren()
                    .add(Cards.quiet(
                            "This set has " + project.strings().strings().size() + " strings and the tuning "
                                    + tuning.strings() + ", so nothing is measured."));
            return;
        }
        TensionReport report = TensionReport.of(project.instrument().guitar(), project.strings(), tuning);
        head("", 0);
        head("open", 1);
        head("mm", 2);
        head("pull", 3);
        for (int string = 1; string <= tuning.strings(); string++) {
            GuitarString own = project.strings().string(string);
            double newtons = report.newtons().get(tuning.strings() - string);
            cell(string + "", 0, string, HPos.LEFT);
            cell(Pitch.of(tuning.midi(string), Key.C_MAJOR).toString(), 1, string, HPos.LEFT);
            cell(String.format(Locale.ROOT, "%.2f", own.gaugeMm()), 2, string, HPos.RIGHT);
            cell(String.format(Locale.ROOT, "%.0f N", newtons), 3, string, HPos.RIGHT);
            Label material = new Label(own.material().label());
            material.getStyleClass().add("caution");
            table.add(material, 4, string);
        }
        String total =
                String.format(Locale.ROOT, "%.0f N (%.0f kg)", report.totalNewtons(), report.totalNewtons() / 9.81);
        below.getChildren().add(Cards.line("all together", total));
        report.warnings().forEach(warning -> below.getChildren().add(Cards.caution(warning)));
    }

    private void head(String text, int column) {
        Label label = new Label(text);
        label.getStyleClass().add("caution");
        label.setMinWidth(Region.USE_PREF_SIZE);
        table.add(label, column, 0);
    }

    private void cell(String text, int column, int row, HPos side) {
        Label label = new Label(text);
        label.getStyleClass().add("mono");
        label.setMinWidth(Region.USE_PREF_SIZE);
        Node cell = label;
        GridPane.setHalignment(cell, side);
        table.add(cell, column, row);
    }
}

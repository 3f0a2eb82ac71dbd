package phalanx.desktop.arrange;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import phalanx.arrange.ArrangedNote;
import phalanx.arrange.ArrangedSlot;
import phalanx.arrange.Arrangement;
import phalanx.arrange.Finding;
import phalanx.desktop.Theme;
import phalanx.desktop.widget.EffortBars;
import phalanx.desktop.widget.NeckCrop;
import phalanx.song.Bar;
import phalanx.theory.Pitch;

/** What the selected moment asks of the hands, and why. */
final class WhyDrawer extends ScrollPane {
    private static final double WIDTH = 308;
    private static final double SIGN = 12;

    private final Label place = new Label();
    private final NeckCrop neck = new NeckCrop();
    private final VBox notes = new VBox(4);
    private final EffortBars effort = new EffortBars();
    private final VBox findings = new VBox(8);
    private final VBox legend = new VBox(4);
    private Theme theme = Theme.SPRUCE;

    WhyDrawer() {
        place.setId("place");
        place.getStyleClass().add("heading");
        findings.setId("findings");
        VBox content = new VBox(place, neck, notes, effort, findings, legend);
        content.getStyleClass().add("why");
        getStyleClass().add("why-drawer");
        setContent(content);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setFocusTraversable(false);
        showLegend();
    }

    void useTheme(Theme next) {
        theme = next;
        neck.useTheme(next);
        showLegend();
    }

    private void showLegend() {
        Label title = new Label("In the score");
        title.getStyleClass().add("heading");
        legend.getChildren()
                .setAll(
                        title,
                        legendLine(new Rectangle(SIGN, SIGN), "bass", "square: bass, with the thumb"),
                        legendLine(new Circle(SIGN / 2), "melody", "round: the tune"),
                        legendLine(new Rectangle(SIGN, 3), "inner", "bare figure: inner note; bar: how long it rings"));
    }

    private Node legendLine(Shape sign, String token, String words) {
        sign.setFill(theme.colour(token));
        StackPane place = new StackPane(sign);
        place.setMinWidth(SIGN + 6);
        Label text = new Label(words);
        text.setWrapText(true);
        text.getStyleClass().add("caution");
        HBox line = new HBox(8, place, text);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    void show(Arrangement arrangement, int tick) {
        Bar bar = arrangement.song().barAt(tick);
        place.setText("Bar " + bar.number() + ", beat " + number(bar.beatOf(tick)));
        ArrangedSlot slot = arrangement.slotAt(tick);
        List<ArrangedNote> struck =
                arrangement.notes().stream().filter(note -> note.tick() == tick).toList();
        List<Integer> strings = struck.stream().map(ArrangedNote::string).toList();
        neck.show(arrangement.request().instrument(), arrangement.request().hand(), slot.fingering(), strings);
        notes.getChildren()
                .setAll(struck.stream().map(note -> noteLine(arrangement, note)).toList());
        effort.show(slot.effort(), theme);
        showFindings(arrangement, bar);
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%.2f", value).replaceAll("0+$", "").replaceAll("\\.$", "");
    }

    private static Node noteLine(Arrangement arrangement, ArrangedNote note) {
        String pitch = Pitch.of(note.midi(), arrangement.song().key()).toString();
        String finger = note.left().map(left -> "finger " + left.symbol()).orElse("open");
        Label label = new Label(String.format(
                "%s  %-6s %-3s  string %d, %s",
                note.right().symbol(), note.role().label(), pitch, note.string(), finger));
        label.getStyleClass().add("mono");
        label.setStyle("-fx-font-size: 13px;");
        return label;
    }

    private void showFindings(Arrangement arrangement, Bar bar) {
        List<Finding> here = arrangement.findings().stream()
                .filter(finding -> finding.bar() == bar.number())
                .toList();
        String heading = here.isEmpty()
                ? "No findings in this bar"
                : here.size() == 1 ? "Finding in this bar" : here.size() + " findings in this bar";
        Label title = new Label(heading);
        title.getStyleClass().add("heading");
        findings.getChildren().setAll(title);
        here.forEach(finding -> findings.getChildren().add(findingBox(finding)));
    }

    private static Node findingBox(Finding finding) {
        Label text = new Label(finding.message());
        text.setWrapText(true);
        text.setMinHeight(Region.USE_PREF_SIZE);
        VBox box = new VBox(text);
        box.getStyleClass().add("finding");
        if (finding.severity() == Finding.Severity.LOW) {
            box.getStyleClass().add("low");
        }
        return box;
    }
}

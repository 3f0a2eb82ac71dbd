package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.RadioButton;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Choices;
import phalanx.desktop.widget.Veil;
import phalanx.formats.library.Looks;
import phalanx.theory.NoteNames;
import phalanx.words.Language;

/** How the player wants to see everything; each choice shows at once. */
final class ViewPanel extends Veil {
    private static final double WIDTH = 520;
    private static final double GAP = 10;
    private static final int STEP = 10;

    private final Consumer<View> use;
    private final ToggleGroup themes = new ToggleGroup();
    private final Slider size = new Slider(Looks.SMALLEST, Looks.LARGEST, View.FIRST.percent());
    private final Label percent = new Label();
    private final CheckBox leftHanded = new CheckBox(wording("ViewPanel.necks-for-a-left-handed"));
    private final CheckBox still = new CheckBox(wording("ViewPanel.nothing-moves-by-itself-but"));
    private final ComboBox<Optional<Language>> languages = new ComboBox<>();
    private final ComboBox<NoteNames> notes = new ComboBox<>();
    private View shown = View.FIRST;
    /** While the controls are set to what holds, they change nothing. */
    private boolean setting;

    ViewPanel(Consumer<View> use) {
        super("looks");
        this.use = use;
        VBox card = new VBox(GAP, Cards.heading(wording("ViewPanel.how-it-looks")));
        card.getStyleClass().addAll("card", "question");
        card.setPadding(new Insets(GAP * 2));
        card.setMaxSize(WIDTH, USE_PREF_SIZE);
        for (Theme theme : Theme.values()) {
            RadioButton button = new RadioButton(theme.label() + ": " + theme.about());
            button.setId("theme-" + theme.word());
            button.setUserData(theme);
            button.setToggleGroup(themes);
            card.getChildren().add(button);
        }
        themes.selectedToggleProperty().addListener((property, before, now) -> {
            if (now != null) {
                change(shown.with((Theme) now.getUserData()));
            }
        });
        size.setId("view-size");
        size.setAccessibleText(wording("ViewPanel.size-of-everything-in-hundredths"));
        size.setMajorTickUnit(2 * STEP);
        size.setMinorTickCount(1);
        size.setSnapToTicks(true);
        size.setShowTickMarks(true);
        size.setBlockIncrement(STEP);
        size.setPrefWidth(WIDTH / 2);
        // a size that changes under the pointer takes the slider away from it
        size.valueProperty().addListener((property, before, now) -> {
            percent.setText(now.intValue() + " %");
            if (!size.isValueChanging()) {
                change(shown.sized(now.intValue()));
            }
        });
        size.valueChangingProperty().addListener((property, before, now) -> {
            if (!now) {
                change(shown.sized((int) size.getValue()));
            }
        });
        HBox sizes = new HBox(GAP, new Label(wording("ViewPanel.size")), size, percent);
        sizes.setAlignment(Pos.CENTER_LEFT);
        leftHanded.setId("left-handed");
        leftHanded.selectedProperty().addListener((property, before, now) -> change(shown.leftHanded(now)));
        still.setId("still");
        still.selectedProperty().addListener((property, before, now) -> change(shown.still(now)));
        Button close = Cards.button(
                "looks-close", wording("ViewPanel.close-esc"), wording("ViewPanel.go-back-to-where-you"), this::escape);
        card.getChildren().addAll(sizes, leftHanded, still, language(), notes(), close);
        getChildren().add(card);
    }

    private HBox language() {
        List<Optional<Language>> all = new ArrayList<>(List.of(Optional.empty()));
        Stream.of(Language.values()).map(Optional::of).forEach(all::add);
        languages.getItems().setAll(all);
        return choice(
                languages,
                "language",
                wording("ViewPanel.language"),
                one -> one.map(Language::label).orElse(wording("ViewPanel.as-the-system")),
                one -> change(shown.speaking(one)));
    }

    private HBox notes() {
        notes.getItems().setAll(NoteNames.values());
        return choice(
                notes,
                "note-names",
                wording("ViewPanel.notes"),
                NoteNames::label,
                names -> change(shown.naming(names)));
    }

    /** A choice that takes hold when Phalanx begins anew. */
    private static <T> HBox choice(
            ComboBox<T> box, String id, String label, Function<T, String> words, Consumer<T> use) {
        box.setId(id);
        box.setAccessibleText(label);
        Choices.shownAs(box, words);
        box.valueProperty().addListener((property, before, now) -> use.accept(now));
        HBox line = new HBox(GAP, new Label(label), box, Cards.quiet(wording("ViewPanel.from-the-next-start-on")));
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private void change(View next) {
        if (!setting && !next.equals(shown)) {
            shown = next;
            use.accept(next);
        }
    }

    /** Comes up with what holds now. */
    void show(View now) {
        setting = true;
        shown = now;
        themes.getToggles().forEach(toggle -> toggle.setSelected(toggle.getUserData() == now.theme()));
        size.setValue(now.percent());
        percent.setText(now.percent() + " %");
        leftHanded.setSelected(now.leftHanded());
        still.setSelected(now.still());
        languages.setValue(now.language());
        notes.setValue(now.notes());
        setting = false;
        open(size);
    }

    @Override
    public void escape() {
        close();
    }
}

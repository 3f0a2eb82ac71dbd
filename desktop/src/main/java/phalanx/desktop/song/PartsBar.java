package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import phalanx.desktop.widget.Cards;
import phalanx.formats.reading.Choice;

/** Which parts, tracks or tunes of an opened file are the tune, a second voice under it and the bass; shown for several. */
final class PartsBar extends FlowPane {
    private static final double WIDEST = 150;

    private final ComboBox<String> tune = box("parts", wording("PartsBar.part-track-or-tune-of"));
    private final ComboBox<String> harmony = box("harmony-part", wording("PartsBar.a-part-whose-notes-under"));
    private final ComboBox<String> bass = box("bass-part", wording("PartsBar.a-part-that-the-thumb"));
    private final Consumer<Choice> onChoice;

    /** @param onChoice takes another choice than the one shown */
    PartsBar(Consumer<Choice> onChoice) {
        super(10, 6);
        this.onChoice = onChoice;
        setId("parts-bar");
        managedProperty().bind(visibleProperty());
        setVisible(false);
        getChildren()
                .addAll(
                        labelled(wording("PartsBar.tune"), tune),
                        labelled(wording("PartsBar.second-voice"), harmony),
                        labelled(wording("PartsBar.own-bass"), bass));
    }

    private static ComboBox<String> box(String id, String words) {
        ComboBox<String> box = new ComboBox<>();
        box.setId(id);
        box.setAccessibleText(words);
        box.setPrefWidth(WIDEST);
        return box;
    }

    private static HBox labelled(String words, ComboBox<String> box) {
        HBox both = new HBox(6, Cards.hint(words), box);
        both.setAlignment(Pos.CENTER_LEFT);
        return both;
    }

    /** Shows the parts there are and which of them are read. */
    void show(List<String> choices, Choice chosen) {
        List.of(tune, harmony, bass).forEach(box -> box.setOnAction(null));
        setVisible(!choices.isEmpty());
        List<String> names = withoutTitle(choices);
        tune.getItems().setAll(names);
        tune.getSelectionModel().select(chosen.tune().orElse(0));
        List<String> orNone = new ArrayList<>(List.of(wording("PartsBar.none")));
        orNone.addAll(names);
        harmony.getItems().setAll(orNone);
        harmony.getSelectionModel().select(1 + chosen.harmony().orElse(-1));
        bass.getItems().setAll(orNone);
        bass.getSelectionModel().select(1 + chosen.bass().orElse(-1));
        // another tune of the file may have no such parts
        tune.setOnAction(event -> onChoice.accept(
                Choice.ofTune(OptionalInt.of(tune.getSelectionModel().getSelectedIndex()))));
        List.of(harmony, bass).forEach(box -> box.setOnAction(event -> onChoice.accept(choice())));
    }

    /** The voices of one tune all begin with its title, which says nothing here. */
    private static List<String> withoutTitle(List<String> choices) {
        String title =
                choices.isEmpty() ? "" : choices.get(0).replaceFirst(wording("PartsBar.voice") + ".*", "") + ", ";
        boolean one = choices.stream().allMatch(name -> name.startsWith(title));
        return one
                ? choices.stream().map(name -> name.substring(title.length())).toList()
                : choices;
    }

    private Choice choice() {
        return new Choice(OptionalInt.of(tune.getSelectionModel().getSelectedIndex()), orNone(harmony), orNone(bass));
    }

    private static OptionalInt orNone(ComboBox<String> box) {
        int index = box.getSelectionModel().getSelectedIndex();
        return index < 1 ? OptionalInt.empty() : OptionalInt.of(index - 1);
    }
}

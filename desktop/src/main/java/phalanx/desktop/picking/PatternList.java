package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.righthand.Pattern;
import phalanx.song.Meter;
import phalanx.words.Words;

/** The patterns to choose from, by family; going over one shows it, Enter tries it. */
final class PatternList extends VBox {
    private final ListView<Pattern> list = new ListView<>();
    private final CheckBox fitting = new CheckBox(wording("PatternList.in-the-song-s-meter"));
    private final Label serves = Cards.quiet("");
    private List<Pattern> all = List.of();
    private Meter meter = Meter.COMMON;

    /**
     * @param onShow takes a pattern that is gone over
     * @param onTry takes one that is to be tried
     */
    PatternList(Consumer<Pattern> onShow, Consumer<Pattern> onTry) {
        super(8);
        getStyleClass().add("card");
        list.setId("patterns");
        list.setAccessibleText(wording("PatternList.patterns-enter-tries-one"));
        list.setCellFactory(view -> new Cell());
        VBox.setVgrow(list, Priority.ALWAYS);
        fitting.setSelected(true);
        fitting.setId("patterns-fitting");
        fitting.setOnAction(event -> fill());
        serves.setId("pattern-serves");
        serves.setMinHeight(64);
        getChildren().addAll(Cards.heading(wording("PatternList.patterns")), fitting, list, serves);
        list.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> {
            if (now != null) {
                serves.setText(words(now));
                onShow.accept(now);
            }
        });
        list.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ENTER && !event.isShortcutDown()) {
                chosen().ifPresent(onTry);
                event.consume();
            }
        });
        list.setOnMouseClicked(event -> {
            if (event.getClickCount() == 2) {
                chosen().ifPresent(onTry);
            }
        });
    }

    private Optional<Pattern> chosen() {
        return Optional.ofNullable(list.getSelectionModel().getSelectedItem());
    }

    void show(List<Pattern> patterns, Meter songMeter) {
        if (!patterns.equals(all) || !songMeter.equals(meter)) {
            all = patterns;
            meter = songMeter;
            fill();
        }
    }

    /** Marks a pattern that is shown elsewhere, if it is in the list. */
    void mark(Pattern shown) {
        serves.setText(shown.serves().isEmpty() ? "" : words(shown));
        if (list.getItems().contains(shown)) {
            list.getSelectionModel().select(shown);
            list.scrollTo(Math.max(0, list.getSelectionModel().getSelectedIndex() - 3));
        }
    }

    private static String words(Pattern pattern) {
        return Words.shipped(pattern.family()) + ": " + Words.shipped(pattern.serves());
    }

    private void fill() {
        Optional<Pattern> before = chosen();
        list.getItems()
                .setAll(all.stream()
                        .filter(pattern ->
                                !fitting.isSelected() || pattern.meter().equals(meter))
                        .toList());
        before.filter(list.getItems()::contains).ifPresent(list.getSelectionModel()::select);
    }

    private static final class Cell extends ListCell<Pattern> {
        Cell() {
            // as wide as the list: longer names are cut off, not scrolled to
            setPrefWidth(0);
        }

        @Override
        protected void updateItem(Pattern pattern, boolean empty) {
            super.updateItem(pattern, empty);
            setText(
                    empty || pattern == null
                            ? null
                            : pattern.name() + "\n" + Words.shipped(pattern.family()) + ", " + pattern.meter());
        }
    }
}

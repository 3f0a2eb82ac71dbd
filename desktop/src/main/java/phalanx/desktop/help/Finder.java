package phalanx.desktop.help;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Veil;
import phalanx.desktop.widget.WordsCell;

/** Finds a command by what it does: typed words narrow the list, Enter does what is chosen. */
public final class Finder extends Veil {
    private static final double WIDTH = 620;
    private static final double HEIGHT = 460;
    private static final double GAP = 12;

    /**
     * Something that can be done.
     *
     * @param words what it does
     * @param keys that do it, or empty
     * @param run does it
     */
    public record Command(String words, String keys, Runnable run) {
        boolean matches(List<String> typed) {
            String text = (words + " " + keys).toLowerCase(Locale.ROOT);
            return typed.stream().allMatch(text::contains);
        }
    }

    private final TextField field = new TextField();
    private final ListView<Command> list = new ListView<>();
    private final Label none = Cards.quiet(wording("Finder.nothing-is-called-so-fewer"));
    private List<Command> all = List.of();

    public Finder() {
        super("finder");
        field.setId("finder-field");
        field.setPromptText(wording("Finder.what-do-you-want-to"));
        field.setAccessibleText(wording("Finder.find-a-command"));
        field.textProperty().addListener((property, before, now) -> narrow());
        list.setId("finder-list");
        list.setAccessibleText(wording("Finder.commands-that-are-found"));
        list.getStyleClass().add("plain-list");
        list.setFocusTraversable(false);
        list.setPlaceholder(none);
        list.setCellFactory(view -> new WordsCell<>(
                WIDTH - 90, command -> command.words() + (command.keys().isEmpty() ? "" : "   " + command.keys())));
        list.setOnMouseClicked(event -> runChosen());
        VBox.setVgrow(list, Priority.ALWAYS);
        VBox card = new VBox(GAP, Cards.heading(wording("Finder.find-a-command")), field, list);
        card.getStyleClass().addAll("card", "question");
        card.setPadding(new Insets(GAP * 2));
        card.setMaxSize(WIDTH, HEIGHT);
        getChildren().add(card);
        field.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            boolean handled = true;
            switch (event.getCode()) {
                case DOWN -> move(1);
                case UP -> move(-1);
                case ENTER -> runChosen();
                default -> handled = false;
            }
            if (handled) {
                event.consume();
            }
        });
    }

    /** Offers commands. */
    public void show(List<Command> commands) {
        all = List.copyOf(commands);
        field.clear();
        narrow();
        open(field);
    }

    private void narrow() {
        List<String> typed = Arrays.stream(
                        field.getText().toLowerCase(Locale.ROOT).split("\\s+"))
                .filter(word -> !word.isEmpty())
                .toList();
        list.getItems()
                .setAll(all.stream().filter(command -> command.matches(typed)).toList());
        list.getSelectionModel().select(0);
    }

    private void move(int by) {
        int to = list.getSelectionModel().getSelectedIndex() + by;
        if (to >= 0 && to < list.getItems().size()) {
            list.getSelectionModel().select(to);
            list.scrollTo(Math.max(0, to - 3));
        }
    }

    private void runChosen() {
        Command chosen = list.getSelectionModel().getSelectedItem();
        if (chosen != null) {
            close();
            chosen.run().run();
        }
    }

    @Override
    protected void escape() {
        close();
    }
}

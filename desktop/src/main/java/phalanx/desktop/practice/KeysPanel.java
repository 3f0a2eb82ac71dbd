package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import phalanx.desktop.practice.PracticeKeys.Action;
import phalanx.desktop.widget.Cards;

/** The keys of Practice, the usual ones and the player's own; a press on a row and then on a key or pedal sets it. */
final class KeysPanel extends VBox {
    private static final double GAP = 8;

    private final PracticeKeys keys;
    private final Consumer<String> say;
    private final GridPane rows = new GridPane();
    /** The action whose key is pressed next. */
    private Optional<Action> waiting = Optional.empty();

    /** @param say what cannot be is told there */
    KeysPanel(PracticeKeys keys, Consumer<String> say) {
        super(GAP);
        this.keys = keys;
        this.say = say;
        setId("practice-keys");
        rows.setHgap(3 * GAP);
        rows.setVgap(GAP / 2);
        getChildren()
                .addAll(
                        Cards.heading(wording("KeysPanel.keys")),
                        Cards.quiet(wording("KeysPanel.a-pedal-that-sends-keys")),
                        rows);
        addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        show();
    }

    private void onKey(KeyEvent event) {
        // the commands that go everywhere stay what they are
        if (waiting.isEmpty() || event.isShortcutDown()) {
            return;
        }
        Action action = waiting.get();
        event.consume();
        if (event.getCode() == KeyCode.ESCAPE) {
            keys.clear(action);
        } else if (event.getCode().isModifierKey()) {
            return;
        } else {
            try {
                keys.set(action, event.getCode());
            } catch (IllegalArgumentException e) {
                say.accept(e.getMessage() + ".");
            }
        }
        waiting = Optional.empty();
        show();
        lookup("#" + id(action)).requestFocus();
    }

    private void show() {
        rows.getChildren().clear();
        for (Action action : Action.values()) {
            Label usual = new Label(action.usual());
            usual.getStyleClass().add("help-key");
            String own = keys.of(action).map(KeyCode::getName).orElse(wording("KeysPanel.your-own"));
            String text = waiting.equals(Optional.of(action)) ? wording("KeysPanel.press-it-now") : own;
            Button set =
                    Cards.button(id(action), text, wording("KeysPanel.then-press-the-key-or", action.label()), () -> {
                        waiting = Optional.of(action);
                        show();
                        lookup("#" + id(action)).requestFocus();
                    });
            set.getStyleClass().add("small");
            rows.addRow(action.ordinal(), Cards.before(action.label()), usual, set);
        }
    }

    private static String id(Action action) {
        return "key-" + action.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

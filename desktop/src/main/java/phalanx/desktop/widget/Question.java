package phalanx.desktop.widget;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * A question over the whole window; nothing else can be done before it is answered. Enter gives the first answer, Esc the
 * last one, which changes nothing.
 */
public final class Question extends Veil {
    private static final double WIDTH = 480;
    private static final double GAP = 12;

    private final Label words = new Label();
    private final FlowPane buttons = new FlowPane(GAP, GAP);
    private List<Answer> answers = List.of();

    /**
     * An answer.
     *
     * @param id of its button
     * @param text on it
     * @param then done when it is given
     */
    public record Answer(String id, String text, Runnable then) {}

    public Question() {
        super("question");
        words.setId("question-words");
        words.setWrapText(true);
        words.setMinHeight(Region.USE_PREF_SIZE);
        buttons.setAlignment(Pos.CENTER_RIGHT);
        VBox card = new VBox(GAP + GAP, words, buttons);
        card.getStyleClass().addAll("card", "question");
        card.setPadding(new Insets(GAP + GAP));
        card.setMaxSize(WIDTH, Region.USE_PREF_SIZE);
        getChildren().add(card);
    }

    @Override
    protected void escape() {
        give(answers.get(answers.size() - 1));
    }

    /**
     * Asks.
     *
     * @param all the usual answer first, the one that changes nothing last
     */
    public void ask(String text, List<Answer> all) {
        answers = List.copyOf(all);
        words.setText(text);
        List<Button> shown = new ArrayList<>();
        for (Answer answer : answers) {
            Button button = new Button(answer.text);
            button.setId(answer.id);
            button.getStyleClass().addAll(shown.isEmpty() ? List.of("plain", "main") : List.of("plain"));
            button.setDefaultButton(shown.isEmpty());
            button.setMinWidth(USE_PREF_SIZE);
            button.setOnAction(event -> give(answer));
            shown.add(button);
        }
        buttons.getChildren().setAll(shown);
        open(shown.get(0));
    }

    private void give(Answer answer) {
        buttons.getChildren().clear();
        close();
        answer.then.run();
    }
}

package phalanx.desktop.shapes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.Theme;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.Instrument;
import phalanx.lefthand.drill.Pacing;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;

/** The change between two shapes: drawn, and finger by finger in words with the time it needs and has. */
final class ChangeCard extends VBox {
    private static final int MOST_MOVES = 3;

    private final Label title = Cards.heading("Change");
    private final Label tempo = Cards.quiet("");
    private final ChangeDrawing drawing = new ChangeDrawing();
    private final VBox words = new VBox(2);

    ChangeCard() {
        super(4);
        getStyleClass().add("card");
        setId("change");
        title.setId("change-title");
        title.setMinWidth(0);
        tempo.setMinWidth(Region.USE_PREF_SIZE);
        tempo.setWrapText(false);
        words.setId("change-moves");
        getChildren().addAll(new HBox(8, title, Cards.space(), tempo), drawing, words);
    }

    /**
     * Shows a change.
     *
     * @param heading from what to what
     * @param change the moves
     * @param instrument the guitar
     * @param songTempo quarter notes a minute
     */
    void show(String heading, Change change, Instrument instrument, double songTempo) {
        title.setText(heading);
        tempo.setText(String.format(Locale.ROOT, "from beat to beat at %.0f bpm", songTempo));
        drawing.show(instrument, change);
        words.getChildren().setAll(lines(change));
    }

    /** Leaves the drawing out, for low windows. */
    void setCompact(boolean compact) {
        drawing.setVisible(!compact);
        drawing.setManaged(!compact);
    }

    /** Shows nothing but why. */
    void showNone(String why) {
        title.setText("Change");
        tempo.setText("");
        drawing.clear();
        words.getChildren().setAll(Cards.quiet(why));
    }

    private static List<Label> lines(Change change) {
        List<Label> lines = new ArrayList<>();
        if (change.moves().isEmpty()) {
            lines.add(Cards.quiet("Open strings before and after: no finger moves."));
        }
        String stays = words(change, FingerMove.Kind.ANCHOR, FingerMove.Kind.ROLL);
        if (!stays.isEmpty()) {
            lines.add(styled(stays, "good"));
        }
        change.moves().stream()
                .filter(move -> move.needsMs() > 0 && move.kind() != FingerMove.Kind.ROLL)
                .sorted((a, b) -> Double.compare(b.needsMs(), a.needsMs()))
                .limit(MOST_MOVES)
                .forEach(move -> lines.add(styled(travel(move), move.tooFast() ? "alarm" : "plain-words")));
        change.shift()
                .ifPresent(shift ->
                        lines.add(styled(Pacing.of(shift).sentence(), shift.tooFast() ? "alarm" : "plain-words")));
        String rest = words(change, FingerMove.Kind.LIFT);
        if (!rest.isEmpty()) {
            lines.add(styled(rest, "quiet"));
        }
        return lines;
    }

    private static String words(Change change, FingerMove.Kind... kinds) {
        List<FingerMove.Kind> wanted = List.of(kinds);
        return change.moves().stream()
                .filter(move -> wanted.contains(move.kind()))
                .map(FingerMove::words)
                .collect(Collectors.joining("; "));
    }

    private static String travel(FingerMove move) {
        String squeak = move.squeaks() ? "; a wound string: ease off or lift, or it squeaks" : "";
        return Pacing.of(move).sentence() + squeak;
    }

    private static Label styled(String text, String style) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll("change-line", style);
        return label;
    }

    void useTheme(Theme theme) {
        drawing.useTheme(theme);
    }
}

package phalanx.desktop.widget;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import phalanx.lefthand.drill.Pacing;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;

/** A change finger by finger, with the time it needs and has. */
public final class ChangeWords {
    private static final int MOST_MOVES = 3;

    private ChangeWords() {}

    /** A line for what stays, for each of the moves that take longest, for the shift, and for what lifts. */
    public static List<Label> lines(Change change) {
        List<Label> lines = new ArrayList<>();
        if (change.moves().isEmpty()) {
            lines.add(Cards.quiet(wording("ChangeWords.open-strings-before-and-after")));
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
        String squeak = move.squeaks() ? wording("ChangeWords.a-wound-string-ease-off") : "";
        return Pacing.of(move).sentence() + squeak;
    }

    private static Label styled(String text, String style) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.getStyleClass().addAll("change-line", style);
        return label;
    }
}

package phalanx.arrange;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.righthand.Digit;

/** Tells how notes are struck from their digits: what one digit takes at once is a brush. */
final class Strokes {
    private Strokes() {}

    static List<ArrangedNote> withBrushes(List<ArrangedNote> notes) {
        Map<Integer, Map<Digit, Integer>> uses = new HashMap<>();
        for (ArrangedNote note : notes) {
            uses.computeIfAbsent(note.tick(), tick -> new EnumMap<>(Digit.class))
                    .merge(note.right(), 1, Integer::sum);
        }
        List<ArrangedNote> struck = new ArrayList<>(notes.size());
        for (ArrangedNote note : notes) {
            boolean shared = uses.get(note.tick()).get(note.right()) > 1;
            struck.add(shared ? note.struck(Technique.BRUSH, note.weight()) : note);
        }
        return struck;
    }
}

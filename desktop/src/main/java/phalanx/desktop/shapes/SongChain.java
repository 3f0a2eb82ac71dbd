package phalanx.desktop.shapes;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.lefthand.drill.ChainText;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;

/** The shapes that a song's arrangement holds at its chords, as a chain is typed. */
final class SongChain {
    private SongChain() {}

    /** As words, a shape that is held on only once. */
    static String text(Arrangement arrangement) {
        List<String> words = new ArrayList<>();
        for (SongChord chord : SongChord.of(arrangement)) {
            Fingering fingering = arrangement.slotAt(chord.startTick()).fingering();
            List<Integer> frets = new ArrayList<>(
                    Collections.nCopies(arrangement.request().instrument().strings(), Shape.SILENT));
            for (Press press : fingering.presses()) {
                for (int string = press.trebleString(); string <= press.bassString(); string++) {
                    int at = frets.size() - string;
                    frets.set(at, fingering.stopping(string).map(Press::fret).orElse(Shape.SILENT));
                }
            }
            for (ArrangedNote note : arrangement.notes()) {
                int at = frets.size() - note.string();
                boolean under = note.tick() >= chord.startTick() && note.tick() < chord.endTick();
                if (under && note.fret() == 0 && frets.get(at) == Shape.SILENT) {
                    frets.set(at, 0);
                }
            }
            if (Collections.max(frets) == Shape.SILENT) {
                continue;
            }
            String word = ChainText.word(new HeldShape(new Shape(frets), fingering));
            if (words.isEmpty() || !words.get(words.size() - 1).equals(word)) {
                words.add(word);
            }
        }
        return String.join(" ", words);
    }
}

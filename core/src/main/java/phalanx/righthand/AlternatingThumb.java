package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;

/**
 * The alternating bass: the thumb on every felt beat, the root (or slash bass) first on every chord, then in turn
 * another chord tone and the root. A chord that holds no beat gets its bass where it begins.
 */
public final class AlternatingThumb {
    /** The strokes of a whole song, in order. */
    public List<BassStroke> strokes(Song song) {
        List<BassStroke> strokes = new ArrayList<>();
        for (int index = 0; index < song.chart().size(); index++) {
            ChordChange change = song.chart().get(index);
            int chordIndex = index;
            change.chord().ifPresent(chord -> addChord(song, chordIndex, chord, strokes));
        }
        return strokes;
    }

    private static void addChord(Song song, int index, ChordSymbol chord, List<BassStroke> strokes) {
        int start = song.chart().get(index).startTick();
        int end = song.chordEnd(index);
        List<Integer> beats = beats(song, start, end);
        if (beats.isEmpty()) {
            beats = List.of(start);
        }
        int root = 1 << chord.bass().pitchClass();
        int others = chord.pitchClasses() & ~root;
        for (int i = 0; i < beats.size(); i++) {
            int strokeEnd = i + 1 < beats.size() ? beats.get(i + 1) : end;
            int preferred = i % 2 == 0 ? root : others;
            int allowed = i == 0 ? root : chord.pitchClasses();
            strokes.add(new BassStroke(beats.get(i), strokeEnd, index, allowed, preferred));
        }
    }

    private static List<Integer> beats(Song song, int start, int end) {
        List<Integer> beats = new ArrayList<>();
        for (int i = song.barIndexAt(start); i < song.bars().size(); i++) {
            Bar bar = song.bars().get(i);
            int beat = bar.meter().beatTicks();
            int first = bar.startTick() + Math.floorMod(-bar.offsetOf(bar.startTick()), beat);
            for (int tick = first; tick < Math.min(bar.endTick(), end); tick += beat) {
                if (tick >= start) {
                    beats.add(tick);
                }
            }
            if (bar.endTick() >= end) {
                break;
            }
        }
        return beats;
    }
}

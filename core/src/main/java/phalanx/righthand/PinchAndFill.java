package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;

/**
 * A plain fingers' part: where the tune moves, it is left alone; where it rests or holds, an inner note falls on every
 * step between the thumb's beats, and with the thumb (a pinch) on every second beat.
 */
public final class PinchAndFill {
    /** Ticks of the inner strokes of a whole song, in order. */
    public List<Integer> strokes(Song song) {
        TreeSet<Integer> onsets = new TreeSet<>();
        song.melody().stream().map(MelodyNote::tick).forEach(onsets::add);
        List<Integer> strokes = new ArrayList<>();
        int chord = -1;
        for (Bar bar : song.bars()) {
            int step = bar.meter().stepTicks();
            int offset = bar.offsetOf(bar.startTick());
            for (int tick = bar.startTick() + Math.floorMod(-offset, step); tick < bar.endTick(); tick += step) {
                while (chord + 1 < song.chart().size()
                        && song.chart().get(chord + 1).startTick() <= tick) {
                    chord++;
                }
                ChordChange change = chord < 0 ? null : song.chart().get(chord);
                boolean harmony = change != null && change.chord().isPresent();
                if (harmony && wanted(bar, tick) && !crowds(onsets, tick, step)) {
                    strokes.add(tick);
                }
            }
        }
        return strokes;
    }

    private static boolean wanted(Bar bar, int tick) {
        int beat = bar.meter().beatTicks();
        int offset = bar.offsetOf(tick);
        return offset % beat != 0 || offset / beat % 2 == 1;
    }

    /** Whether a melody note begins less than a step away. */
    private static boolean crowds(TreeSet<Integer> onsets, int tick, int step) {
        Integer near = onsets.higher(tick - step);
        return near != null && near < tick + step;
    }
}

package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.TreeSet;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;

/**
 * A plain fingers' part: where the tune moves, it is left alone; where it rests or holds, an inner note falls on every
 * step between the thumb's beats, and with the thumb (a pinch) on every second beat. A chord that would go by without
 * its third or a named tension gets up to two strokes with the thumb, on its second beat first.
 */
public final class PinchAndFill {
    private static final int MOST_PINCHES = 2;

    /**
     * Ticks of the inner strokes of a whole song, in order.
     *
     * @param bass the thumb's strokes
     */
    public List<Integer> strokes(Song song, List<BassStroke> bass) {
        TreeSet<Integer> onsets = new TreeSet<>();
        song.melody().stream().map(MelodyNote::tick).forEach(onsets::add);
        TreeSet<Integer> strokes = new TreeSet<>();
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
        addForSilentChords(song, bass, strokes);
        return List.copyOf(strokes);
    }

    private static void addForSilentChords(Song song, List<BassStroke> bass, TreeSet<Integer> strokes) {
        TreeMap<Integer, List<BassStroke>> beats = new TreeMap<>();
        for (BassStroke stroke : bass) {
            beats.computeIfAbsent(stroke.chord(), chord -> new ArrayList<>()).add(stroke);
        }
        beats.forEach((chord, thumb) -> addForSilentChord(song, chord, thumb, strokes));
    }

    private static void addForSilentChord(Song song, int chord, List<BassStroke> thumb, TreeSet<Integer> strokes) {
        ChordChange change = song.chart().get(chord);
        int end = song.chordEnd(chord);
        int colours = change.chord().map(ChordSymbol::colourClasses).orElse(0);
        int wanted = Integer.bitCount(colours & ~tuneClasses(song, change.startTick(), end));
        int missing = Math.min(
                MOST_PINCHES, wanted - strokes.subSet(change.startTick(), end).size());
        // the second beat first: on the first the root alone says where the harmony is
        for (int i = 0; i < thumb.size() && missing > 0; i++) {
            if (strokes.add(thumb.get((i + 1) % thumb.size()).tick())) {
                missing--;
            }
        }
    }

    private static int tuneClasses(Song song, int from, int to) {
        return song.melodyBetween(from, to).stream()
                .mapToInt(note -> 1 << note.midi() % 12)
                .reduce(0, (a, b) -> a | b);
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

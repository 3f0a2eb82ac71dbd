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
 * The fingers' part where there is no pattern, by level. With a tune: plain is the thumb and the tune; even pinches where
 * a chord or a bar begins and plays on the steps between the thumb's beats under tune notes of a beat or more; full
 * pinches on every beat and plays on every step that the tune leaves free. Besides, a chord that would go by without its
 * third or a named tension gets a stroke with the thumb, on its second beat first. Without a tune the strokes go through
 * the strings of the shape: plain is a block where a chord or a bar begins, even a stroke between the beats, full one on
 * every step.
 */
final class LevelFill {
    private static final int MOST_PINCHES = 2;
    /** The rows that strokes go through without a tune. */
    private static final List<PatternRow> ROUND =
            List.of(PatternRow.MIDDLE, PatternRow.HIGH, PatternRow.TOP, PatternRow.HIGH);

    private static final List<PatternRow> BLOCK = List.of(PatternRow.TOP, PatternRow.HIGH, PatternRow.MIDDLE);

    private final Song song;
    private final Picking picking;
    private final TreeSet<Integer> onsets = new TreeSet<>();
    private final TreeMap<Integer, Integer> chords = new TreeMap<>();

    LevelFill(Song song, Picking picking) {
        this.song = song;
        this.picking = picking;
        song.melody().stream().map(MelodyNote::tick).forEach(onsets::add);
        for (int i = 0; i < song.chart().size(); i++) {
            chords.put(song.chart().get(i).startTick(), i);
        }
    }

    /**
     * The strokes of a whole song, in order.
     *
     * @param bass the thumb's strokes
     */
    List<InnerStroke> strokes(List<BassStroke> bass) {
        return onsets.isEmpty() ? alone() : underTune(bass);
    }

    private List<InnerStroke> alone() {
        List<InnerStroke> strokes = new ArrayList<>();
        for (Bar bar : song.bars()) {
            Level level = picking.planAt(bar.startTick()).level();
            int count = 0;
            for (int tick : steps(bar)) {
                boolean beat = bar.offsetOf(tick) % bar.meter().beatTicks() == 0;
                boolean begins = tick == bar.startTick() || chords.containsKey(tick);
                if (!hasHarmony(tick)) {
                    continue;
                }
                if (level == Level.PLAIN) {
                    if (begins) {
                        BLOCK.forEach(row -> strokes.add(InnerStroke.fill(tick, row)));
                    }
                } else if (begins || !beat || level == Level.FULL) {
                    PatternRow row = begins ? PatternRow.TOP : ROUND.get(count++ % ROUND.size());
                    strokes.add(InnerStroke.fill(tick, row));
                }
            }
        }
        return strokes;
    }

    private List<InnerStroke> underTune(List<BassStroke> bass) {
        TreeSet<Integer> ticks = new TreeSet<>();
        for (Bar bar : song.bars()) {
            Level level = picking.planAt(bar.startTick()).level();
            for (int tick : steps(bar)) {
                if (level != Level.PLAIN && hasHarmony(tick) && wanted(bar, tick, level)) {
                    ticks.add(tick);
                }
            }
        }
        addForSilentChords(bass, ticks);
        return ticks.stream().map(InnerStroke::anywhere).toList();
    }

    private boolean wanted(Bar bar, int tick, Level level) {
        boolean beat = bar.offsetOf(tick) % bar.meter().beatTicks() == 0;
        if (beat && (tick == bar.startTick() || chords.containsKey(tick))) {
            return true;
        }
        if (level == Level.FULL) {
            return beat || !isNearTune(tick, bar.meter().stepTicks());
        }
        return !beat && !isNearTune(tick, bar.meter().stepTicks());
    }

    /** A chord that would go by without its colours gets strokes with the thumb, but not at level plain. */
    private void addForSilentChords(List<BassStroke> bass, TreeSet<Integer> ticks) {
        TreeMap<Integer, List<BassStroke>> beats = new TreeMap<>();
        for (BassStroke stroke : bass) {
            // a bass of the player's own may begin before the first chord
            if (stroke.chord() >= 0 && picking.planAt(stroke.tick()).level() != Level.PLAIN) {
                beats.computeIfAbsent(stroke.chord(), chord -> new ArrayList<>())
                        .add(stroke);
            }
        }
        beats.forEach((chord, thumb) -> addForSilentChord(chord, thumb, ticks));
    }

    private void addForSilentChord(int chord, List<BassStroke> thumb, TreeSet<Integer> ticks) {
        ChordChange change = song.chart().get(chord);
        int end = song.chordEnd(chord);
        int colours = change.chord().map(ChordSymbol::colourClasses).orElse(0);
        int wanted = Integer.bitCount(colours & ~tuneClasses(change.startTick(), end));
        int missing = Math.min(
                MOST_PINCHES, wanted - ticks.subSet(change.startTick(), end).size());
        // the second beat first: on the first the root alone says where the harmony is
        for (int i = 0; i < thumb.size() && missing > 0; i++) {
            if (ticks.add(thumb.get((i + 1) % thumb.size()).tick())) {
                missing--;
            }
        }
    }

    private int tuneClasses(int from, int to) {
        return song.melodyBetween(from, to).stream()
                .mapToInt(note -> 1 << note.midi() % 12)
                .reduce(0, (a, b) -> a | b);
    }

    private static List<Integer> steps(Bar bar) {
        int step = bar.meter().stepTicks();
        int first = bar.startTick() + Math.floorMod(-bar.offsetOf(bar.startTick()), step);
        List<Integer> steps = new ArrayList<>();
        for (int tick = first; tick < bar.endTick(); tick += step) {
            steps.add(tick);
        }
        return steps;
    }

    private boolean hasHarmony(int tick) {
        var here = chords.floorEntry(tick);
        return here != null && song.chart().get(here.getValue()).chord().isPresent();
    }

    /** Whether a tune note begins less than a step away. */
    private boolean isNearTune(int tick, int step) {
        Integer near = onsets.higher(tick - step);
        return near != null && near < tick + step;
    }
}

package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;

/**
 * Writes the thumb's strokes: when, from the bass line or the pattern; what, from the chord. The first stroke of every
 * chord is its root or slash bass, but under a pedal; where a bassist plays it has none. A chord
 * without a stroke near its beginning gets one there. In bars with a bass of the song's own that is played.
 */
public final class BassWriter {
    private static final int FIFTH = 7;

    private final Song song;
    private final Picking picking;

    public BassWriter(Song song, Picking picking) {
        this.song = song;
        this.picking = picking;
    }

    /** The strokes of the whole song, in order. */
    public List<BassStroke> strokes() {
        TreeSet<Integer> times = times();
        List<BassStroke> strokes = new ArrayList<>();
        for (int index = 0; index < song.chart().size(); index++) {
            ChordChange change = song.chart().get(index);
            boolean played = picking.planAt(change.startTick()).bass() != BassLine.NONE;
            if (change.chord().isPresent() && played) {
                addChord(index, change.chord().get(), times, strokes);
            }
        }
        return song.bass().isEmpty() ? strokes : withOwn(strokes);
    }

    /** The player's own line in the bars that have it, the others' strokes let go where it begins. */
    private List<BassStroke> withOwn(List<BassStroke> strokes) {
        TreeMap<Integer, BassStroke> all = new TreeMap<>();
        strokes.forEach(stroke -> all.put(stroke.tick(), stroke));
        for (Bar bar : song.bars()) {
            List<MelodyNote> own = song.bassBetween(bar.startTick(), bar.endTick());
            if (!own.isEmpty()) {
                all.subMap(bar.startTick(), bar.endTick()).clear();
                own.forEach(note -> all.put(note.tick(), own(note)));
            }
        }
        List<BassStroke> line = new ArrayList<>();
        for (BassStroke stroke : all.values()) {
            Integer next = all.higherKey(stroke.tick());
            line.add(next != null && next < stroke.endTick() ? stroke.until(next) : stroke);
        }
        return line;
    }

    private BassStroke own(MelodyNote note) {
        int chord = song.chordIndexAt(note.tick());
        int tone = 1 << note.midi() % 12;
        return new BassStroke(note.tick(), note.endTick(), chord, tone, tone, BassStrings.AS_IT_LIES, note.midi());
    }

    /** The thumb's times over the whole song, chords not looked at. */
    private TreeSet<Integer> times() {
        TreeSet<Integer> times = new TreeSet<>();
        for (Bar bar : song.bars()) {
            Picking.Plan plan = picking.planAt(bar.startTick());
            int beat = bar.meter().beatTicks();
            int step = bar.meter().stepTicks();
            switch (plan.bass()) {
                case ON_CHANGE, NONE -> {
                    // chords begin with a stroke in any case, or have none
                }
                case HALVES -> addEvery(bar, 2 * beat, 0, times);
                case WALKING -> addEvery(bar, beat, 0, times);
                case PUSH -> {
                    int half = bar.meter().barTicks() / 2 / step * step;
                    addEvery(bar, bar.meter().barTicks(), 0, times);
                    addEvery(bar, bar.meter().barTicks(), half - step, times);
                    addEvery(bar, bar.meter().barTicks(), bar.meter().barTicks() - step, times);
                }
                default -> {
                    List<Integer> own = PatternBars.of(song, picking, bar).bassTimes();
                    times.addAll(own);
                    if (own.isEmpty()) {
                        addEvery(bar, beat, 0, times);
                    }
                }
            }
        }
        return times;
    }

    /** Every so many ticks of a whole bar's time, from an offset on; of a pickup only what it has. */
    private static void addEvery(Bar bar, int every, int offset, NavigableSet<Integer> times) {
        int missing = bar.offsetOf(bar.startTick());
        for (int at = offset; at < missing + bar.lengthTicks(); at += every) {
            if (at >= missing) {
                times.add(bar.startTick() + at - missing);
            }
        }
    }

    private void addChord(int index, ChordSymbol chord, TreeSet<Integer> times, List<BassStroke> strokes) {
        int start = song.chart().get(index).startTick();
        int end = song.chordEnd(index);
        TreeSet<Integer> own = new TreeSet<>(times.subSet(start, end));
        Bar bar = song.barAt(start);
        boolean pushed =
                !strokes.isEmpty() && isPush(strokes.get(strokes.size() - 1).tick(), start);
        boolean late = own.isEmpty() || own.first() > start + bar.meter().beatTicks() / 2;
        if (late && !pushed) {
            own.add(start);
        }
        if (pushed) {
            // the root was heard an eighth ago and rings on
            own.remove(start);
            BassStroke push = strokes.remove(strokes.size() - 1);
            int until = own.isEmpty() ? end : own.first();
            strokes.add(new BassStroke(push.tick(), until, push.chord(), push.allowed(), push.preferred()));
        }
        List<Integer> ticks = List.copyOf(own);
        for (int i = 0; i < ticks.size(); i++) {
            int strokeEnd = i + 1 < ticks.size() ? ticks.get(i + 1) : end;
            strokes.add(stroke(index, chord, ticks, pushed ? i + 1 : i, new int[] {ticks.get(i), strokeEnd}));
        }
    }

    /** Whether a stroke anticipates the chord that begins at a tick. */
    private boolean isPush(int tick, int chordStart) {
        return picking.planAt(tick).bass() == BassLine.PUSH
                && chordStart - tick == song.barAt(tick).meter().stepTicks();
    }

    /**
     * @param i which stroke of its chord it is, from 0
     * @param time its tick and its end
     */
    private BassStroke stroke(int index, ChordSymbol chord, List<Integer> ticks, int i, int[] time) {
        int tick = time[0];
        int end = time[1];
        int root = 1 << chord.bass().pitchClass();
        int tones = chord.pitchClasses() | root;
        int others = (tones & ~root) == 0 ? root : tones & ~root;
        int fifth = 1 << (chord.root().pitchClass() + FIFTH) % 12;
        int low = (fifth & others) != 0 ? fifth : others;
        Optional<ChordSymbol> next =
                index + 1 < song.chart().size() ? song.chart().get(index + 1).chord() : Optional.empty();
        BassLine line = picking.planAt(tick).bass();
        boolean first = i == 0;
        if (line == BassLine.PEDAL) {
            int tonic = 1 << song.key().tonic().pitchClass();
            return new BassStroke(tick, end, index, tonic | root, tonic);
        }
        if (line == BassLine.PUSH && next.isPresent() && isPush(tick, song.chordEnd(index))) {
            int ahead = 1 << next.get().bass().pitchClass();
            return new BassStroke(tick, end, index, first ? root | ahead : tones | ahead, first ? root : ahead);
        }
        if (first) {
            return new BassStroke(tick, end, index, root, root);
        }
        int preferred =
                switch (line) {
                    case STEADY, ON_CHANGE, OCTAVES -> root;
                    // the middle string has any tone, so that the low one is another
                    case ROUND -> i % 4 == 2 ? low : i % 4 == 0 ? root : tones;
                    case HALVES, PUSH -> i % 2 == 0 ? root : low;
                    case WALKING -> walking(chord, next, ticks.size(), i, others, low);
                    default -> i % 2 == 0 ? root : others;
                };
        return new BassStroke(
                tick,
                end,
                index,
                tones | preferred,
                preferred,
                strings(line, i, picking.planAt(tick).strings()));
    }

    /** A round goes from the root to a string above it, and never plays a string twice in a row. */
    private static BassStrings strings(BassLine line, int i, BassStrings wish) {
        if (line != BassLine.ROUND || wish != BassStrings.AS_IT_LIES) {
            return wish;
        }
        return i % 4 == 1 ? BassStrings.ABOVE : BassStrings.ANOTHER;
    }

    /** A third, a fifth, and last a step towards the next root: a semitone or a step of the key below it. */
    private int walking(ChordSymbol chord, Optional<ChordSymbol> next, int count, int i, int others, int low) {
        if (i < count - 1 || next.isEmpty()) {
            return i % 4 == 1
                    ? others
                    : i % 4 == 2 ? low : i % 4 == 3 ? others : 1 << chord.bass().pitchClass();
        }
        int target = next.get().bass().pitchClass();
        int below = Math.floorMod(target - 2, 12);
        boolean inKey = (song.key().pitchClasses() >> below & 1) == 1
                && (song.key().pitchClasses() >> Math.floorMod(target - 1, 12) & 1) == 0;
        return 1 << (inKey ? below : Math.floorMod(target - 1, 12));
    }
}

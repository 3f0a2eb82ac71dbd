package phalanx.righthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedList;
import java.util.List;
import java.util.Optional;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;

/**
 * Gives the strokes of a walking bass their pitches: the root or the slash on each change, then tones of the chord and of
 * the key, no step wider than a fourth, and last a step or half step to the next root. The cheapest line, exactly: a path
 * over the strokes whose states are the pitches. What is preferred is common practice, no source.
 */
public final class WalkingBass {
    private static final int FOURTH = 5;
    private static final int IMPOSSIBLE = 1 << 29;

    private static final int AGAIN = 12;
    private static final int LEAP = 2;
    /** The line goes somewhere. */
    private static final int ROOT_AGAIN = 4;

    private static final int BEYOND_A_FOURTH = 60;
    private static final int NO_APPROACH = 60;
    /** A tone of the key between those of the chord, on a weak and on a strong beat. */
    private static final int PASSING = 2;

    private static final int PASSING_ON_STRONG = 5;
    /** A half step that is not in the key. */
    private static final int CHROMATIC = 3;
    /** Above this much over the lowest string low notes are left for later. */
    private static final int LOW_OCTAVE = 12;

    private final Song song;
    private final Picking picking;
    private final int lowest;
    private final int highest;

    /**
     * @param song with the tune that is played
     * @param lowest MIDI number of the lowest string
     * @param highest of the highest bass note
     */
    public WalkingBass(Song song, Picking picking, int lowest, int highest) {
        this.song = song;
        this.picking = picking;
        this.lowest = lowest;
        this.highest = highest;
    }

    /** The strokes, those of walking stretches each with its pitch; where a low tune leaves no room they stay open. */
    public List<BassStroke> over(List<BassStroke> strokes) {
        List<BassStroke> done = new ArrayList<>();
        for (int from = 0; from < strokes.size(); ) {
            int to = from;
            while (to < strokes.size() && walks(strokes.get(to))) {
                to++;
            }
            if (to > from) {
                done.addAll(line(strokes.subList(from, to)));
                from = to;
            } else {
                done.add(strokes.get(from++));
            }
        }
        return done;
    }

    private boolean walks(BassStroke stroke) {
        return stroke.midi() == 0 && picking.planAt(stroke.tick()).bass() == BassLine.WALKING;
    }

    /** The cheapest line; where a stroke has no room under the tune it stays open, and a new line begins after it. */
    private List<BassStroke> line(List<BassStroke> strokes) {
        int pitches = highest - lowest + 1;
        int[][] best = new int[strokes.size()][pitches];
        int[][] from = new int[strokes.size()][pitches];
        List<BassStroke> done = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            for (int pitch = 0; pitch < pitches; pitch++) {
                best[i][pitch] = own(strokes, i, lowest + pitch);
                if (i > done.size() && best[i][pitch] < IMPOSSIBLE) {
                    best[i][pitch] += cheapest(strokes, i, pitch, best[i - 1], from[i]);
                }
            }
            boolean none = Arrays.stream(best[i]).allMatch(cost -> cost >= IMPOSSIBLE);
            if (none || i == strokes.size() - 1) {
                int end = none ? i : i + 1;
                if (end > done.size()) {
                    done.addAll(pitched(strokes, done.size(), end, best[end - 1], from));
                }
                if (none) {
                    done.add(strokes.get(i));
                }
            }
        }
        return done;
    }

    /** What the way to a pitch costs at least; notes where it comes from. */
    private int cheapest(List<BassStroke> strokes, int i, int pitch, int[] before, int[] from) {
        int cheapest = IMPOSSIBLE;
        for (int other = 0; other < before.length; other++) {
            int cost = before[other] + step(strokes, i, lowest + other, lowest + pitch);
            if (cost < cheapest) {
                cheapest = cost;
                from[pitch] = other;
            }
        }
        return cheapest;
    }

    private List<BassStroke> pitched(List<BassStroke> strokes, int start, int end, int[] last, int[][] from) {
        int pitch = 0;
        for (int i = 1; i < last.length; i++) {
            pitch = last[i] < last[pitch] ? i : pitch;
        }
        LinkedList<BassStroke> pitched = new LinkedList<>();
        for (int i = end - 1; i >= start; i--) {
            pitched.addFirst(strokes.get(i).at(lowest + pitch));
            pitch = from[i][pitch];
        }
        return pitched;
    }

    /** What a pitch costs by itself, {@link #IMPOSSIBLE} where it must not be. */
    private int own(List<BassStroke> strokes, int i, int pitch) {
        BassStroke stroke = strokes.get(i);
        int bit = 1 << pitch % 12;
        ChordSymbol chord = song.chart().get(stroke.chord()).chord().orElseThrow();
        if (tune(stroke.tick()).filter(note -> note.midi() <= pitch).isPresent()) {
            return IMPOSSIBLE;
        }
        int high = Math.max(0, pitch - lowest - LOW_OCTAVE);
        if (isFirst(strokes, i)) {
            return pitch % 12 == chord.bass().pitchClass() ? high : IMPOSSIBLE;
        }
        boolean tone = (chord.pitchClasses() & bit) != 0;
        boolean inKey = (song.key().pitchClasses() & bit) != 0;
        if (tone) {
            return high + (pitch % 12 == chord.bass().pitchClass() ? ROOT_AGAIN : 0);
        }
        if (isLast(strokes, i)) {
            return high + (inKey ? 1 : CHROMATIC);
        }
        boolean strong = (i - first(strokes, i)) % 2 == 0;
        return inKey ? high + (strong ? PASSING_ON_STRONG : PASSING) : IMPOSSIBLE;
    }

    private int step(List<BassStroke> strokes, int i, int before, int pitch) {
        int wide = Math.abs(pitch - before);
        int cost = wide == 0 ? AGAIN : wide > FOURTH ? BEYOND_A_FOURTH + wide : wide > 2 ? LEAP : 0;
        boolean approaches = isFirst(strokes, i) && !isFirst(strokes, i - 1);
        return cost + (approaches && (wide == 0 || wide > 2) ? NO_APPROACH : 0);
    }

    /** The tune note that sounds at a tick. */
    private Optional<MelodyNote> tune(int tick) {
        List<MelodyNote> begun = song.melodyBetween(0, tick + 1);
        return begun.isEmpty()
                ? Optional.empty()
                : Optional.of(begun.get(begun.size() - 1)).filter(note -> note.endTick() > tick);
    }

    private static boolean isFirst(List<BassStroke> strokes, int i) {
        return i == 0 || strokes.get(i).chord() != strokes.get(i - 1).chord();
    }

    private static boolean isLast(List<BassStroke> strokes, int i) {
        return i + 1 < strokes.size()
                && strokes.get(i + 1).chord() != strokes.get(i).chord();
    }

    private static int first(List<BassStroke> strokes, int i) {
        int first = i;
        while (first > 0 && !isFirst(strokes, first)) {
            first--;
        }
        return first;
    }
}

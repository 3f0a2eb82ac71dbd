package phalanx.arrange.search;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Ear;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.track.MoveTable;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Posture;
import phalanx.lefthand.track.Stops;

/**
 * The candidates for a slot: ways for the left hand to serve what it asks for, as rows of numbers, for searches that go
 * through thousands of them. All lose as much of what can be played and of the tune: what loses more than it must is
 * left out, since no change mends that. The cheapest by themselves come first.
 */
public final class Layer {
    /** A string number that stands for no string. */
    public static final int NONE = 0;
    /** Where no printed shape of the chord is held. */
    public static final int NO_SHAPE = -1;

    /** The number of the pluck that falls on a slot's beginning; the ticks of its inner strokes follow. */
    public static final int FIRST_PLUCK = 1;

    /** More than there are positions of the hand. */
    static final int POSITIONS = 64;

    final int unplayable;
    final int lost;
    final int count;

    /** Numbers of presses, see {@link MoveTable#number}; five a candidate. */
    final short[] presses;

    final byte[] positions;
    final byte[] tunes;
    final byte[] basses;
    /** String, fret and finger of tune and bass in one number each, 0 where there is none. */
    final int[] tunePlaces;

    final int[] bassPlaces;
    final long[] frets;
    final long[] fingers;
    /** Strings that are stopped, a lowest bit for each as {@link Stops#bit} has it. */
    final long[] stopped;
    /** Effort of holding for a beat, in thousandths. */
    final int[] holds;
    /** What the sound costs, in thousandths. */
    final int[] sounds;

    final int[] plucks;
    /** The fingers that press, bit f for finger f. */
    final byte[] down;

    final Ear.Placing[] placings;
    /** Strings that inner strokes fall on, bit s for string s. */
    final short[] struck;
    /** Which of the chord's printed shapes is held, {@link #NO_SHAPE} where none is. */
    final byte[] shapes;

    /** Of each finger the different presses that are arrived at, and which of them each candidate has. */
    final int[][] arriving = new int[Fingering.FINGERS][];

    final short[][] arrivingAt = new short[Fingering.FINGERS][];
    /** Of each finger the different ways to leave, see {@link #leaving(int)}, and which of them each candidate has. */
    final int[][] leaving = new int[Fingering.FINGERS][];

    final short[][] leavingAt = new short[Fingering.FINGERS][];

    /** The different places of tune and bass together, a candidate of each, and which of them each candidate has. */
    final int[] pairs;

    final short[] pairAt;

    private final MoveTable table;

    Layer(LayerBuilder builder, int[] order) {
        this.unplayable = builder.unplayable;
        this.lost = builder.lost;
        this.count = order.length;
        this.presses = new short[count * Fingering.FINGERS];
        this.positions = new byte[count];
        this.tunes = new byte[count];
        this.basses = new byte[count];
        this.tunePlaces = new int[count];
        this.bassPlaces = new int[count];
        this.frets = new long[count];
        this.fingers = new long[count];
        this.stopped = new long[count];
        this.holds = new int[count];
        this.sounds = new int[count];
        this.plucks = new int[count];
        this.down = new byte[count];
        this.placings = new Ear.Placing[count];
        this.struck = new short[count];
        this.shapes = new byte[count];
        this.table = builder.table;
        for (int i = 0; i < count; i++) {
            take(builder, order[i], i);
        }
        tellApart();
        this.pairAt = new short[count];
        this.pairs = tellPairsApart();
    }

    private void take(LayerBuilder from, int index, int to) {
        System.arraycopy(from.presses, index * Fingering.FINGERS, presses, to * Fingering.FINGERS, Fingering.FINGERS);
        positions[to] = from.positions[index];
        tunes[to] = from.tunes[index];
        basses[to] = from.basses[index];
        frets[to] = from.frets[index];
        fingers[to] = from.fingers[index];
        stopped[to] = Stops.inUse(fingers[to]);
        tunePlaces[to] = place(to, tunes[to]);
        bassPlaces[to] = place(to, basses[to]);
        holds[to] = from.holds[index];
        sounds[to] = from.sounds[index];
        plucks[to] = from.plucks[index];
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            down[to] |= (byte) (press(to, finger) == 0 ? 0 : 1 << finger);
        }
        placings[to] = from.placings[index];
        struck[to] = from.struck[index];
        shapes[to] = from.shapes[index];
    }

    private int place(int candidate, int string) {
        return string == NONE
                ? 0
                : string << 12 | Stops.at(frets[candidate], string) << 6 | Stops.at(fingers[candidate], string);
    }

    private void tellApart() {
        int presses = table.numbers();
        short[] seenArriving = new short[presses];
        short[] seenLeaving = new short[presses + POSITIONS << Pace.PLUCK_BITS];
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            int[] arrive = new int[count];
            int[] leave = new int[count];
            int arrivals = 0;
            int leavings = 0;
            arrivingAt[finger] = new short[count];
            leavingAt[finger] = new short[count];
            for (int candidate = 0; candidate < count; candidate++) {
                int press = press(candidate, finger);
                if (seenArriving[press] == 0) {
                    arrive[arrivals++] = press;
                    seenArriving[press] = (short) arrivals;
                }
                arrivingAt[finger][candidate] = (short) (seenArriving[press] - 1);
                int way = leaving(candidate, finger);
                if (seenLeaving[way] == 0) {
                    leave[leavings++] = way;
                    seenLeaving[way] = (short) leavings;
                }
                leavingAt[finger][candidate] = (short) (seenLeaving[way] - 1);
            }
            arriving[finger] = Arrays.copyOf(arrive, arrivals);
            leaving[finger] = Arrays.copyOf(leave, leavings);
            for (int i = 0; i < arrivals; i++) {
                seenArriving[arrive[i]] = 0;
            }
            for (int i = 0; i < leavings; i++) {
                seenLeaving[leave[i]] = 0;
            }
        }
    }

    private int[] tellPairsApart() {
        Map<Long, Short> seen = new HashMap<>();
        int[] first = new int[count];
        for (int candidate = 0; candidate < count; candidate++) {
            long pair = (long) tunePlaces[candidate] << Integer.SIZE | bassPlaces[candidate];
            Short known = seen.get(pair);
            if (known == null) {
                known = (short) seen.size();
                first[known] = candidate;
                seen.put(pair, known);
            }
            pairAt[candidate] = known;
        }
        return Arrays.copyOf(first, seen.size());
    }

    private int press(int candidate, int finger) {
        return presses[candidate * Fingering.FINGERS + finger];
    }

    /** How a finger leaves, in one number: its press and last pluck; where it is up, where the hand stands. */
    private int leaving(int candidate, int finger) {
        int press = press(candidate, finger);
        return press == 0
                ? table.numbers() + positions[candidate] << Pace.PLUCK_BITS
                : press << Pace.PLUCK_BITS | Pace.pluck(plucks[candidate], finger);
    }

    /** The number of the press of a finger that leaves so, 0 where it is up. */
    int press(int leaving) {
        int press = leaving >> Pace.PLUCK_BITS;
        return press >= table.numbers() ? 0 : press;
    }

    /** What it plucked last. */
    static int pluck(int leaving) {
        return leaving & Pace.MOST_PLUCKS;
    }

    /** The hand's position for a finger that is up, else 1. */
    int waitingAt(int leaving) {
        return Math.max(1, (leaving >> Pace.PLUCK_BITS) - table.numbers());
    }

    public int count() {
        return count;
    }

    /** What a candidate costs by itself, in grains, when it is held for so many steps of {@link Effort#STEPS}. */
    public long own(int candidate, int steps) {
        return (long) holds[candidate] * steps + (long) sounds[candidate] * Effort.STEPS;
    }

    public Fingering fingering(int candidate) {
        int[] packed = new int[Fingering.FINGERS];
        for (int finger = 0; finger < packed.length; finger++) {
            packed[finger] = table.packed(press(candidate, finger));
        }
        return Fingering.ofPacked(packed);
    }

    public Posture posture(int candidate) {
        return new Posture(fingering(candidate), positions[candidate]);
    }

    /** The string of the tune's note, or {@link #NONE}. */
    public int tune(int candidate) {
        return tunes[candidate];
    }

    /** The string of the bass note, or {@link #NONE}. */
    public int bass(int candidate) {
        return basses[candidate];
    }

    /** The fret a string is stopped at, 0 where it is open. */
    public int fret(int candidate, int string) {
        return Stops.at(frets[candidate], string);
    }

    public Ear.Placing placing(int candidate) {
        return placings[candidate];
    }

    /** Whether a string keeps its fret and finger into a candidate of another layer. */
    boolean keeps(int candidate, int string, Layer next, int nextCandidate) {
        return Stops.keeps(
                string, frets[candidate], fingers[candidate], next.frets[nextCandidate], next.fingers[nextCandidate]);
    }

    /** Whether a candidate is the same as one of another layer for the same demand. */
    boolean same(int candidate, Layer other, int index) {
        int own = candidate * Fingering.FINGERS;
        int its = index * Fingering.FINGERS;
        return positions[candidate] == other.positions[index]
                && shapes[candidate] == other.shapes[index]
                && Arrays.equals(placings[candidate].moments(), other.placings[index].moments())
                && tunes[candidate] == other.tunes[index]
                && basses[candidate] == other.basses[index]
                && Arrays.equals(presses, own, own + Fingering.FINGERS, other.presses, its, its + Fingering.FINGERS);
    }

    /** Where a candidate of another layer for the same demand stands in this one, -1 where it does not. */
    int indexOf(Layer other, int index) {
        for (int candidate = 0; candidate < count; candidate++) {
            if (same(candidate, other, index)) {
                return candidate;
            }
        }
        return -1;
    }

    /** This layer with a candidate of another one for the same demand as its last. */
    Layer with(Layer other, int index) {
        LayerBuilder more = new LayerBuilder(table);
        more.admits(unplayable, lost);
        for (int candidate = 0; candidate < count; candidate++) {
            more.take(this, candidate);
        }
        more.take(other, index);
        return new Layer(more, IntStream.range(0, more.count).toArray());
    }

    /** Some of this layer's candidates alone. */
    public Layer only(int... some) {
        LayerBuilder few = new LayerBuilder(table);
        few.admits(unplayable, lost);
        for (int candidate : some) {
            few.take(this, candidate);
        }
        return new Layer(few, IntStream.range(0, few.count).toArray());
    }

    /** The last pluck of each finger: at the beginning for tune and bass, at the last of its strokes for inner strings. */
    public static int plucks(Stops stops, int beginning, Ear.Placing placing) {
        int plucks = 0;
        for (int string = 1, left = beginning >> 1; left != 0; string++, left >>= 1) {
            if ((left & 1) == 1) {
                plucks = withPluck(plucks, stops, string, FIRST_PLUCK);
            }
        }
        int[] moments = placing.moments();
        for (int moment = 0; moment < moments.length; moment++) {
            for (int left = moments[moment]; left != 0; left &= left - 1) {
                int string = Integer.numberOfTrailingZeros(left);
                plucks = withPluck(plucks, stops, string, FIRST_PLUCK + 1 + moment);
            }
        }
        return plucks;
    }

    private static int withPluck(int plucks, Stops stops, int string, int pluck) {
        int finger = Stops.at(stops.fingers(), string);
        return finger == 0 ? plucks : Pace.withPluck(plucks, finger - 1, pluck);
    }
}

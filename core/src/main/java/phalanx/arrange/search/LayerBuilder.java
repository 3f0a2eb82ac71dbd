package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.arrange.demand.Ear;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.track.MoveTable;
import phalanx.lefthand.track.Stops;

/** Collects the candidates of a {@link Layer}: only those that lose the least are kept. */
public final class LayerBuilder {
    /** An index of a candidate fits 16 bits. */
    private static final int MOST = 1 << 16;
    /** How many are promising for being the cheapest by themselves. */
    private static final int CHEAPEST = 40;
    /** The same for a rough answer. */
    private static final int CHEAPEST_ROUGHLY = 24;

    final MoveTable table;
    int unplayable = Integer.MAX_VALUE;
    int lost = Integer.MAX_VALUE;
    private int addedUnplayable;
    private int addedLost;
    int count;
    private int least = Integer.MAX_VALUE;
    short[] presses = new short[64 * Fingering.FINGERS];
    byte[] positions = new byte[64];
    byte[] tunes = new byte[64];
    byte[] basses = new byte[64];
    long[] frets = new long[64];
    long[] fingers = new long[64];
    int[] holds = new int[64];
    int[] sounds = new int[64];
    int[] plucks = new int[64];
    Ear.Placing[] placings = new Ear.Placing[64];
    short[] struck = new short[64];
    byte[] shapes = new byte[64];
    /** Which pair of places of tune and bass each candidate has, by number. */
    private int[] pairs = new int[64];

    private byte[] variants = new byte[64];

    private int pair;

    public LayerBuilder(MoveTable table) {
        this.table = table;
    }

    /** Whether candidates that lose so much are wanted: once one is added, all that lose more are dropped. */
    public boolean admits(int candidateUnplayable, int candidateLost) {
        addedUnplayable = candidateUnplayable;
        addedLost = candidateLost;
        return isBetter() || candidateUnplayable == unplayable && candidateLost == lost;
    }

    /** Whether what is added next loses less than all before. */
    private boolean isBetter() {
        return addedUnplayable < unplayable || addedUnplayable == unplayable && addedLost < lost;
    }

    private void dropWorse() {
        if (isBetter()) {
            count = 0;
            least = Integer.MAX_VALUE;
            unplayable = addedUnplayable;
            lost = addedLost;
        }
    }

    /** Begins with another place of the tune or of the bass. */
    public void beginPair() {
        pair++;
    }

    /**
     * Adds a candidate.
     *
     * @param packed presses of the fingers
     * @param stops what they stop
     * @param tune string of the tune's note
     * @param bass string of the bass
     * @param hold effort of holding for a beat, in thousandths
     * @param sound what it costs the ear, in thousandths
     * @param pluck the last pluck of each finger
     * @param variant 0 for the best places of the inner strokes, else which others
     * @param shape which of the chord's printed shapes it is, or {@link Layer#NO_SHAPE}
     */
    public void add(
            int[] packed,
            Stops stops,
            int position,
            int tune,
            int bass,
            int hold,
            int sound,
            int pluck,
            Ear.Placing placing,
            int shape,
            int variant) {
        dropWorse();
        if (count == positions.length) {
            grow();
        }
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            presses[count * Fingering.FINGERS + finger] = table.number(packed[finger]);
        }
        positions[count] = (byte) position;
        tunes[count] = (byte) tune;
        basses[count] = (byte) bass;
        frets[count] = stops.frets();
        fingers[count] = stops.fingers();
        holds[count] = hold;
        sounds[count] = sound;
        plucks[count] = pluck;
        placings[count] = placing;
        struck[count] = (short) placing.struck();
        shapes[count] = (byte) shape;
        variants[count] = (byte) variant;
        pairs[count] = pair;
        count++;
        least = Math.min(least, hold + sound);
    }

    void take(Layer from, int index) {
        dropWorse();
        if (count == positions.length) {
            grow();
        }
        System.arraycopy(
                from.presses, index * Fingering.FINGERS, presses, count * Fingering.FINGERS, Fingering.FINGERS);
        positions[count] = from.positions[index];
        tunes[count] = from.tunes[index];
        basses[count] = from.basses[index];
        frets[count] = from.frets[index];
        fingers[count] = from.fingers[index];
        holds[count] = from.holds[index];
        sounds[count] = from.sounds[index];
        plucks[count] = from.plucks[index];
        placings[count] = from.placings[index];
        shapes[count] = from.shapes[index];
        struck[count++] = from.struck[index];
    }

    private void grow() {
        int size = 2 * count;
        presses = Arrays.copyOf(presses, size * Fingering.FINGERS);
        positions = Arrays.copyOf(positions, size);
        tunes = Arrays.copyOf(tunes, size);
        basses = Arrays.copyOf(basses, size);
        frets = Arrays.copyOf(frets, size);
        fingers = Arrays.copyOf(fingers, size);
        holds = Arrays.copyOf(holds, size);
        sounds = Arrays.copyOf(sounds, size);
        plucks = Arrays.copyOf(plucks, size);
        placings = Arrays.copyOf(placings, size);
        struck = Arrays.copyOf(struck, size);
        shapes = Arrays.copyOf(shapes, size);
        pairs = Arrays.copyOf(pairs, size);
        variants = Arrays.copyOf(variants, size);
    }

    /** What all candidates so far lose. */
    int unplayable() {
        return unplayable;
    }

    /** The cheapest candidate so far that loses as little as what is added next, for a beat, in thousandths. */
    int least() {
        return isBetter() ? Integer.MAX_VALUE : least;
    }

    public boolean isEmpty() {
        return count == 0;
    }

    /** Those at most so much dearer than the cheapest, and the cheapest of each place of the tune and of the bass. */
    private int[] inOrder(int slack) {
        long[] keys = new long[count];
        for (int i = 0; i < count; i++) {
            keys[i] = (long) (holds[i] + sounds[i]) << Integer.SIZE | i;
        }
        Arrays.sort(keys);
        long dearest = (long) least + slack;
        boolean[] tuneSeen = new boolean[16];
        boolean[] bassSeen = new boolean[16 << 6];
        int[] order = new int[Math.min(count, MOST)];
        int kept = 0;
        for (int at = 0; at < count && kept < order.length; at++) {
            int i = (int) keys[at];
            int bass = bassPlace(i);
            if (!tuneSeen[tunes[i]] || !bassSeen[bass] || keys[at] >> Integer.SIZE <= dearest) {
                order[kept++] = i;
            }
            tuneSeen[tunes[i]] = true;
            bassSeen[bass] = true;
        }
        return Arrays.copyOf(order, kept);
    }

    private int bassPlace(int candidate) {
        return basses[candidate] << 6
                | (basses[candidate] == Layer.NONE ? 0 : Stops.at(frets[candidate], basses[candidate]));
    }

    /** The layer of all candidates that are at most so much dearer by themselves than the cheapest. */
    public Layer all(double slack) {
        return new Layer(this, inOrder(Effort.thousandths(slack)));
    }

    /** Whether a candidate is the one before with other places of the inner strokes. */
    private boolean isVariant(int candidate) {
        return variants[candidate] > 0;
    }

    /**
     * The layer of the most promising: some that are the cheapest by themselves, and the cheapest few of each place
     * of the tune, of the bass and of the hand together.
     *
     * @param ofEach how many of each; with 0 the cheapest of each place of tune and bass, wherever the hand stands
     */
    public Layer promising(int ofEach) {
        byte[] ofKind = new byte[(pair + 1) * Layer.POSITIONS];
        int[] order = inOrder(Integer.MAX_VALUE >> 1);
        int chosen = 0;
        int cheapest = 0;
        for (int candidate : order) {
            boolean rough = ofEach == 0;
            int kind = pairs[candidate] * Layer.POSITIONS + (rough ? 0 : positions[candidate]);
            boolean plain = !isVariant(candidate);
            boolean among = cheapest < (rough ? CHEAPEST_ROUGHLY : CHEAPEST);
            cheapest += among && plain ? 1 : 0;
            if (!among && (plain || ofEach > 1) && ofKind[kind] < Math.max(1, ofEach)) {
                ofKind[kind]++;
                among = true;
            }
            if (among) {
                order[chosen++] = candidate;
            }
        }
        return new Layer(this, Arrays.copyOf(order, chosen));
    }
}

package phalanx.arrange.search;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.Clock;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.righthand.InnerStroke;

/**
 * The row of slots with all their candidates: what each costs and what each change costs, packed into longs with tune
 * notes lost or cut above effort in grains. Both fit for the longest songs: {@value #TUNE_AT} bits of grains are 73
 * million effort, the rest counts two million cuts. What cannot be played at all is the same for all candidates of a
 * slot and stands apart.
 */
public final class SongGraph implements LayeredGraph {
    /**
     * Ways to a candidate that are this much dearer than to another are not followed, in effort: hardly any change is
     * worth that much (measured, not proven; see docs/performance.md).
     */
    static final double FURTHEST = 12;

    static final int TUNE_AT = 42;
    static final long TUNE_CUT = 1L << TUNE_AT;
    static final int BASS_CUT = Effort.thousandths(Weights.BASS_CUT) * Effort.STEPS;
    static final int INNER_CUT = Effort.thousandths(Weights.INNER_CUT) * Effort.STEPS;

    private final List<Slot> slots;
    private final Layer[] layers;
    private final int[] steps;
    private final Pace[] paces;
    private final MoveMeter meter;
    private final Instrument instrument;
    private final BooleanSupplier cancelled;
    private final long furthest;

    /**
     * @param slots of the song
     * @param tempo quarter notes a minute
     * @param layers the candidates of each slot
     * @param meter of moves
     * @param instrument the guitar
     * @param cancelled asked again and again while the work goes on
     */
    public SongGraph(
            List<Slot> slots,
            double tempo,
            Layer[] layers,
            MoveMeter meter,
            Instrument instrument,
            BooleanSupplier cancelled) {
        this.slots = slots;
        this.layers = layers.clone();
        this.meter = meter;
        this.instrument = instrument;
        this.cancelled = cancelled;
        this.furthest = IMPOSSIBLE;
        Clock clock = new Clock(tempo);
        this.paces = slots.stream().map(slot -> pace(slot, clock)).toArray(Pace[]::new);
        this.steps = slots.stream().mapToInt(Slot::holdSteps).toArray();
    }

    private SongGraph(SongGraph other, List<Slot> slots, Layer[] layers, BooleanSupplier cancelled, long furthest) {
        this.slots = slots;
        this.layers = layers;
        this.meter = other.meter;
        this.instrument = other.instrument;
        this.paces = other.paces;
        this.steps = other.steps;
        this.cancelled = cancelled;
        this.furthest = furthest;
    }

    private SongGraph(SongGraph other, List<Slot> slots, Layer[] layers) {
        this(other, slots, layers, other.cancelled, other.furthest);
    }

    /** The same graph, with ways left out that are {@value #FURTHEST} effort dearer than others that lead as far. */
    SongGraph near() {
        return new SongGraph(this, slots, layers, cancelled, Math.round(FURTHEST * Effort.GRAINS));
    }

    /** The same graph with all ways. */
    SongGraph wide() {
        return new SongGraph(this, slots, layers, cancelled, IMPOSSIBLE);
    }

    /** The same graph, to be given up on another request. */
    public SongGraph withCancel(BooleanSupplier newCancelled) {
        return new SongGraph(this, slots, layers, newCancelled, furthest);
    }

    /** The same slots with other candidates. */
    SongGraph with(Layer[] other) {
        return new SongGraph(this, slots, other.clone());
    }

    /** The same slots with no candidates yet. */
    SongGraph growing() {
        return new SongGraph(this, slots, new Layer[layers.length]);
    }

    /** Puts in the candidates of a slot that has none. */
    void grow(int at, Layer layer) {
        layers[at] = layer;
    }

    /** The same graph with one slot and its candidates exchanged. */
    SongGraph with(int at, Slot slot, Layer layer) {
        List<Slot> otherSlots = new ArrayList<>(slots);
        otherSlots.set(at, slot);
        Layer[] otherLayers = layers.clone();
        otherLayers[at] = layer;
        return new SongGraph(this, otherSlots, otherLayers);
    }

    /** How much time a slot leaves for the change after it. */
    public static Pace pace(Slot slot, Clock clock) {
        int[] ticks = IntStream.concat(
                        IntStream.of(slot.startTick()),
                        slot.inner().stream().mapToInt(InnerStroke::tick).distinct())
                .toArray();
        return new Pace(clock, slot.startTick(), slot.endTick(), ticks);
    }

    void checkCancelled() {
        if (cancelled.getAsBoolean()) {
            throw new CancellationException(wording("SongGraph.arranging-was-cancelled"));
        }
    }

    public List<Slot> slots() {
        return slots;
    }

    public Layer layer(int at) {
        return layers[at];
    }

    MoveMeter meter() {
        return meter;
    }

    Pace paceAt(int at) {
        return paces[at];
    }

    Layer[] allLayers() {
        return layers.clone();
    }

    /** Whether a layer and the change into it are the same in another graph. */
    boolean sameAt(int at, SongGraph other) {
        return layers[at] == other.layers[at]
                && slots.get(at).equals(other.slots.get(at))
                && (at == 0 || paces[at - 1].equals(other.paces[at - 1]));
    }

    /** How many things no hand can do, over all slots. */
    public long unplayable() {
        long sum = 0;
        for (Layer layer : layers) {
            sum += layer.unplayable;
        }
        return sum;
    }

    /** Tune notes in a packed cost. */
    public static long tune(long packed) {
        return packed >> TUNE_AT;
    }

    /** Effort in a packed cost, in grains. */
    public static long grains(long packed) {
        return packed & (1L << TUNE_AT) - 1;
    }

    @Override
    public int layers() {
        return layers.length;
    }

    @Override
    public int candidates(int at) {
        return layers[at].count;
    }

    @Override
    public long cost(int at, int candidate) {
        return cost(at, layers[at], candidate);
    }

    /** The same of a candidate of another layer for the same slot. */
    long cost(int at, Layer layer, int candidate) {
        return ((long) layer.lost << TUNE_AT) + layer.own(candidate, steps[at]);
    }

    @Override
    public int firstStroke(int at, int candidate) {
        return layers[at].placings[candidate].first();
    }

    @Override
    public int lastStroke(int at, int candidate) {
        return layers[at].placings[candidate].last();
    }

    @Override
    public long ringsOn(int at, int candidate) {
        return at + 1 == layers.length ? 0 : sounding(at + 1, layers[at], candidate);
    }

    @Override
    public long hasRungOn(int at, int candidate) {
        return at == 0 ? 0 : sounding(at, layers[at], candidate);
    }

    /** The places of a candidate's notes that ring over the beginning of a slot. */
    private long sounding(int at, Layer layer, int candidate) {
        Slot slot = slots.get(at);
        long tune = slot.melodyRingsOn() ? layer.tunePlaces[candidate] : 0;
        return tune << Integer.SIZE | (slot.bassRingsOn() ? layer.bassPlaces[candidate] : 0);
    }

    @Override
    public long furthest() {
        return furthest;
    }

    @Override
    public long repeat() {
        return (long) Ear.REPEATED * Effort.STEPS;
    }

    @Override
    public Changes changes(int at) {
        checkCancelled();
        return table(at, layers[at - 1], layers[at]);
    }

    /** The changes into a layer between other candidates of the same slots. */
    ChangeTable table(int at, Layer before, Layer after) {
        return new ChangeTable(
                before, after, slots.get(at - 1), slots.get(at), meter.table(), paces[at - 1], instrument);
    }
}

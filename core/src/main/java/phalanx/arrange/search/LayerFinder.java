package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.LongAdder;
import java.util.function.Function;
import java.util.stream.Collectors;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Pins;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Effort;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.shape.Ways;
import phalanx.lefthand.track.MoveMeter;

/**
 * Finds the ways to serve a slot and remembers them: slots that ask for the same share a layer.
 *
 * <p>The rules: every place of the tune's note with every place of the bass below it; besides, up to
 * {@link #MOST_STOPPED} further strings stopped at tones of the chord ({@link #MOST_IDLE} where no inner stroke falls,
 * only to stay where a finger was, and none then in rough answers), above the tune only where strokes may be, within the
 * hand's span and a fret more for the thumb; every fingering of these frets; every position from which the fingers can
 * stand so. The thumb never has the tune's note. Inner strokes take the strings that the ear likes best. All of these take
 * part, but for those that cost {@link #SLACK} more by themselves than the cheapest: no change is worth that much (measured
 * in the bench, see docs/performance.md).
 */
public final class LayerFinder {
    /** Strings stopped besides tune and bass where inner strokes fall. */
    static final int MOST_STOPPED = 2;
    /** The same where none falls: a finger that only stays. */
    static final int MOST_IDLE = 1;
    /** A candidate this much dearer by itself than the slot's cheapest, at one beat, is left out. In effort. */
    static final double SLACK = 6.5;
    /** The same in the quick search for the most promising. */
    private static final double QUICK_SLACK = 2.6;
    /** The same for a rough answer. */
    private static final double ROUGH_SLACK = 1.5;
    /** So many candidates of either kind are remembered from song to song; then it begins anew. */
    private static final long MOST_KEPT = 600_000;
    /** What a candidate takes about. */
    private static final long BYTES = 90;
    /** All candidates of one song take no more than this share of the memory. */
    private static final long MEMORY_SHARE = 8;

    private static final int OUT_OF_REACH = 1;
    private static final int NO_PITCH = -1;
    /** How far bass and tune may lie apart, in spans of the hand: barres and open strings help a little. */
    private static final double WIDEST_PAIR = 1.5;

    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final Instrument instrument;
    private final int strings;
    private final int highestBass;
    private final ShapeBook book;
    /** The pitch of each string at each fret, {@link #NO_PITCH} where it cannot sound there. */
    private final int[][] pitches;
    /** For each fret the lowest that a hand may hold with it. */
    private final int[] lowestWithin;

    private final Map<Integer, Map<Slot.Demand, Layer>> promising = new ConcurrentHashMap<>();
    private final Map<Slot.Demand, Boolean> locksKept = new ConcurrentHashMap<>();
    private final Map<Slot.Demand, Boolean> pinsKept = new ConcurrentHashMap<>();
    private final Map<Slot.Demand, Layer> all = new ConcurrentHashMap<>();
    private final LongAdder kept = new LongAdder();
    private final LongAdder keptPromising = new LongAdder();

    public LayerFinder(FingeringFinder finder, MoveMeter meter) {
        this.finder = finder;
        this.meter = meter;
        this.instrument = finder.instrument();
        this.strings = instrument.strings();
        this.highestBass = BassEar.highestBass(instrument);
        this.book = new ShapeBook(FingeringFinder.forShapes(instrument, finder.hand()));
        this.pitches = new int[strings + 1][instrument.highestFret() + 1];
        for (int string = 1; string <= strings; string++) {
            for (int fret = 0; fret <= instrument.highestFret(); fret++) {
                pitches[string][fret] = instrument.has(string, fret) ? instrument.midi(string, fret) : NO_PITCH;
            }
        }
        this.lowestWithin = new int[instrument.highestFret() + 1];
        for (int fret = 1, lowest = 1; fret < lowestWithin.length; fret++) {
            while (instrument.alongMm(fret) - instrument.alongMm(lowest)
                    > finder.hand().spanMm()) {
                lowest++;
            }
            lowestWithin[fret] = Math.max(1, lowest - 1);
        }
    }

    public FingeringFinder finder() {
        return finder;
    }

    public MoveMeter meter() {
        return meter;
    }

    /** The shapes that players print. */
    public ShapeBook book() {
        return book;
    }

    /**
     * The most promising candidates of a row of slots, the same layer for the same demand. Demands not seen before are
     * shared out among the processor's cores.
     *
     * @param ofEach how many of each place of tune, bass and hand together; with 0 few, for a rough answer
     * @param check called before each search; what it throws ends the work
     */
    public Layer[] promising(List<Slot> slots, int ofEach, Runnable check) {
        Map<Slot.Demand, Layer> known = promising.computeIfAbsent(ofEach, few -> new ConcurrentHashMap<>());
        if (keptPromising.sum() > MOST_KEPT) {
            // what is asked for stays; after an edit that is little, for the solver keeps what it took over
            promising.keySet().retainAll(Set.of(ofEach));
            known.keySet().retainAll(slots.stream().map(Slot::demand).collect(Collectors.toSet()));
            locksKept.clear();
            pinsKept.clear();
            keptPromising.reset();
            keptPromising.add(known.values().stream().mapToLong(Layer::count).sum());
        }
        return layers(slots, known, demand -> {
            check.run();
            Layer found =
                    search(demand, ofEach == 0 ? ROUGH_SLACK : QUICK_SLACK).promising(ofEach);
            keptPromising.add(found.count());
            return found;
        });
    }

    /** Forgets all layers that no solved song holds: they are found again where they are asked for. */
    public void rest() {
        promising.clear();
        keptPromising.reset();
        forgetAll();
    }

    private void forgetAll() {
        all.clear();
        kept.reset();
    }

    /** Forgets all candidates where there are too many of earlier songs. */
    void forget() {
        forget(MOST_KEPT);
    }

    private void forget(long most) {
        if (kept.sum() > most) {
            forgetAll();
        }
    }

    /** All candidates of a row of slots. A song has several rows: what does not fit the memory is found again. */
    public Layer[] all(List<Slot> slots, Runnable check) {
        forget(Math.max(MOST_KEPT, Runtime.getRuntime().maxMemory() / (MEMORY_SHARE * BYTES)));
        return layers(slots, all, demand -> {
            check.run();
            Layer found = search(demand, SLACK).all(SLACK);
            kept.add(found.count());
            return found;
        });
    }

    private static Layer[] layers(
            List<Slot> slots, Map<Slot.Demand, Layer> known, Function<Slot.Demand, Layer> search) {
        List<Slot.Demand> demands = slots.stream().map(Slot::demand).toList();
        demands.stream().filter(demand -> !known.containsKey(demand)).distinct().toList().parallelStream()
                .forEach(demand -> known.computeIfAbsent(demand, search));
        // found again where another thread has made room
        return demands.stream()
                .map(demand -> known.computeIfAbsent(demand, search))
                .toArray(Layer[]::new);
    }

    private LayerBuilder search(Slot.Demand demand, double slack) {
        return demand.locked()
                .flatMap(held -> new HeldSearch(this, demand).locked(held))
                .or(() -> demand.wanted().wholeShapes() ? printed(demand) : Optional.empty())
                .orElseGet(() -> new Search(demand.unlocked(), slack).run());
    }

    private Optional<LayerBuilder> printed(Slot.Demand demand) {
        return demand.chord().flatMap(chord -> new HeldSearch(this, demand.unlocked()).printed(book.of(chord)));
    }

    /** Whether a slot's locked shape can be held under what it asks for; true where there is none. */
    boolean keepsLock(Slot slot) {
        return slot.locked().isEmpty()
                || locksKept.computeIfAbsent(slot.demand(), demand -> new HeldSearch(this, demand)
                        .locked(demand.locked().get())
                        .isPresent());
    }

    /** Slots without the locks and pins that cannot be kept in them: these are left, and the audit says so. */
    List<Slot> keepable(List<Slot> slots) {
        List<Slot> kept = slots.stream()
                .map(slot -> keepsLock(slot) ? slot : slot.unlocked())
                .toList();
        boolean pinned = kept.stream().anyMatch(slot -> !slot.wanted().pins().equals(Pins.NONE));
        return pinned
                ? kept.parallelStream()
                        .map(slot -> keepsPins(slot) ? slot : slot.unpinned())
                        .toList()
                : kept;
    }

    /** Whether what is decided of a slot's places leaves a way that can be held; true where nothing is. */
    private boolean keepsPins(Slot slot) {
        if (slot.wanted().pins().equals(Pins.NONE)) {
            return true;
        }
        return pinsKept.computeIfAbsent(slot.demand(), demand -> {
            LayerBuilder pinned = search(demand, ROUGH_SLACK);
            if (pinned.isEmpty()) {
                return false;
            }
            LayerBuilder free = search(slot.unpinned().demand(), ROUGH_SLACK);
            return pinned.unplayable() <= free.unplayable() && pinned.lost <= free.lost;
        });
    }

    CandidateAdder adder(Slot.Demand demand) {
        return new CandidateAdder(finder, meter.table(), demand);
    }

    private final class Search {
        private final Slot.Demand demand;
        private final CandidateAdder adder;
        private final int slack;
        private final int mostStopped;
        private final int above;
        private final int[] frets = new int[strings];

        Search(Slot.Demand demand, double slack) {
            this.demand = demand;
            this.adder = adder(demand);
            this.slack = Effort.thousandths(slack);
            this.mostStopped = demand.inner()
                    ? MOST_STOPPED
                    : slack > ROUGH_SLACK && demand.chord().isPresent() ? MOST_IDLE : 0;
            this.above = demand.above();
            Arrays.fill(frets, Shape.SILENT);
        }

        LayerBuilder run() {
            Map<Place, Integer> ofTune = new HashMap<>();
            Map<Place, Integer> ofBass = new HashMap<>();
            for (Pair pair : pairs()) {
                boolean few =
                        ofTune.merge(pair.tune, 1, Integer::sum) == 1 | ofBass.merge(pair.bass, 1, Integer::sum) == 1;
                if (adder.admits(pair.tune, pair.bass, 0) && (few || !isBeyond(pair.least))) {
                    adder.begin(pair.tune, pair.bass);
                    put(pair.tune, pair.tune.fret());
                    put(pair.bass, pair.bass.fret());
                    add(pair.tune, pair.bass, strings, mostStopped, true, few);
                    put(pair.tune, Shape.SILENT);
                    put(pair.bass, Shape.SILENT);
                }
            }
            if (demand.hasRows()) {
                demand.chord()
                        .ifPresent(chord -> new HeldSearch(LayerFinder.this, demand, adder).printed(book.of(chord)));
            }
            if (adder.found().isEmpty() || adder.found().unplayable() > 0) {
                addOutOfReach();
            }
            return adder.found();
        }

        /** Whether something that costs at least so much by itself is too dear. */
        private boolean isBeyond(int least) {
            return least - slack > adder.found().least();
        }

        private record Pair(Place tune, Place bass, int least) {}

        /** The places of tune and bass together, the cheapest first by what they cost alone. */
        private List<Pair> pairs() {
            List<Pair> pairs = new ArrayList<>();
            for (Place tune : adder.tunes()) {
                for (Place bass : basses(tune)) {
                    put(tune, tune.fret());
                    put(bass, bass.fret());
                    Ways ways = finder.ways(frets);
                    // a third finger may bring the thumb or a barre within reach of what two alone do not hold
                    int hold = ways.count() == 0 ? 0 : ways.effort(0);
                    pairs.add(new Pair(tune, bass, hold + adder.places(tune, bass)));
                    put(tune, Shape.SILENT);
                    put(bass, Shape.SILENT);
                }
            }
            pairs.sort(Comparator.comparingInt(Pair::least));
            return pairs;
        }

        private void put(Place place, int fret) {
            if (!place.isNowhere()) {
                frets[strings - place.string()] = fret;
            }
        }

        private List<Place> basses(Place tune) {
            List<Place> places = new ArrayList<>();
            if (demand.bassAllowed() != 0) {
                for (int string = strings; string > tune.string(); string--) {
                    for (int fret = 0; fret <= instrument.highestFret(); fret++) {
                        int midi = pitches[string][fret];
                        if (midi != NO_PITCH
                                && (demand.bassAllowed() >> midi % 12 & 1) == 1
                                && midi <= highestBass
                                && adder.isBelowTune(midi)
                                && spannable(tune, fret)) {
                            places.add(new Place(string, fret));
                        }
                    }
                }
            }
            places.add(Place.NOWHERE);
            return places;
        }

        private boolean spannable(Place tune, int fret) {
            int other = tune.fret();
            return fret == 0
                    || other == 0
                    || Math.abs(instrument.alongMm(fret) - instrument.alongMm(other))
                            <= WIDEST_PAIR * finder.hand().spanMm();
        }

        /**
         * Leaves each further string alone or stops it at a tone of the chord, below the tune where it lies between bass
         * and tune, beyond the tune's string where strokes may. A string below the bass is stopped only to keep a finger there.
         */
        private void add(Place tune, Place bass, int string, int left, boolean mayBeBelowBass, boolean all) {
            Ways ways = finder.ways(frets);
            int more = adder.places();
            for (int way = 0; way < ways.count() && (all || !isBeyond(ways.effort(way) + more)); way++) {
                adder.add(ways.presses(way), 0, ways.effort(way));
            }
            if (left == 0 || ways.count() > 0 && isBeyond(ways.effort(0) + more)) {
                return;
            }
            for (int next = string; next > (above > 0 ? 0 : tune.string()); next--) {
                boolean below = !bass.isNowhere() && next > bass.string();
                if (next != bass.string() && next != tune.string() && (!below || mayBeBelowBass)) {
                    stop(tune, bass, next, left, below);
                }
            }
        }

        private void stop(Place tune, Place bass, int string, int left, boolean below) {
            int lowest = Integer.MAX_VALUE;
            int highest = 0;
            for (int fret : frets) {
                if (fret > 0) {
                    lowest = Math.min(lowest, fret);
                    highest = Math.max(highest, fret);
                }
            }
            int from = highest == 0 ? 1 : lowestWithin[highest];
            for (int fret = from;
                    fret <= instrument.highestFret() && (highest == 0 || lowestWithin[fret] <= lowest);
                    fret++) {
                int midi = pitches[string][fret];
                boolean low = string < tune.string() ? midi < above : below || adder.isBelowTune(midi);
                if (midi != NO_PITCH && low && adder.isTone(midi)) {
                    frets[strings - string] = fret;
                    add(tune, bass, string - 1, left - 1, !below, false);
                    frets[strings - string] = Shape.SILENT;
                }
            }
        }

        /** Tune and bass alone, beyond the hand's reach: the lower fret with finger 1, the higher with 4. */
        private void addOutOfReach() {
            for (Place tune : adder.tunes()) {
                for (Place bass : basses(tune)) {
                    if (!tune.isNowhere() && !bass.isNowhere() && adder.admits(tune, bass, OUT_OF_REACH)) {
                        addOutOfReach(tune, bass);
                    }
                }
            }
        }

        private void addOutOfReach(Place tune, Place bass) {
            boolean bassLower = bass.fret() <= tune.fret();
            Place low = bassLower ? bass : tune;
            Place high = bassLower ? tune : bass;
            put(tune, tune.fret());
            put(bass, bass.fret());
            if (low.fret() > 0 && finder.ways(frets).count() == 0) {
                int[] presses = new int[Fingering.FINGERS];
                presses[0] = Press.pack(low.fret(), low.string(), low.string());
                presses[3] = Press.pack(high.fret(), high.string(), high.string());
                adder.begin(tune, bass);
                adder.add(presses, 0, hold(frets, presses));
            }
            put(tune, Shape.SILENT);
            put(bass, Shape.SILENT);
        }
    }

    /** Effort of holding frets with given fingers for a beat, in thousandths. */
    int hold(int[] frets, int[] presses) {
        return (int) (finder.effort(frets, Fingering.ofPacked(presses)).grains() / Effort.STEPS);
    }
}

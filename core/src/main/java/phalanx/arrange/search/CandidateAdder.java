package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.TuneEar;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.MoveTable;
import phalanx.lefthand.track.Stops;
import phalanx.theory.ChordSymbol;

/** Adds the candidates of fingerings one after another. */
final class CandidateAdder {
    private static final int BASS_LOST = 2;
    private static final int OFF_POSITION = Effort.thousandths(Weights.OFF_POSITION);

    private final FingeringFinder finder;
    private final Instrument instrument;
    private final int strings;
    private final Slot.Demand demand;
    private final Ear ear;
    private final int ceiling;
    private final int chordTones;
    private final int below;
    private final boolean above;
    private final LayerBuilder found;
    private final Map<Long, List<Ear.Placing>> placings = new HashMap<>();
    private final Map<Long, Integer> thins = new HashMap<>();
    private long lastKey = -1;
    private long lastThinKey = -1;
    private int lastThin;
    private List<Ear.Placing> lastPlacings = List.of(Ear.Placing.NONE);
    /** Which of the chord's printed shapes is held, {@link Layer#NO_SHAPE} where none is, and what that costs the ear for a beat. */
    private int shape = Layer.NO_SHAPE;

    private int shapeCost;
    private Place tune = Place.NOWHERE;
    private Place bass = Place.NOWHERE;
    /** What these two cost the ear, in thousandths. */
    private int places;

    CandidateAdder(FingeringFinder finder, MoveTable table, Slot.Demand demand) {
        this.finder = finder;
        this.instrument = finder.instrument();
        this.strings = instrument.strings();
        this.found = new LayerBuilder(table);
        this.demand = demand;
        this.ear = new Ear(demand);
        this.ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        this.below = demand.below();
        this.above = demand.above() > 0;
        this.chordTones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
    }

    LayerBuilder found() {
        return found;
    }

    /** Whether a pitch is a tone of the chord or the tune's second note. */
    boolean isTone(int midi) {
        return (chordTones >> midi % 12 & 1) == 1 || midi == below;
    }

    /** What is added next holds a printed shape of the chord. */
    void holds(int newShape, int thousandths) {
        shape = newShape;
        shapeCost = thousandths;
    }

    boolean isBelowTune(int midi) {
        return midi < ceiling;
    }

    /** All places of the tune's note; nowhere, too, where none must begin or none exists. */
    List<Place> tunes() {
        List<Place> places = new ArrayList<>();
        demand.melody().ifPresent(midi -> {
            for (int string = 1; string <= strings; string++) {
                int fret = instrument.fretOf(string, midi);
                if (instrument.has(string, fret)) {
                    places.add(new Place(string, fret));
                }
            }
        });
        int pinned = demand.melodyBegins() ? demand.wanted().pins().tuneString() : 0;
        if (places.stream().anyMatch(place -> place.string() == pinned)) {
            places.removeIf(place -> place.string() != pinned);
        }
        if (places.isEmpty() || !demand.melodyBegins()) {
            places.add(Place.NOWHERE);
        }
        return places;
    }

    boolean admits(Place tune, Place bass, int outOfReach) {
        int pinned = demand.wanted().pins().bassString();
        if (demand.bassBegins() && pinned > 0 && bass.string() != pinned) {
            return false;
        }
        boolean noBass = demand.bassBegins() && bass.isNowhere();
        boolean tuneIsBass = noBass && !tune.isNowhere() && BassEar.tuneMayBeBass(instrument, demand);
        int unplayable = outOfReach + (noBass && !tuneIsBass ? BASS_LOST : 0);
        int lost = demand.melodyBegins() && tune.isNowhere() ? Cost.LOST : 0;
        return found.admits(unplayable, lost);
    }

    /** What is added next has the tune's note and the bass there. */
    void begin(Place tuneAt, Place bassAt) {
        tune = tuneAt;
        bass = bassAt;
        places = places(tune, bass);
        placings.clear();
        thins.clear();
        lastKey = -1;
        lastThinKey = -1;
        found.beginPair();
    }

    /**
     * Adds a fingering at all positions where the hand can stand so.
     *
     * @param silent strings on which no inner stroke may fall, bit s for string s
     * @param hold effort of holding for a beat, in thousandths
     */
    void add(int[] presses, int silent, int hold) {
        int thumb = presses[Fingering.THUMB];
        boolean thumbHasTune = thumb != 0
                && !tune.isNowhere()
                && tune.fret() == Press.fret(thumb)
                && tune.string() == Press.bassString(thumb);
        if (thumbHasTune) {
            return;
        }
        Stops stops = Stops.of(presses);
        if (!demand.wanted().pins().allow(presses, stops, tune.string(), bass.string())) {
            return;
        }
        int thin = thin(stops, silent);
        List<Ear.Placing> ways = demand.inner() ? placings(stops, silent) : List.of(Ear.Placing.NONE);
        for (int variant = 0; variant < ways.size(); variant++) {
            add(presses, stops, hold + thin, ways.get(variant), variant);
        }
    }

    private void add(int[] presses, Stops stops, int hold, Ear.Placing placing, int variant) {
        int sound = placing.thousandths() + places + TuneEar.aboveWish(presses, demand);
        int inner = placing.struck() & ~(1 << tune.string() | 1 << bass.string());
        int held = hold + finder.besideBarres(presses, stops.open(inner));
        int beginning =
                (demand.melodyBegins() ? 1 << tune.string() : 0) | (demand.bassBegins() ? 1 << bass.string() : 0);
        int plucks = Layer.plucks(stops, beginning, placing);
        int natural = Position.natural(presses);
        int lowest = natural == 0 ? 1 : natural - Position.TOLERANCE;
        int highest = natural == 0
                ? instrument.highestFret()
                : Math.min(instrument.highestFret(), natural + Position.TOLERANCE);
        for (int position = lowest; position <= highest; position++) {
            if (Position.admits(presses, position)) {
                int away = OFF_POSITION * Position.away(presses, position);
                found.add(
                        presses,
                        stops,
                        position,
                        tune.string(),
                        bass.string(),
                        held + away + shapeCost,
                        sound,
                        plucks,
                        placing,
                        shape,
                        variant);
            }
        }
    }

    /** What the places of tune and bass of what is added cost the ear, in thousandths. */
    int places() {
        return places;
    }

    /** What places of tune and bass cost the ear, in thousandths. */
    int places(Place tune, Place bass) {
        int tunePlace = demand.melodyBegins() && !tune.isNowhere()
                ? TuneEar.tunePlace(instrument, tune.string(), tune.fret())
                : 0;
        return tunePlace + bassPlace(tune, bass);
    }

    private int bassPlace(Place tune, Place bass) {
        if (bass.isNowhere() && demand.bassBegins()) {
            return tune.isNowhere() || !BassEar.tuneMayBeBass(instrument, demand)
                    ? 0
                    : BassEar.tuneAsBass(instrument, demand);
        }
        return bass.isNowhere()
                ? 0
                : BassEar.bassPlace(
                        demand.bassPreferred(),
                        demand.wanted().bassMidi(),
                        bass.string(),
                        bass.fret(),
                        instrument.midi(bass.string(), bass.fret()),
                        strings);
    }

    /** What a thin sound costs for each beat, in thousandths. */
    private int thin(Stops stops, int silent) {
        if (demand.wanted().strings() == 0) {
            return 0;
        }
        long key = key(stops);
        if (key != lastThinKey) {
            lastThinKey = key;
            lastThin = thins.computeIfAbsent(FingeringFinder.spread(key), k -> {
                int sounding = (tune.isNowhere() ? 0 : 1) + (bass.isNowhere() ? 0 : 1);
                return Ear.thin(demand, sounding, scene(stops, silent));
            });
        }
        return lastThin;
    }

    private long key(Stops stops) {
        long key = 0;
        int below = bass.isNowhere() ? strings + 1 : bass.string();
        for (int string = above ? 1 : tune.string() + 1; string < below; string++) {
            key = key << 6 | stops.fret(string) + 1;
        }
        return key;
    }

    private List<Ear.Placing> placings(Stops stops, int silent) {
        long key = key(stops);
        if (key != lastKey) {
            lastKey = key;
            lastPlacings = placings.computeIfAbsent(FingeringFinder.spread(key), k -> ear.places(scene(stops, silent)));
        }
        return lastPlacings;
    }

    private Scene scene(Stops stops, int silent) {
        int tuneMidi = tune.isNowhere() ? -1 : instrument.midi(tune.string(), tune.fret());
        int bassMidi = bass.isNowhere() ? -1 : instrument.midi(bass.string(), bass.fret());
        return Scene.of(instrument, demand, stops, tune.string(), tuneMidi, bass.string(), bassMidi, silent);
    }
}

package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.MoveTable;
import phalanx.lefthand.track.Stops;
import phalanx.theory.ChordSymbol;

/** Adds the candidates of fingerings one after another. */
final class CandidateAdder {
    private static final int BASS_LOST = 2;
    private static final int OFF_POSITION = Effort.thousandths(Weights.OFF_POSITION);

    private final Instrument instrument;
    private final int strings;
    private final Slot.Demand demand;
    private final Ear ear;
    private final int ceiling;
    private final int chordTones;
    private final LayerBuilder found;
    private final Map<Long, Ear.Placing> placings = new HashMap<>();
    private long lastKey = -1;
    private Ear.Placing lastPlacing = Ear.Placing.NONE;

    CandidateAdder(Instrument instrument, MoveTable table, Slot.Demand demand) {
        this.instrument = instrument;
        this.strings = instrument.strings();
        this.found = new LayerBuilder(table);
        this.demand = demand;
        this.ear = new Ear(demand);
        this.ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        this.chordTones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
    }

    LayerBuilder found() {
        return found;
    }

    /** Whether a pitch is a tone of the chord. */
    boolean isTone(int midi) {
        return (chordTones >> midi % 12 & 1) == 1;
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
        if (places.isEmpty() || !demand.melodyBegins()) {
            places.add(Place.NOWHERE);
        }
        return places;
    }

    boolean admits(Place tune, Place bass, int outOfReach) {
        int unplayable = outOfReach + (demand.bassBegins() && bass.isNowhere() ? BASS_LOST : 0);
        int lost = demand.melodyBegins() && tune.isNowhere() ? Cost.LOST : 0;
        return found.admits(unplayable, lost);
    }

    /** Forgets what it knew of sounds: tune or bass change. */
    void begin() {
        placings.clear();
        lastKey = -1;
        found.beginPair();
    }

    /**
     * Adds a fingering at all positions where the hand can stand so.
     *
     * @param silent strings on which no inner stroke may fall, bit s for string s
     * @param hold effort of holding for a beat, in thousandths
     */
    void add(int[] presses, Place tune, Place bass, int silent, int hold) {
        int thumb = presses[Fingering.THUMB];
        boolean thumbHasTune = thumb != 0
                && !tune.isNowhere()
                && tune.fret() == Press.fret(thumb)
                && tune.string() == Press.bassString(thumb);
        if (thumbHasTune) {
            return;
        }
        Stops stops = Stops.of(presses);
        Ear.Placing placing = demand.inner() ? placing(stops, tune, bass, silent) : Ear.Placing.NONE;
        int sound = placing.thousandths() + bassPlace(bass);
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
                found.add(presses, stops, position, tune.string(), bass.string(), hold + away, sound, plucks, placing);
            }
        }
    }

    int bassPlace(Place bass) {
        return bass.isNowhere()
                ? 0
                : Ear.bassPlace(
                        demand.bassPreferred(),
                        bass.string(),
                        bass.fret(),
                        instrument.midi(bass.string(), bass.fret()),
                        strings);
    }

    private Ear.Placing placing(Stops stops, Place tune, Place bass, int silent) {
        long key = 0;
        int below = bass.isNowhere() ? strings + 1 : bass.string();
        for (int string = tune.string() + 1; string < below; string++) {
            key = key << 6 | stops.fret(string) + 1;
        }
        if (key != lastKey) {
            lastKey = key;
            lastPlacing = placings.computeIfAbsent(key, k -> ear.place(scene(stops, tune, bass, silent)));
        }
        return lastPlacing;
    }

    private Ear.Scene scene(Stops stops, Place tune, Place bass, int silent) {
        int tuneMidi = tune.isNowhere() ? -1 : instrument.midi(tune.string(), tune.fret());
        int bassMidi = bass.isNowhere() ? -1 : instrument.midi(bass.string(), bass.fret());
        return new Ear.Scene(
                tuneMidi, bassMidi, Ear.free(instrument, demand, stops, tune.string(), bass.string(), silent));
    }
}

package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Slot;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;

/**
 * Finds the ways to serve a slot with a locked shape: its bass strings with its own tune note, or, where it has none of
 * that pitch, with the note beside it, taken by a free finger or one lifted from the shape.
 */
final class LockedSearch {
    private final LayerFinder layers;
    private final FingeringFinder finder;
    private final Instrument instrument;
    private final Slot.Demand demand;
    private final HeldShape held;
    private final CandidateAdder adder;

    LockedSearch(LayerFinder layers, Slot.Demand demand, HeldShape held) {
        this.layers = layers;
        this.finder = layers.finder();
        this.instrument = finder.instrument();
        this.demand = demand;
        this.held = held;
        this.adder = layers.adder(demand);
    }

    /** All of them that lose neither tune nor bass; nothing when the lock cannot be kept. */
    Optional<LayerBuilder> run() {
        if (held.shape().strings() != instrument.strings() || !finder.holds(held.fingering())) {
            return Optional.empty();
        }
        for (Place tune : tunes()) {
            for (Place bass : basses(tune)) {
                adder.begin();
                for (Fingering fingering : fingerings(tune, bass)) {
                    add(fingering, tune, bass);
                }
            }
        }
        return adder.found().isEmpty() ? Optional.empty() : Optional.of(adder.found());
    }

    /** In the shape where it has the note; else anywhere. */
    private List<Place> tunes() {
        List<Place> all = adder.tunes();
        List<Place> own = all.stream()
                .filter(place -> place.isNowhere() || held.shape().fret(place.string()) == place.fret())
                .toList();
        return own.stream().allMatch(Place::isNowhere) ? all : own;
    }

    /** The shape's strings that have an allowed bass tone; its lowest one in any case, for it is the player's choice. */
    private List<Place> basses(Place tune) {
        List<Place> places = new ArrayList<>();
        if (demand.bassAllowed() != 0) {
            for (int string = instrument.strings(); string > tune.string(); string--) {
                if (held.shape().sounds(string)) {
                    int midi = instrument.midi(string, held.shape().fret(string));
                    boolean allowed = (demand.bassAllowed() >> midi % 12 & 1) == 1 || places.isEmpty();
                    if (allowed && adder.isBelowTune(midi)) {
                        places.add(new Place(string, held.shape().fret(string)));
                    }
                }
            }
        }
        if (!demand.bassBegins()) {
            places.add(Place.NOWHERE);
        }
        return places;
    }

    private List<Fingering> fingerings(Place tune, Place bass) {
        boolean inShape = tune.isNowhere() || held.shape().fret(tune.string()) == tune.fret();
        if (inShape) {
            return List.of(held.fingering());
        }
        List<Fingering> ways = new ArrayList<>(beside(held.fingering().presses(), tune));
        if (ways.isEmpty()) {
            for (Press lifted : held.fingering().presses()) {
                boolean stopsBass = lifted.covers(bass.string()) && lifted.fret() == bass.fret();
                if (bass.isNowhere() || !stopsBass) {
                    List<Press> kept = new ArrayList<>(held.fingering().presses());
                    kept.remove(lifted);
                    ways.addAll(beside(kept, tune));
                }
            }
        }
        return ways;
    }

    /** The presses with the tune's note added, by every finger that can. */
    private List<Fingering> beside(List<Press> presses, Place tune) {
        boolean covered =
                presses.stream().anyMatch(press -> press.covers(tune.string()) && press.fret() >= tune.fret());
        if (covered) {
            return List.of();
        }
        if (tune.fret() == 0) {
            return List.of(new Fingering(presses));
        }
        List<Fingering> ways = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            boolean free = presses.stream().noneMatch(press -> press.finger() == finger);
            if (free && finger != Finger.THUMB) {
                Press added = new Press(finger, tune.fret(), tune.string(), tune.string());
                Optional.of(new Fingering(presses).with(added))
                        .filter(finder::holds)
                        .ifPresent(ways::add);
            }
        }
        return ways;
    }

    private void add(Fingering fingering, Place tune, Place bass) {
        boolean lost = demand.melodyBegins() && tune.isNowhere() || demand.bassBegins() && bass.isNowhere();
        if (lost || !adder.admits(tune, bass, 0)) {
            return;
        }
        int[] frets = new int[instrument.strings()];
        int silent = Ear.silent(held.shape(), fingering);
        for (int string = 1; string <= frets.length; string++) {
            boolean plucked = string == tune.string() || string == bass.string();
            int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
            // an open string that need not sound is not looked at
            frets[frets.length - string] = plucked || stopped > 0 ? stopped : Shape.SILENT;
        }
        adder.add(fingering.packed(), tune, bass, silent, layers.hold(frets, fingering.packed()));
    }
}

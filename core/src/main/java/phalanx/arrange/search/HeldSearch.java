package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.ShapeEar;
import phalanx.arrange.demand.Slot;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.lefthand.shape.Ways;

/**
 * Finds the ways to serve a slot with a whole shape, a locked one or those that players print for its chord: its bass
 * strings with its own tune note, or, where it has none of that pitch, with the note beside it, taken by a free finger
 * or by one lifted from the shape. Under a chord's own shapes the thumb may have a note that they lack: an open string,
 * or one that a finger of the shape goes across to.
 */
final class HeldSearch {
    /** Fingerings of a printed shape this much dearer than its easiest are left out, in thousandths of effort. */
    private static final int DEARER_FINGERING = 600;

    private final LayerFinder layers;
    private final FingeringFinder finder;
    private final Instrument instrument;
    private final Slot.Demand demand;
    private final CandidateAdder adder;

    HeldSearch(LayerFinder layers, Slot.Demand demand) {
        this(layers, demand, layers.adder(demand));
    }

    /** One that adds to candidates found otherwise. */
    HeldSearch(LayerFinder layers, Slot.Demand demand, CandidateAdder adder) {
        this.layers = layers;
        this.finder = layers.finder();
        this.instrument = finder.instrument();
        this.demand = demand;
        this.adder = adder;
    }

    /** All of a locked shape that lose neither tune nor bass; nothing when the lock cannot be kept. */
    Optional<LayerBuilder> locked(HeldShape held) {
        if (held.shape().strings() != instrument.strings() || !finder.holds(held.fingering())) {
            return Optional.empty();
        }
        adder.holds(Layer.NO_SHAPE, ShapeEar.lockedShape(instrument, demand, held, layers.book()));
        new With(held, true).add();
        return found();
    }

    /**
     * All of a chord's printed shapes that lose neither tune nor bass; nothing where there are none.
     *
     * @param shapes the first of each family, in order
     */
    Optional<LayerBuilder> printed(List<ShapeOrder.Placed> shapes) {
        for (int index = 0; index < shapes.size(); index++) {
            Shape shape = shapes.get(index).shape().shape();
            if (demand.wanted().wholeShapes()) {
                adder.holds(index, ShapeEar.shape(shapes, index));
            }
            int[] frets = shape.frets().stream().mapToInt(Integer::intValue).toArray();
            Ways ways = finder.ways(frets);
            for (int way = 0; way < ways.count() && ways.effort(way) <= ways.effort(0) + DEARER_FINGERING; way++) {
                new With(new HeldShape(shape, ways.fingering(way)), false).add();
            }
        }
        return found();
    }

    private Optional<LayerBuilder> found() {
        return adder.found().isEmpty() ? Optional.empty() : Optional.of(adder.found());
    }

    /** With one shape. */
    private final class With {
        private final HeldShape held;
        private final Shape shape;
        private final boolean locked;

        With(HeldShape held, boolean locked) {
            this.held = held;
            this.shape = held.shape();
            this.locked = locked;
        }

        void add() {
            for (Place tune : tunes()) {
                for (Place bass : basses(tune)) {
                    adder.begin(tune, bass);
                    for (Fingering fingering : fingerings(tune, bass)) {
                        add(fingering, tune, bass);
                    }
                }
            }
        }

        private boolean has(Place place) {
            return place.isNowhere() || shape.fret(place.string()) == place.fret();
        }

        /** In the shape where it has the note; else anywhere. */
        private List<Place> tunes() {
            List<Place> all = adder.tunes();
            List<Place> own = all.stream().filter(this::has).toList();
            return own.stream().allMatch(Place::isNowhere) ? all : own;
        }

        /** The shape's strings that have an allowed bass tone, and what lies beside them. */
        private List<Place> basses(Place tune) {
            List<Place> places = new ArrayList<>();
            if (demand.bassAllowed() != 0) {
                for (int string = instrument.strings(); string > tune.string(); string--) {
                    int walked = instrument.fretOf(string, demand.wanted().bassMidi());
                    if (!locked
                            && demand.wanted().bassMidi() > 0
                            && adder.isBelowTune(demand.wanted().bassMidi())
                            && instrument.has(string, walked)
                            && walked != shape.fret(string)) {
                        places.add(new Place(string, walked));
                    }
                    if (shape.sounds(string)) {
                        int midi = instrument.midi(string, shape.fret(string));
                        // the lowest of a locked shape in any case, for it is the player's choice
                        boolean allowed = isAllowed(midi) || locked && places.isEmpty();
                        if (allowed && adder.isBelowTune(midi)) {
                            places.add(new Place(string, shape.fret(string)));
                        }
                    } else if (!locked) {
                        addBeside(string, places);
                    }
                }
            }
            if (!demand.bassBegins()) {
                places.add(Place.NOWHERE);
            }
            return places;
        }

        private boolean isAllowed(int midi) {
            return (demand.bassAllowed() >> midi % 12 & 1) == 1 && (locked || midi <= BassEar.highestBass(instrument));
        }

        /** A note that the shape lacks: open, or on a string and fret that one of its fingers goes across to. */
        private void addBeside(int string, List<Place> places) {
            List<Integer> frets = new ArrayList<>(List.of(0));
            held.fingering().presses().stream()
                    .filter(press -> !press.isBarre() && Math.abs(press.bassString() - string) == 1)
                    .forEach(press -> frets.add(press.fret()));
            for (int fret : frets) {
                int midi = instrument.midi(string, fret);
                if (instrument.has(string, fret) && isAllowed(midi) && adder.isBelowTune(midi)) {
                    places.add(new Place(string, fret));
                }
            }
        }

        private List<Fingering> fingerings(Place tune, Place bass) {
            List<Place> needed = new ArrayList<>(List.of(tune, bass));
            needed.removeIf(this::has);
            if (needed.isEmpty()) {
                return List.of(held.fingering());
            }
            List<Press> presses = held.fingering().presses();
            List<Fingering> ways = new ArrayList<>(beside(presses, needed));
            if (ways.isEmpty()) {
                for (Press lifted : presses) {
                    if (!stops(lifted, tune) && !stops(lifted, bass)) {
                        List<Press> kept = new ArrayList<>(presses);
                        kept.remove(lifted);
                        ways.addAll(beside(kept, needed));
                    }
                }
            }
            return ways;
        }

        private static boolean stops(Press press, Place place) {
            return !place.isNowhere() && press.covers(place.string()) && press.fret() == place.fret();
        }

        /** The presses with the notes added, by every finger that can. */
        private List<Fingering> beside(List<Press> presses, List<Place> needed) {
            if (needed.isEmpty()) {
                return List.of(new Fingering(presses));
            }
            Place place = needed.get(0);
            List<Place> rest = needed.subList(1, needed.size());
            boolean covered =
                    presses.stream().anyMatch(press -> press.covers(place.string()) && press.fret() >= place.fret());
            if (covered) {
                return List.of();
            }
            if (place.fret() == 0) {
                return beside(presses, rest);
            }
            List<Fingering> ways = new ArrayList<>();
            for (Finger finger : Finger.values()) {
                boolean free = presses.stream().noneMatch(press -> press.finger() == finger);
                if (free && finger != Finger.THUMB) {
                    Press added = new Press(finger, place.fret(), place.string(), place.string());
                    Fingering with = new Fingering(presses).with(added);
                    if (finder.holds(with)) {
                        ways.addAll(beside(with.presses(), rest));
                    }
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
            Arrays.fill(frets, Shape.SILENT);
            int silent = locked ? Scene.silent(shape, fingering) : 0;
            for (int string = 1; string <= frets.length; string++) {
                boolean plucked = string == tune.string() || string == bass.string();
                int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
                // an open string that need not sound is not looked at
                frets[frets.length - string] = plucked || stopped > 0 ? stopped : Shape.SILENT;
            }
            adder.add(fingering.packed(), silent, layers.hold(frets, fingering.packed()));
        }
    }
}

package phalanx.arrange;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.HeldShape;
import phalanx.lefthand.Press;

/**
 * Finds the ways to serve a slot with a locked shape: its bass strings with its own melody note, or, where it has none
 * of that pitch, with the note beside it, taken by a free finger or one lifted from the shape.
 */
final class LockedSearch {
    private final FingeringFinder finder;
    private final Instrument instrument;
    private final Slot.Demand demand;
    private final HeldShape held;
    private final DraftMaker maker;
    private final Shortlist found = new Shortlist(CandidateSearch.MOST);

    LockedSearch(FingeringFinder finder, Slot.Demand demand, HeldShape held) {
        this.finder = finder;
        this.instrument = finder.instrument();
        this.demand = demand;
        this.held = held;
        this.maker = new DraftMaker(instrument, demand);
    }

    /** All of them that lose neither melody nor bass; empty when the lock cannot be kept. */
    List<Candidate> run() {
        if (held.shape().strings() != instrument.strings() || !finder.holds(held.fingering())) {
            return List.of();
        }
        List<Place> melodies = melodyPlaces();
        for (Place melody : melodies) {
            for (Place bass : bassPlaces(melody)) {
                fingerings(melody, bass).forEach(fingering -> add(fingering, new PlacePair(melody, bass)));
            }
        }
        return found.best().stream()
                .filter(draft -> draft.part().unplayable() == 0 && draft.part().melodyLost() == 0)
                .map(maker::candidate)
                .toList();
    }

    /** In the shape where it has the note; else anywhere. */
    private List<Place> melodyPlaces() {
        List<Place> all = maker.melodyPlaces();
        List<Place> own = all.stream()
                .filter(place -> !place.isNowhere() && held.shape().fret(place.string()) == place.fret())
                .toList();
        return own.isEmpty() ? all : own;
    }

    /** The shape's strings that have an allowed bass tone; its lowest one in any case, for it is the player's choice. */
    private List<Place> bassPlaces(Place melody) {
        List<Place> places = new ArrayList<>();
        if (demand.bassAllowed() != 0) {
            for (int string = instrument.strings(); string > melody.string(); string--) {
                if (held.shape().sounds(string)) {
                    int midi = instrument.midi(string, held.shape().fret(string));
                    boolean allowed = DraftMaker.has(demand.bassAllowed(), midi) || places.isEmpty();
                    if (allowed && maker.isBelowMelody(midi)) {
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

    private List<Fingering> fingerings(Place melody, Place bass) {
        boolean inShape = melody.isNowhere() || held.shape().fret(melody.string()) == melody.fret();
        if (inShape) {
            return List.of(held.fingering());
        }
        List<Fingering> ways = new ArrayList<>(beside(held.fingering().presses(), melody));
        if (ways.isEmpty()) {
            for (Press lifted : held.fingering().presses()) {
                boolean stopsBass = lifted.covers(bass.string()) && lifted.fret() == bass.fret();
                if (bass.isNowhere() || !stopsBass) {
                    List<Press> kept = new ArrayList<>(held.fingering().presses());
                    kept.remove(lifted);
                    ways.addAll(beside(kept, melody));
                }
            }
        }
        return ways;
    }

    /** The presses with the melody note added, by every finger that can. */
    private List<Fingering> beside(List<Press> presses, Place melody) {
        boolean covered =
                presses.stream().anyMatch(press -> press.covers(melody.string()) && press.fret() >= melody.fret());
        if (covered) {
            return List.of();
        }
        if (melody.fret() == 0) {
            return List.of(new Fingering(presses));
        }
        List<Fingering> ways = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            boolean free = presses.stream().noneMatch(press -> press.finger() == finger);
            if (free && finger != Finger.THUMB) {
                Press added = new Press(finger, melody.fret(), melody.string(), melody.string());
                Optional.of(new Fingering(presses).with(added))
                        .filter(finder::holds)
                        .ifPresent(ways::add);
            }
        }
        return ways;
    }

    private void add(Fingering fingering, PlacePair pair) {
        int[] frets = maker.frets(pair);
        int silent = 0;
        for (int string = 1; string <= frets.length; string++) {
            int wanted = held.shape().fret(string);
            int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
            if (stopped != wanted) {
                silent |= 1 << string;
            } else if (frets[frets.length - string] < 0 && wanted > 0) {
                // as in the search without locks, an open string that need not sound is not looked at
                frets[frets.length - string] = wanted;
            }
        }
        maker.addDrafts(finder.grasp(frets, fingering), pair, silent, found);
    }
}

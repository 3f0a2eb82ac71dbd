package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingered;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.Press;
import phalanx.lefthand.Shape;
import phalanx.lefthand.Stance;
import phalanx.theory.ChordSymbol;

/**
 * Finds the ways to serve a slot: every place of the melody note with every place of the bass, and with each pair the
 * inner chord tones that fingers left over can add. Of each pair the best few are kept, of all pairs the best
 * {@value #MOST}.
 */
final class CandidateFinder {
    static final int MOST = 48;
    private static final int MOST_PER_PAIR = 6;
    private static final int FINGERINGS_PER_SHAPE = 2;
    private static final int MOST_INNER_STOPPED = 2;
    /** Frets looked at for inner notes while nothing is stopped yet. */
    private static final int OPEN_POSITION = 4;
    /** How many ways out of reach are offered where nothing within reach exists. */
    private static final int MOST_OUT_OF_REACH = 4;

    /** Frets over which finger 1 may wait while all strings are open. */
    private static final int[] HOVERS = {1, 4, 7, 10};

    private static final int LOST = 16;
    private static final int BASS_LOST = 2;

    private static final double BASS_ON_INNER_STRING = 2.0;
    private static final double BASS_FRET = 0.06;
    private static final double BASS_NOT_PREFERRED = 2.0;
    private static final double NO_INNER_STRING = 1.5;
    private static final double ONE_INNER_STRING = 0.5;
    private static final double TWO_INNER_STRINGS = 0.15;
    /** A third or a named tension that neither melody, bass nor an inner string can sound. */
    private static final double COLOUR_MISSING = 1.0;

    private final FingeringFinder finder;
    private final Instrument instrument;
    private final Map<Slot.Demand, List<Candidate>> known = new HashMap<>();

    CandidateFinder(FingeringFinder finder) {
        this.finder = finder;
        this.instrument = finder.instrument();
    }

    /** At least one candidate, best first by itself. */
    List<Candidate> candidates(Slot.Demand demand) {
        return known.computeIfAbsent(demand, key -> new Search(key).run());
    }

    /** A place for a note. */
    private record Place(int string, int fret) {
        static final Place NOWHERE = new Place(Candidate.NONE, 0);

        boolean isNowhere() {
            return string == Candidate.NONE;
        }
    }

    private final class Search {
        private final Slot.Demand demand;
        private final int strings = instrument.strings();
        private final int ceiling;
        private final int chordTones;
        private final int colours;
        private final List<Candidate> found = new ArrayList<>();

        Search(Slot.Demand demand) {
            this.demand = demand;
            this.ceiling = demand.melody().orElse(Integer.MAX_VALUE);
            this.chordTones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
            this.colours = demand.chord().map(ChordSymbol::colourClasses).orElse(0);
        }

        List<Candidate> run() {
            List<Place> melodies = melodyPlaces();
            for (Place melody : melodies) {
                for (Place bass : bassPlaces(melody)) {
                    addPair(melody, bass);
                }
            }
            if (found.stream().noneMatch(candidate -> candidate.unplayable() == 0)) {
                melodies.forEach(melody -> bassPlaces(melody).forEach(bass -> addOutOfReach(melody, bass)));
            }
            found.sort(Comparator.comparingInt(Candidate::unplayable)
                    .thenComparingInt(Candidate::melodyLost)
                    .thenComparingDouble(Candidate::rank));
            return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
        }

        private List<Place> melodyPlaces() {
            List<Place> places = new ArrayList<>();
            demand.melody().ifPresent(midi -> {
                for (int string = 1; string <= strings; string++) {
                    int fret = instrument.fretOf(string, midi);
                    if (fret >= 0 && fret <= instrument.highestFret()) {
                        places.add(new Place(string, fret));
                    }
                }
            });
            if (places.isEmpty() || !demand.melodyBegins()) {
                places.add(Place.NOWHERE);
            }
            return places;
        }

        private List<Place> bassPlaces(Place melody) {
            List<Place> places = new ArrayList<>();
            if (demand.bassAllowed() != 0) {
                for (int string = strings; string > melody.string(); string--) {
                    for (int fret = 0; fret <= instrument.highestFret(); fret++) {
                        int midi = instrument.midi(string, fret);
                        if (midi < ceiling && has(demand.bassAllowed(), midi) && spannable(melody, fret)) {
                            places.add(new Place(string, fret));
                        }
                    }
                }
            }
            places.add(Place.NOWHERE);
            return places;
        }

        private boolean spannable(Place melody, int fret) {
            int other = melody.fret();
            boolean farApart = fret > 0
                    && other > 0
                    && Math.abs(instrument.alongMm(fret) - instrument.alongMm(other))
                            > 1.5 * finder.hand().spanMm();
            return !farApart;
        }

        private boolean has(int pitchClasses, int midi) {
            return (pitchClasses >> midi % 12 & 1) == 1;
        }

        private void addPair(Place melody, Place bass) {
            int[] frets = frets(melody, bass);
            List<Candidate> ways = new ArrayList<>();
            int innermost = bass.isNowhere() ? strings - 1 : bass.string() - 1;
            addInner(frets, melody, bass, innermost, 0, ways);
            ways.sort(Comparator.comparingDouble(Candidate::rank));
            found.addAll(ways.subList(0, Math.min(MOST_PER_PAIR, ways.size())));
        }

        private int[] frets(Place melody, Place bass) {
            int[] frets = new int[strings];
            Arrays.fill(frets, Shape.SILENT);
            put(frets, melody);
            put(frets, bass);
            return frets;
        }

        private void put(int[] frets, Place place) {
            if (!place.isNowhere()) {
                frets[strings - place.string()] = place.fret();
            }
        }

        /**
         * Leaves each string between bass and melody alone or stops it at a chord tone below the melody. What no hand
         * can hold is not held any better with one more finger, so the branch ends there.
         */
        private void addInner(int[] frets, Place melody, Place bass, int string, int stopped, List<Candidate> ways) {
            List<Fingered> fingered = finder.ways(frets);
            if (fingered.isEmpty()) {
                return;
            }
            for (Fingered way : fingered.subList(0, Math.min(FINGERINGS_PER_SHAPE, fingered.size()))) {
                addWay(way, melody, bass, ways);
            }
            if (stopped < MOST_INNER_STOPPED && demand.inner()) {
                for (int next = string; next > melody.string(); next--) {
                    addStopped(frets, melody, bass, next, stopped, ways);
                }
            }
        }

        /** A hand with no finger down waits somewhere; where is a choice of its own. */
        private void addWay(Fingered way, Place melody, Place bass, List<Candidate> ways) {
            if (!way.fingering().presses().isEmpty()) {
                ways.add(candidate(way, melody, bass, HOVERS[0], 0));
                return;
            }
            for (int hover : HOVERS) {
                ways.add(candidate(way, melody, bass, hover, 0));
            }
        }

        private void addStopped(int[] frets, Place melody, Place bass, int string, int stopped, List<Candidate> ways) {
            int lowest = Integer.MAX_VALUE;
            int highest = 0;
            for (int fret : frets) {
                if (fret > 0) {
                    lowest = Math.min(lowest, fret);
                    highest = Math.max(highest, fret);
                }
            }
            int from = highest == 0 ? 1 : Math.max(1, highest - OPEN_POSITION);
            int to = Math.min(instrument.highestFret(), highest == 0 ? OPEN_POSITION : lowest + OPEN_POSITION);
            for (int fret = from; fret <= to; fret++) {
                int midi = instrument.midi(string, fret);
                if (midi < ceiling && has(chordTones, midi)) {
                    frets[strings - string] = fret;
                    addInner(frets, melody, bass, string - 1, stopped + 1, ways);
                    frets[strings - string] = Shape.SILENT;
                }
            }
        }

        private Candidate candidate(Fingered way, Place melody, Place bass, int hover, int outOfReach) {
            int[] stops = new int[strings + 1];
            Finger[] stoppers = new Finger[strings + 1];
            for (Press press : way.fingering().presses()) {
                for (int string = press.trebleString(); string <= press.bassString(); string++) {
                    if (press.fret() > stops[string]) {
                        stops[string] = press.fret();
                        stoppers[string] = press.finger();
                    }
                }
            }
            int inner = innerStrings(stops, melody, bass);
            double dislike = bassDislike(bass);
            if (demand.inner()) {
                dislike += thinness(Integer.bitCount(inner)) + COLOUR_MISSING * missing(stops, melody, bass, inner);
            }
            int unplayable = outOfReach + (demand.bassBegins() && bass.isNowhere() ? BASS_LOST : 0);
            int lost = demand.melodyBegins() && melody.isNowhere() ? LOST : 0;
            Candidate.Part part = new Candidate.Part(melody.string(), bass.string(), inner, unplayable, lost, dislike);
            return new Candidate(new Stance(way.fingering(), hover), way.effort(), stops, stoppers, part);
        }

        private static double thinness(int innerStrings) {
            return switch (innerStrings) {
                case 0 -> NO_INNER_STRING;
                case 1 -> ONE_INNER_STRING;
                case 2 -> TWO_INNER_STRINGS;
                default -> 0;
            };
        }

        /** How many of the chord's colour tones no string of this candidate has. */
        private int missing(int[] stops, Place melody, Place bass, int inner) {
            int heard = 0;
            for (int string = 1; string <= strings; string++) {
                if ((inner >> string & 1) == 1 || string == melody.string() || string == bass.string()) {
                    heard |= 1 << instrument.midi(string, stops[string]) % 12;
                }
            }
            return Integer.bitCount(colours & ~heard);
        }

        private double bassDislike(Place bass) {
            if (bass.isNowhere()) {
                return 0;
            }
            int bassStrings = (strings + 1) / 2;
            int inwards = Math.max(0, strings - bassStrings + 1 - bass.string());
            double dislike = BASS_ON_INNER_STRING * inwards + BASS_FRET * bass.fret();
            boolean preferred = has(demand.bassPreferred(), instrument.midi(bass.string(), bass.fret()));
            return preferred ? dislike : dislike + BASS_NOT_PREFERRED;
        }

        private int innerStrings(int[] stops, Place melody, Place bass) {
            int inner = 0;
            int lowest = bass.isNowhere() ? strings - 1 : bass.string() - 1;
            for (int string = lowest; string > melody.string(); string--) {
                int midi = instrument.midi(string, stops[string]);
                if (midi < ceiling && has(chordTones, midi)) {
                    inner |= 1 << string;
                }
            }
            return inner;
        }

        /** The melody and bass alone, beyond the hand's reach: the lower fret with finger 1, the higher with 4. */
        private void addOutOfReach(Place melody, Place bass) {
            if (melody.isNowhere() || bass.isNowhere() || found.size() >= MOST_OUT_OF_REACH + MOST) {
                return;
            }
            Shape shape = new Shape(Arrays.stream(frets(melody, bass)).boxed().toList());
            boolean bassLower = bass.fret() <= melody.fret();
            Place low = bassLower ? bass : melody;
            Place high = bassLower ? melody : bass;
            if (low.fret() > 0 && finder.find(shape).isEmpty()) {
                Fingering stretched = new Fingering(List.of(
                        new Press(Finger.INDEX, low.fret(), low.string(), low.string()),
                        new Press(Finger.LITTLE, high.fret(), high.string(), high.string())));
                Fingered way = new Fingered(shape, stretched, finder.effort(shape, stretched));
                found.add(candidate(way, melody, bass, HOVERS[0], 1));
            }
        }
    }
}

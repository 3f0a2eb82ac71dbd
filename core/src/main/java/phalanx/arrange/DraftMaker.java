package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Grasp;
import phalanx.lefthand.Shape;
import phalanx.theory.ChordSymbol;

/** Makes drafts and candidates for one demand: which strings an inner note finds there, and what is not liked. */
final class DraftMaker {
    private static final int LOST = 16;
    private static final int BASS_LOST = 2;

    private static final double BASS_ON_INNER_STRING = 2.0;
    private static final double BASS_FRET = 0.06;
    private static final double BASS_NOT_PREFERRED = 2.0;
    private static final double NO_INNER_STRING = 1.5;
    private static final double ONE_INNER_STRING = 0.5;
    private static final double TWO_INNER_STRINGS = 0.15;
    /** A string that a block of the pattern finds no tone on. */
    private static final double PATTERN_STRING_MISSING = 0.8;
    /** A third or a named tension that neither melody, bass nor an inner string can sound. */
    private static final double COLOUR_MISSING = 1.0;

    /** Frets over which finger 1 may wait while all strings are open. */
    private static final int[] HOVERS = {1, 4, 7, 10};

    private final Instrument instrument;
    private final int strings;
    private final Slot.Demand demand;
    private final int ceiling;
    private final int chordTones;
    private final int colours;

    /**
     * @param instrument the guitar
     * @param demand what the slot asks for
     */
    DraftMaker(Instrument instrument, Slot.Demand demand) {
        this.instrument = instrument;
        this.strings = instrument.strings();
        this.demand = demand;
        this.ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        this.chordTones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
        this.colours = demand.chord().map(ChordSymbol::colourClasses).orElse(0);
    }

    /** All places of the melody note; nowhere, too, where none must begin or none exists. */
    List<Place> melodyPlaces() {
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

    /** Whether a pitch is a tone of the chord below the melody. */
    boolean isInnerTone(int midi) {
        return midi < ceiling && has(chordTones, midi);
    }

    boolean isBelowMelody(int midi) {
        return midi < ceiling;
    }

    static boolean has(int pitchClasses, int midi) {
        return (pitchClasses >> midi % 12 & 1) == 1;
    }

    /** Frets from the lowest string with a pair alone. */
    int[] frets(PlacePair pair) {
        int[] frets = new int[strings];
        Arrays.fill(frets, Shape.SILENT);
        put(frets, pair.melody());
        put(frets, pair.bass());
        return frets;
    }

    private void put(int[] frets, Place place) {
        if (!place.isNowhere()) {
            frets[strings - place.string()] = place.fret();
        }
    }

    /**
     * Adds the drafts of a grasp that has a pair in place. A hand with no finger down waits somewhere; where is a choice
     * of its own.
     *
     * @param silent strings on which no inner note may sound, bit s for string s
     */
    void addDrafts(Grasp grasp, PlacePair pair, int silent, Shortlist drafts) {
        for (int i = 0; i < (grasp.isOpen() ? HOVERS.length : 1); i++) {
            drafts.add(draft(grasp, pair, HOVERS[i], 0, silent));
        }
    }

    /** The draft of a grasp that no hand reaches. */
    Draft outOfReach(Grasp grasp, PlacePair pair) {
        return draft(grasp, pair, HOVERS[0], 1, 0);
    }

    private Draft draft(Grasp grasp, PlacePair pair, int hover, int outOfReach, int silent) {
        int inner = innerStrings(grasp, pair) & ~silent;
        double dislike = bassDislike(pair.bass());
        if (demand.inner()) {
            int missing = Math.max(0, demand.innerWanted() - Math.max(1, Integer.bitCount(inner)));
            dislike += PATTERN_STRING_MISSING * missing;
            dislike += thinness(Integer.bitCount(inner)) + COLOUR_MISSING * missing(grasp, pair, inner);
        }
        Candidate.Part part = new Candidate.Part(
                pair.melody().string(),
                pair.bass().string(),
                inner,
                silent,
                unplayable(pair, outOfReach),
                lost(pair),
                dislike);
        return new Draft(grasp, hover, part);
    }

    /** The least a pair can rank, whatever inner notes come to it. */
    double leastRank(PlacePair pair, double effort) {
        return Draft.rank(unplayable(pair, 0), lost(pair), bassDislike(pair.bass()) + effort);
    }

    private int unplayable(PlacePair pair, int outOfReach) {
        return outOfReach + (demand.bassBegins() && pair.bass().isNowhere() ? BASS_LOST : 0);
    }

    private int lost(PlacePair pair) {
        return demand.melodyBegins() && pair.melody().isNowhere() ? LOST : 0;
    }

    Candidate candidate(Draft draft) {
        return new Candidate(draft.grasp(), draft.hover(), strings, draft.part());
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
    private int missing(Grasp grasp, PlacePair pair, int inner) {
        int heard = 0;
        for (int string = 1; string <= strings; string++) {
            if ((inner >> string & 1) == 1
                    || string == pair.melody().string()
                    || string == pair.bass().string()) {
                heard |= 1 << instrument.midi(string, grasp.stop(string)) % 12;
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

    private int innerStrings(Grasp grasp, PlacePair pair) {
        int inner = 0;
        for (int string = pair.lowestInner(strings); string > pair.melody().string(); string--) {
            if (isInnerTone(instrument.midi(string, grasp.stop(string)))) {
                inner |= 1 << string;
            }
        }
        return inner;
    }
}

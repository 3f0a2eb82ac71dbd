package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.Grasp;
import phalanx.lefthand.Press;
import phalanx.lefthand.Shape;

/**
 * Finds the ways to serve a slot: every place of the melody note with every place of the bass, and with each pair the
 * inner chord tones that fingers left over can add. Of each pair the best few are kept, of all pairs the best
 * {@link #MOST}.
 *
 * <p>Pairs are taken in order of what they cost with no inner note stopped. More fingers make a hold hardly ever
 * easier, so once that cost alone is beyond the worst way kept, the pair is left.
 */
final class CandidateSearch {
    static final int MOST = 96;
    private static final int MOST_PER_PAIR = 12;
    private static final int MOST_INNER_STOPPED = 2;
    /** Frets looked at for inner notes while nothing is stopped yet. */
    private static final int OPEN_POSITION = 4;
    /** How far bass and melody may lie apart, in spans of the hand: barres and open strings help a little. */
    private static final double WIDEST_PAIR = 1.5;
    /** How much easier a hold may get by one more finger; an assumption of ours, see the class comment. */
    private static final double NEARLY = 0.3;

    private final FingeringFinder finder;
    private final Instrument instrument;
    private final int strings;
    private final Slot.Demand demand;
    private final DraftMaker maker;
    private final int mostPerPair;
    private final Shortlist found;

    CandidateSearch(FingeringFinder finder, Slot.Demand demand, double width) {
        this.finder = finder;
        this.instrument = finder.instrument();
        this.strings = instrument.strings();
        this.demand = demand;
        this.maker = new DraftMaker(instrument, demand);
        this.mostPerPair = (int) Math.ceil(MOST_PER_PAIR * width);
        this.found = new Shortlist((int) Math.ceil(MOST * width));
    }

    List<Candidate> run() {
        List<RankedPair> pairs = new ArrayList<>();
        for (Place melody : maker.melodyPlaces()) {
            for (Place bass : bassPlaces(melody)) {
                PlacePair pair = new PlacePair(melody, bass);
                finder.easiest(maker.frets(pair)).stream()
                        .findFirst()
                        .ifPresent(way -> pairs.add(new RankedPair(pair, maker.leastRank(pair, way.effort()))));
            }
        }
        pairs.sort(Comparator.comparingDouble(RankedPair::rank));
        pairs.forEach(this::addPair);
        if (!found.hasPlayable()) {
            for (Place melody : maker.melodyPlaces()) {
                bassPlaces(melody).forEach(bass -> addOutOfReach(new PlacePair(melody, bass)));
            }
        }
        return found.best().stream().map(maker::candidate).toList();
    }

    private record RankedPair(PlacePair pair, double rank) {}

    private List<Place> bassPlaces(Place melody) {
        List<Place> places = new ArrayList<>();
        if (demand.bassAllowed() != 0) {
            for (int string = strings; string > melody.string(); string--) {
                for (int fret = 0; fret <= instrument.highestFret(); fret++) {
                    int midi = instrument.midi(string, fret);
                    if (DraftMaker.has(demand.bassAllowed(), midi)
                            && maker.isBelowMelody(midi)
                            && instrument.has(string, fret)
                            && spannable(melody, fret)) {
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
        return fret == 0
                || other == 0
                || Math.abs(instrument.alongMm(fret) - instrument.alongMm(other))
                        <= WIDEST_PAIR * finder.hand().spanMm();
    }

    private void addPair(RankedPair ranked) {
        if (found.isBeyond(ranked.rank - NEARLY)) {
            return;
        }
        Shortlist ways = new Shortlist(mostPerPair);
        addInner(maker.frets(ranked.pair), ranked.pair, ranked.pair.lowestInner(strings), 0, ways);
        ways.best().forEach(found::add);
    }

    /**
     * Leaves each string between bass and melody alone or stops it at a chord tone below the melody. What no hand can
     * hold is not held any better with one more finger, so the branch ends there.
     */
    private void addInner(int[] frets, PlacePair pair, int string, int stopped, Shortlist ways) {
        List<Grasp> grasps = finder.easiest(frets);
        if (grasps.isEmpty()
                || ways.isBeyond(maker.leastRank(pair, grasps.get(0).effort()) - NEARLY)) {
            return;
        }
        for (Grasp grasp : grasps) {
            maker.addDrafts(grasp, pair, 0, ways);
        }
        if (stopped < MOST_INNER_STOPPED && demand.inner()) {
            for (int next = string; next > pair.melody().string(); next--) {
                addStopped(frets, pair, next, stopped, ways);
            }
        }
    }

    private void addStopped(int[] frets, PlacePair pair, int string, int stopped, Shortlist ways) {
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
            if (maker.isInnerTone(instrument.midi(string, fret)) && instrument.has(string, fret)) {
                frets[strings - string] = fret;
                addInner(frets, pair, string - 1, stopped + 1, ways);
                frets[strings - string] = Shape.SILENT;
            }
        }
    }

    /** The melody and bass alone, beyond the hand's reach: the lower fret with finger 1, the higher with 4. */
    private void addOutOfReach(PlacePair pair) {
        if (pair.melody().isNowhere() || pair.bass().isNowhere()) {
            return;
        }
        int[] frets = maker.frets(pair);
        boolean bassLower = pair.bass().fret() <= pair.melody().fret();
        Place low = bassLower ? pair.bass() : pair.melody();
        Place high = bassLower ? pair.melody() : pair.bass();
        if (low.fret() > 0 && finder.easiest(frets).isEmpty()) {
            Fingering stretched = new Fingering(List.of(
                    new Press(Finger.INDEX, low.fret(), low.string(), low.string()),
                    new Press(Finger.LITTLE, high.fret(), high.string(), high.string())));
            found.add(maker.outOfReach(finder.grasp(frets, stretched), pair));
        }
    }
}

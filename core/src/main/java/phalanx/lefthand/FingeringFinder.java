package phalanx.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Finds every way the hand can hold given frets, easiest first.
 *
 * <p>The stopped strings are taken in order of fret, then from the bass side. Each goes under a finger not used yet
 * that is higher than all fingers on lower frets, or under a finger that already presses this fret when a barre can
 * lie there, or under the thumb. A branch ends as soon as two fingers are further apart than they reach. With s
 * stopped strings and five fingers there are at most 5^s branches; real shapes leave a few dozen. Safe for several
 * threads at once.
 */
public final class FingeringFinder {
    private static final int MOST_FRETS_APART = 8;
    /** Enough for fret -1 to 30; ten strings fit a long. */
    private static final int FRET_BITS = 5;

    private static final long KEY_FACTOR = 0x9E3779B97F4A7C15L;
    /** How many ways to hold the same frets are told apart while arranging. */
    private static final int REMEMBERED = 2;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final EffortMeter meter;
    private final Map<Long, List<Grasp>> known = new ConcurrentHashMap<>();

    private FingeringFinder(Instrument instrument, Hand hand, boolean silenceCounts) {
        this.instrument = instrument;
        this.hand = hand;
        this.neck = new Neck(instrument);
        this.meter = new EffortMeter(instrument, hand, neck, silenceCounts);
    }

    /** For whole shapes, whose silent strings must be muted or left out. */
    public static FingeringFinder forShapes(Instrument instrument, Hand hand) {
        return new FingeringFinder(instrument, hand, true);
    }

    /** For arranging, where a string that has no note is simply not plucked. */
    public static FingeringFinder forPlucking(Instrument instrument, Hand hand) {
        return new FingeringFinder(instrument, hand, false);
    }

    public Instrument instrument() {
        return instrument;
    }

    public Hand hand() {
        return hand;
    }

    Neck neck() {
        return neck;
    }

    /**
     * All playable fingerings of a shape, easiest first; empty when no hand position holds it.
     *
     * @throws IllegalArgumentException if the shape has another number of strings or a fret beyond the neck
     */
    public List<Fingered> find(Shape shape) {
        if (shape.strings() != instrument.strings()) {
            throw new IllegalArgumentException(
                    "shape " + shape + " has " + shape.strings() + " strings, the guitar " + instrument.strings());
        }
        for (int fret : shape.frets()) {
            if (fret > neck.highestFret()) {
                throw new IllegalArgumentException("fret " + fret + " is beyond the neck, which ends at fret "
                        + neck.highestFret() + (instrument.capo() > 0 ? " above the capo" : ""));
            }
        }
        return search(shape.toArray(), Integer.MAX_VALUE).stream()
                .map(grasp -> new Fingered(shape, grasp.fingering(), effort(grasp)))
                .toList();
    }

    /**
     * The easiest few ways to hold frets that are known to be on the neck; remembered, for searches over many shapes.
     *
     * @param frets from the lowest string, -1 silent, 0 open
     */
    public List<Grasp> easiest(int[] frets) {
        long key = 0;
        for (int fret : frets) {
            key = key << FRET_BITS | fret + 1;
        }
        // an odd factor keeps keys apart and spreads them: frets alone fall into few buckets
        key *= KEY_FACTOR;
        List<Grasp> ways = known.get(key);
        if (ways == null) {
            ways = search(frets, REMEMBERED);
            known.put(key, ways);
        }
        return ways;
    }

    /** The easiest way to hold frets, if any; not remembered. */
    Optional<Grasp> easiestOf(int[] frets) {
        List<Grasp> best = search(frets, 1);
        return best.isEmpty() ? Optional.empty() : Optional.of(best.get(0));
    }

    private List<Grasp> search(int[] frets, int most) {
        return new Search(frets.clone(), most).run();
    }

    /** Given frets held in a given way, reachable or not. */
    public Grasp grasp(int[] frets, Fingering fingering) {
        Grip grip = Grip.of(fingering);
        return new Grasp(frets.clone(), grip, meter.total(grip, frets));
    }

    /** The terms of a grasp's effort. */
    public Effort effort(Grasp grasp) {
        return meter.effort(grasp.grip, grasp.frets);
    }

    /** Whether the hand can hold this fingering: reach, finger order, thumb; strings are not looked at. */
    public boolean holds(Fingering fingering) {
        Grip grip = Grip.of(fingering);
        for (int finger = 0; finger + 1 < Grip.THUMB; finger++) {
            for (int higher = finger + 1; higher < Grip.THUMB; higher++) {
                if (grip.uses(finger) && grip.uses(higher) && grip.fret[higher] < grip.fret[finger]) {
                    return false;
                }
            }
        }
        return meter.withinReach(grip);
    }

    /** The effort of holding a shape in one given way, reachable or not. */
    public Effort effort(Shape shape, Fingering fingering) {
        return effort(grasp(shape.toArray(), fingering));
    }

    private final class Search {
        private final int[] frets;
        private final int most;
        private final int[] strings;
        private int stopped;
        private final Grip grip = new Grip();
        private final double[] scratch = EffortMeter.scratch();
        private final List<Grasp> found = new ArrayList<>();

        Search(int[] frets, int most) {
            this.frets = frets;
            this.most = most;
            this.strings = new int[frets.length];
            for (int string = frets.length; string >= 1; string--) {
                if (fret(string) > 0) {
                    insert(string);
                }
            }
        }

        private int fret(int string) {
            return frets[frets.length - string];
        }

        /** Keeps the stopped strings in order of fret, then from the bass side. */
        private void insert(int string) {
            int at = stopped++;
            while (at > 0 && fret(strings[at - 1]) > fret(string)) {
                strings[at] = strings[at - 1];
                at--;
            }
            strings[at] = string;
        }

        List<Grasp> run() {
            if (stopped == 0 || fret(strings[stopped - 1]) - fret(strings[0]) <= MOST_FRETS_APART) {
                place(0);
            }
            if (most > REMEMBERED) {
                found.sort(Comparator.comparingDouble(Grasp::effort));
            }
            return found;
        }

        private void place(int next) {
            if (next == stopped) {
                // pairs were within reach when they were put down, and a longer barre only brings them nearer
                if (meter.thumbInPlace(grip)) {
                    keep(meter.total(grip, frets, scratch));
                }
                return;
            }
            int string = strings[next];
            int fret = fret(string);
            underBarre(next, string, fret);
            byFreeFinger(next, string, fret);
            if (hand.thumbOver() && !grip.uses(Grip.THUMB) && string > frets.length - hand.thumbStrings()) {
                grip.put(Grip.THUMB, fret, string, string);
                place(next + 1);
                grip.free(Grip.THUMB);
            }
        }

        /** Keeps the easiest few in order; where all are wanted they are sorted at the end. */
        private void keep(double effort) {
            if (most > REMEMBERED) {
                found.add(new Grasp(frets, grip.copy(), effort));
                return;
            }
            int at = found.size();
            while (at > 0 && found.get(at - 1).effort() > effort) {
                at--;
            }
            if (at < most) {
                found.add(at, new Grasp(frets, grip.copy(), effort));
                if (found.size() > most) {
                    found.remove(most);
                }
            }
        }

        private void underBarre(int next, int string, int fret) {
            for (int finger = 0; finger < Grip.THUMB; finger++) {
                if (grip.fret[finger] == fret && barreCanReach(finger, string)) {
                    int treble = grip.treble[finger];
                    grip.treble[finger] = string;
                    place(next + 1);
                    grip.treble[finger] = treble;
                }
            }
        }

        /** A barre may pass only over silent strings and strings that another finger stops higher up. */
        private boolean barreCanReach(int finger, int string) {
            for (int between = string + 1; between < grip.treble[finger]; between++) {
                int fret = fret(between);
                if (fret >= 0 && fret <= grip.fret[finger]) {
                    return false;
                }
            }
            return true;
        }

        private void byFreeFinger(int next, int string, int fret) {
            int lowest = 0;
            for (int finger = 0; finger < Grip.THUMB; finger++) {
                if (grip.uses(finger) && grip.fret[finger] < fret) {
                    lowest = finger + 1;
                }
            }
            for (int finger = lowest; finger < Grip.THUMB; finger++) {
                if (!grip.uses(finger)) {
                    grip.put(finger, fret, string, string);
                    if (meter.reachesOthers(grip, finger)) {
                        place(next + 1);
                    }
                    grip.free(finger);
                }
            }
        }
    }
}

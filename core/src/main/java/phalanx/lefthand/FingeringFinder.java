package phalanx.lefthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Finds every way the hand can hold given frets, easiest first.
 *
 * <p>The stopped strings are taken in order of fret, then from the bass side. Each goes under a finger not used yet
 * that is higher than all fingers on lower frets, or under a finger that already presses this fret when a barre can
 * lie there, or under the thumb. A branch ends as soon as two fingers are further apart than they reach. With s
 * stopped strings and five fingers there are at most 5^s branches; real shapes leave a few dozen.
 */
public final class FingeringFinder {
    private static final int MOST_FRETS_APART = 8;
    /** Enough for fret -1 to 30; ten strings fit a long. */
    private static final int FRET_BITS = 5;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final EffortMeter meter;
    private final Map<Long, List<Fingered>> known = new HashMap<>();

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
        return ways(shape.frets().stream().mapToInt(Integer::intValue).toArray());
    }

    /** The same for frets from the lowest string that are known to be on the neck; for searches over many shapes. */
    public List<Fingered> ways(int[] frets) {
        long key = 0;
        for (int fret : frets) {
            key = key << FRET_BITS | fret + 1;
        }
        List<Fingered> ways = known.get(key);
        if (ways == null) {
            ways = new Search(new Shape(Arrays.stream(frets).boxed().toList())).run();
            known.put(key, ways);
        }
        return ways;
    }

    /** The easiest fingering of a shape, if any; not remembered, for searches over many shapes. */
    Optional<Fingered> easiest(Shape shape) {
        List<Fingered> all = new Search(shape).run();
        return all.isEmpty() ? Optional.empty() : Optional.of(all.get(0));
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
        return meter.effort(Grip.of(fingering), shape.frets());
    }

    private final class Search {
        private final Shape shape;
        private final List<int[]> stopped = new ArrayList<>();
        private final Grip grip = new Grip();
        private final List<Fingered> found = new ArrayList<>();

        Search(Shape shape) {
            this.shape = shape;
            for (int string = shape.strings(); string >= 1; string--) {
                if (shape.fret(string) > 0) {
                    stopped.add(new int[] {string, shape.fret(string)});
                }
            }
            stopped.sort(Comparator.<int[]>comparingInt(place -> place[1]).thenComparingInt(place -> -place[0]));
        }

        List<Fingered> run() {
            if (stopped.isEmpty() || stopped.get(stopped.size() - 1)[1] - stopped.get(0)[1] <= MOST_FRETS_APART) {
                place(0);
            }
            found.sort(Comparator.comparing(Fingered::effort));
            return List.copyOf(found);
        }

        private void place(int next) {
            if (next == stopped.size()) {
                // pairs were within reach when they were put down, and a longer barre only brings them nearer
                if (meter.thumbInPlace(grip)) {
                    found.add(new Fingered(shape, grip.fingering(), meter.effort(grip, shape.frets())));
                }
                return;
            }
            int string = stopped.get(next)[0];
            int fret = stopped.get(next)[1];
            underBarre(next, string, fret);
            byFreeFinger(next, string, fret);
            if (hand.thumbOver() && !grip.uses(Grip.THUMB) && string > shape.strings() - hand.thumbStrings()) {
                grip.put(Grip.THUMB, fret, string, string);
                place(next + 1);
                grip.free(Grip.THUMB);
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
                int fret = shape.fret(between);
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

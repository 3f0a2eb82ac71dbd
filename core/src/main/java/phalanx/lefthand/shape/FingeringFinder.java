package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import phalanx.cost.Effort;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * Finds every way the hand can hold given frets, easiest first.
 *
 * <p>The stopped strings are taken in order of fret, then from the bass side. Each goes under a finger not used yet
 * that is higher than all fingers on lower frets, or under a finger that already presses this fret when a barre can
 * lie there, or under the thumb. A branch ends as soon as two fingers are further apart along the neck than they reach;
 * the reach across is tested when all barres are complete, for a barre that grows brings its finger nearer. With s
 * stopped strings and five fingers there are at most 5^s branches; real shapes leave a few dozen. Safe for several
 * threads at once.
 *
 * <p>For example {@code 1 x 3 2 1 x} has among others T on string 6 with 3 2 1 on strings 4 3 2 (the easiest for a hand
 * that plays so), and a barre of finger 1 from string 6 to 2.
 */
public final class FingeringFinder {
    /** Enough for fret -1 to 30; ten strings fit a long. */
    private static final int FRET_BITS = 5;

    private static final long KEY_FACTOR = 0x9E3779B97F4A7C15L;
    /** So many sets of frets are remembered; then it begins anew. */
    private static final int MOST_KNOWN = 150_000;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final HoldMeter meter;
    private final Map<Long, Ways> known = new ConcurrentHashMap<>();

    private FingeringFinder(Instrument instrument, Hand hand, boolean silenceCounts) {
        this.instrument = instrument;
        this.hand = hand;
        this.neck = new Neck(instrument);
        this.meter = new HoldMeter(instrument, hand, neck, silenceCounts);
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

    public Neck neck() {
        return neck;
    }

    /**
     * All playable fingerings of a shape, easiest first; empty when no hand position holds it.
     *
     * @throws IllegalArgumentException if the shape has another number of strings or a fret beyond the neck
     */
    public List<PricedShape> find(Shape shape) {
        if (shape.strings() != instrument.strings()) {
            throw new IllegalArgumentException(wording(
                    "FingeringFinder.shape-has-strings-the-guitar", shape, shape.strings(), instrument.strings()));
        }
        for (int fret : shape.frets()) {
            if (fret > neck.highestFret()) {
                throw new IllegalArgumentException(wording(
                        "FingeringFinder.fret-is-beyond-the-neck",
                        fret,
                        neck.highestFret(),
                        instrument.capo() > 0 ? wording("FingeringFinder.above-the-capo") : ""));
            }
        }
        Ways ways = new Search(shape.toArray()).run();
        return IntStream.range(0, ways.count())
                .mapToObj(way -> priced(shape, ways, way))
                .toList();
    }

    /** The easiest way to hold frets that are known to be on the neck, if any. */
    Optional<PricedShape> easiest(int[] frets) {
        Ways ways = new Search(frets).run();
        return ways.count() == 0 ? Optional.empty() : Optional.of(priced(Shape.of(frets), ways, 0));
    }

    private PricedShape priced(Shape shape, Ways ways, int way) {
        return new PricedShape(
                new HeldShape(shape, ways.fingering(way)), meter.effort(ways.presses(way), shape.toArray()));
    }

    /**
     * All ways to hold frets that are known to be on the neck; remembered, for searches over many shapes.
     *
     * @param frets from the lowest string, -1 silent, 0 open
     */
    public Ways ways(int[] frets) {
        long key = 0;
        for (int fret : frets) {
            key = key << FRET_BITS | fret + 1;
        }
        key = spread(key);
        Ways ways = known.get(key);
        if (ways == null) {
            ways = new Search(frets).run();
            if (known.size() >= MOST_KNOWN) {
                known.clear();
            }
            known.put(key, ways);
        }
        return ways;
    }

    /** A key made of frets, for a map: an odd factor keeps keys apart and spreads them, frets alone fall into few buckets. */
    public static long spread(long key) {
        return key * KEY_FACTOR;
    }

    /**
     * What presses cost more for a beat, in thousandths, where open strings that {@link #effort} was not told of sound
     * just past the treble end of a barre.
     *
     * @param presses packed
     * @param open bit s for string s
     */
    public int besideBarres(int[] presses, int open) {
        return meter.besideBarres(presses, open);
    }

    /** The effort, term by term, of holding frets in a given way for a beat, reachable or not. */
    public Effort effort(int[] frets, Fingering fingering) {
        return meter.effort(fingering.packed(), frets);
    }

    /** The same for a shape. */
    public Effort effort(Shape shape, Fingering fingering) {
        return effort(shape.toArray(), fingering);
    }

    /** Whether the hand can hold this fingering: reach, finger order, thumb; strings are not looked at. */
    public boolean holds(Fingering fingering) {
        for (int finger = 0; finger + 1 < Fingering.THUMB; finger++) {
            for (int higher = finger + 1; higher < Fingering.THUMB; higher++) {
                int low = fingering.packed(finger);
                int high = fingering.packed(higher);
                if (low != 0 && high != 0 && Press.fret(high) < Press.fret(low)) {
                    return false;
                }
            }
        }
        return meter.withinReach(fingering.packed());
    }

    /**
     * Whether a hand that stands at a position can hold this fingering: while finger 1 is up it may stand a fret beside
     * where its fingers are, and the thumb works from there.
     */
    public boolean holds(Fingering fingering, int position) {
        if (holds(fingering)) {
            return true;
        }
        int[] presses = fingering.packed();
        int thumb = presses[Fingering.THUMB];
        boolean there = thumb != 0 && presses[0] == 0 && Position.admits(presses, position);
        presses[Fingering.THUMB] = 0;
        return there
                && hand.thumbOver()
                && Press.trebleString(thumb) > instrument.strings() - hand.thumbStrings()
                && holds(Fingering.ofPacked(presses));
    }

    private final class Search {
        private final int[] frets;
        private final int[] strings;
        private int stopped;
        private final int[] presses = new int[Fingering.FINGERS];
        private final int[] scratch = HoldMeter.scratch();
        private int[] foundPresses = new int[8 * Fingering.FINGERS];
        private int[] foundEfforts = new int[8];
        private int found;

        Search(int[] frets) {
            this.frets = frets;
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

        Ways run() {
            place(0);
            return found == 0 ? Ways.NONE : inOrder();
        }

        private void place(int next) {
            if (next == stopped) {
                if (meter.withinReach(presses)) {
                    keep(meter.thousandths(presses, frets, scratch));
                }
                return;
            }
            int string = strings[next];
            int fret = fret(string);
            underBarre(next, string, fret);
            byFreeFinger(next, string, fret);
            boolean thumbString = string > frets.length - hand.thumbStrings();
            if (hand.thumbOver() && thumbString && presses[Fingering.THUMB] == 0) {
                presses[Fingering.THUMB] = Press.pack(fret, string, string);
                place(next + 1);
                presses[Fingering.THUMB] = 0;
            }
        }

        private void keep(int effort) {
            if (found == foundEfforts.length) {
                foundEfforts = Arrays.copyOf(foundEfforts, 2 * found);
                foundPresses = Arrays.copyOf(foundPresses, 2 * foundPresses.length);
            }
            System.arraycopy(presses, 0, foundPresses, found * Fingering.FINGERS, Fingering.FINGERS);
            foundEfforts[found++] = effort;
        }

        /** By effort; of equal ones the earlier found stays first. */
        private Ways inOrder() {
            long[] order = new long[found];
            for (int i = 0; i < found; i++) {
                order[i] = (long) foundEfforts[i] << Integer.SIZE | i;
            }
            Arrays.sort(order);
            int[] inOrder = new int[found * Fingering.FINGERS];
            int[] efforts = new int[found];
            for (int i = 0; i < found; i++) {
                int from = (int) order[i];
                efforts[i] = foundEfforts[from];
                System.arraycopy(
                        foundPresses, from * Fingering.FINGERS, inOrder, i * Fingering.FINGERS, Fingering.FINGERS);
            }
            return new Ways(inOrder, efforts);
        }

        private void underBarre(int next, int string, int fret) {
            for (int finger = 0; finger < Fingering.THUMB; finger++) {
                int press = presses[finger];
                if (press != 0 && Press.fret(press) == fret && barreCanReach(press, string)) {
                    presses[finger] = Press.pack(fret, Press.bassString(press), string);
                    place(next + 1);
                    presses[finger] = press;
                }
            }
        }

        /** A barre may pass only over silent strings and strings that another finger stops higher up. */
        private boolean barreCanReach(int press, int string) {
            for (int between = string + 1; between < Press.trebleString(press); between++) {
                int fret = fret(between);
                if (fret >= 0 && fret <= Press.fret(press)) {
                    return false;
                }
            }
            return true;
        }

        private void byFreeFinger(int next, int string, int fret) {
            int lowest = 0;
            for (int finger = 0; finger < Fingering.THUMB; finger++) {
                if (presses[finger] != 0 && Press.fret(presses[finger]) < fret) {
                    lowest = finger + 1;
                }
            }
            for (int finger = lowest; finger < Fingering.THUMB; finger++) {
                if (presses[finger] == 0) {
                    presses[finger] = Press.pack(fret, string, string);
                    if (meter.mayReachOthers(presses, finger)) {
                        place(next + 1);
                    }
                    presses[finger] = 0;
                }
            }
        }
    }
}

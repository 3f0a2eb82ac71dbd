package phalanx.lefthand.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReferenceArray;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Press;

/**
 * The one meter of moves: says what a change from one posture to the next costs, what each finger does in it, and how
 * long that takes: {@code a + b * log2(D / W + 1)} for a tip that goes D mm (P. Fitts, J. Exp. Psychol. 47, 1954; see
 * {@link Hand.Speed}), and a little more where a barre is laid or lifted. D is measured on the real neck, from where the
 * finger pressed, or from its rest place where it was up.
 *
 * <p>A path asks for the same few thousand moves all the time. Presses therefore have numbers, and what it takes to go
 * from one to another is measured once and looked up: one word holds effort in thousandths, microseconds needed, and
 * whether it is a slide. A change of five fingers is five look-ups. Safe for several threads at once.
 *
 * <p>For example, on a 650 mm scale finger 3 going from string 5, fret 3 to string 6, fret 3 travels 8 mm and needs 50 +
 * 60 * log2(8 / 13 + 1) = 91 ms; it jumps, which costs 0.3 + 1.2 * 0.08 = 0.4.
 */
public final class MoveMeter {
    /** A barre is laid flat, besides the way there, in ms. An assumption of ours. */
    static final double LAY_BARRE_MS = 60;
    /** A barre comes off its strings, besides the way from there, in ms. An assumption of ours. */
    static final double LIFT_BARRE_MS = 30;
    /** Less time than this counts as this much: then a move is as bad as it gets. */
    private static final int LEAST_US = 10_000;
    /** A finger leads the hand when it slides as far as the hand shifts, give or take a fret. */
    private static final int LEADS_WITHIN = 1;

    /** Longer slides lead no hand. */
    private static final int MOST_SLID = 15;

    private static final int PACKED_BITS = 13;
    private static final int STRINGS = 0xFF;
    private static final int COST_BITS = 20;
    private static final int US_BITS = 24;
    private static final long COST = (1L << COST_BITS) - 1;
    private static final long US = (1L << US_BITS) - 1;
    private static final long SLIDES = 1L << COST_BITS + US_BITS;

    private final Instrument instrument;
    private final Hand hand;
    private final Neck neck;
    private final RestPlaces rests;
    private final short[] numbers = new short[1 << PACKED_BITS];
    private final int[] packed;
    private final int[] lifts;
    private final AtomicReferenceArray<long[]> moves;
    private final AtomicReferenceArray<long[]> places;
    private final long[] shifts;
    private final int[] freeShifts;
    private final int[] ledShifts;
    /** For each shift, from one neck down to one up, the slides that lead it. */
    private final long[] leading;

    private final int positions;

    public MoveMeter(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        this.neck = new Neck(instrument);
        this.rests = new RestPlaces(neck);
        this.packed = number();
        this.lifts = new int[packed.length];
        for (int press = 1; press < packed.length; press++) {
            lifts[press] = Effort.thousandths(Weights.LIFT + (isBarre(press) ? Weights.LIFT_BARRE : 0));
        }
        this.positions = neck.highestFret() + 1;
        this.moves = new AtomicReferenceArray<>(packed.length);
        this.places = new AtomicReferenceArray<>(positions * Fingering.FINGERS);
        this.shifts = new long[positions * positions];
        this.freeShifts = new int[positions * positions];
        this.ledShifts = new int[positions * positions];
        for (int from = 0; from < positions; from++) {
            for (int to = 0; to < positions; to++) {
                double mm = shiftMm(from, to);
                int at = from * positions + to;
                shifts[at] = word(Weights.SHIFT_PER_100_MM * mm / 100, hand.travelMs(mm), false);
                freeShifts[at] = from == to ? 0 : shiftEffort(shifts[at], false);
                ledShifts[at] = from == to ? 0 : shiftEffort(shifts[at], true);
            }
        }
        this.leading = new long[2 * positions];
        for (int shift = 1 - positions; shift < positions; shift++) {
            for (int slid = -MOST_SLID; slid <= MOST_SLID; slid++) {
                leading[shift + positions] |= leads(slid, shift) ? slid(slid) : 0;
            }
        }
    }

    private int[] number() {
        List<Integer> all = new ArrayList<>(List.of(0));
        for (int fret = 1; fret <= neck.highestFret(); fret++) {
            for (int bass = 1; bass <= neck.strings(); bass++) {
                for (int treble = 1; treble <= bass; treble++) {
                    int press = Press.pack(fret, bass, treble);
                    numbers[press] = (short) all.size();
                    all.add(press);
                }
            }
        }
        return all.stream().mapToInt(Integer::intValue).toArray();
    }

    /** The number of a packed press; 0 for none. */
    public short number(int packedPress) {
        return numbers[packedPress];
    }

    /** The packed press of a number. */
    public int packed(int number) {
        return packed[number];
    }

    /** How many numbers there are. */
    public int numbers() {
        return packed.length;
    }

    private boolean isBarre(int press) {
        return Press.isBarre(packed[press]);
    }

    private double shiftMm(int from, int to) {
        return Math.abs(neck.along(from) - neck.along(to));
    }

    private static long word(double effort, double ms, boolean slides) {
        return Effort.thousandths(effort) | Math.round(ms * 1000) << COST_BITS | (slides ? SLIDES : 0);
    }

    private static int effort(long word) {
        return (int) (word & COST);
    }

    private static int us(long word) {
        return (int) (word >> COST_BITS & US);
    }

    private long[] movesFrom(int from) {
        long[] row = moves.get(from);
        if (row == null) {
            row = new long[packed.length];
            for (int to = 1; to < row.length; to++) {
                row[to] = from == to ? 0 : move(packed[from], packed[to]);
            }
            moves.set(from, row);
        }
        return row;
    }

    private long move(int from, int to) {
        boolean overlap = Press.overlap(from, to);
        double barre = (Press.isBarre(to) ? LAY_BARRE_MS : 0) + (Press.isBarre(from) ? LIFT_BARRE_MS : 0);
        if (overlap && Press.fret(from) == Press.fret(to)) {
            return word(Weights.ROLL, barre, false);
        }
        double mm = neck.distance(from, to);
        if (overlap && (from & STRINGS) == (to & STRINGS)) {
            // the same strings: a barre that slides need not be laid anew
            return word(Weights.GUIDE + Weights.GUIDE_PER_100_MM * mm / 100, hand.travelMs(mm), true);
        }
        double effort = overlap
                ? Weights.GUIDE + Weights.GUIDE_PER_100_MM * mm / 100
                : Weights.JUMP + Weights.JUMP_PER_100_MM * mm / 100;
        effort += (Press.isBarre(to) ? Weights.LAY_BARRE : 0) + (Press.isBarre(from) ? Weights.LIFT_BARRE : 0);
        return word(effort, hand.travelMs(mm) + barre, overlap);
    }

    private long[] placesFrom(int finger, int position) {
        int at = position * Fingering.FINGERS + finger;
        long[] row = places.get(at);
        if (row == null) {
            row = new long[packed.length];
            for (int to = 1; to < row.length; to++) {
                double mm = rests.mm(finger, position, packed[to]);
                double effort =
                        Weights.PLACE + Weights.PLACE_PER_100_MM * mm / 100 + (isBarre(to) ? Weights.LAY_BARRE : 0);
                row[to] = word(effort, hand.travelMs(mm) + (isBarre(to) ? LAY_BARRE_MS : 0), false);
            }
            places.set(at, row);
        }
        return row;
    }

    /** What it costs to need so long and have less, in thousandths. */
    public static int hurry(int needsUs, int hasUs) {
        return needsUs <= hasUs
                ? 0
                : (int) (Effort.thousandths(Weights.TOO_FAST) * (long) needsUs / Math.max(hasUs, LEAST_US));
    }

    private static int shiftEffort(long word, boolean led) {
        return led ? (int) (effort(word) * Weights.GUIDED_SHIFT + 0.5) : effort(word);
    }

    private boolean leads(int finger, int before, int after, int shift) {
        int slid = Press.fret(packed[after]) - Press.fret(packed[before]);
        return finger != Fingering.THUMB && Math.abs(slid) <= MOST_SLID && leads(slid, shift);
    }

    /**
     * A finger's part of a change as it is in the time that it has, and nobody in its way.
     *
     * @param from the number of its press before, 0 where it is up
     * @param position where the hand stands before
     * @param to the number of its press after, 0 where it is up
     * @param hasUs the time it has, in microseconds
     * @return effort in thousandths in the lower half, how far it slides in the upper one, see {@link #slid}; 0 only
     *     where nothing is done
     */
    public long move(int finger, int from, int position, int to, int hasUs) {
        if (from == to) {
            return 0;
        }
        if (to == 0) {
            return lifts[from];
        }
        long word = word(finger, from, position, to);
        int slid = Press.fret(packed[to]) - Press.fret(packed[from]);
        boolean mayLead = finger != Fingering.THUMB && (word & SLIDES) != 0 && Math.abs(slid) <= MOST_SLID;
        return effort(word) + hurry(us(word), hasUs) | (mayLead ? slid(slid) : 0);
    }

    /** How long a finger's part of a change needs, in microseconds. */
    public int needsUs(int finger, int from, int position, int to) {
        return from == to || to == 0 ? 0 : us(word(finger, from, position, to));
    }

    private long word(int finger, int from, int position, int to) {
        return from == 0 ? placesFrom(finger, position)[to] : movesFrom(from)[to];
    }

    /** How long the hand's part of a change needs, in microseconds. */
    public int shiftNeedsUs(int from, int to) {
        return us(shifts[from * positions + to]);
    }

    /**
     * The hand's part of a change with time enough, in thousandths.
     *
     * @param slides how far fingers slide, the bits of {@link #move}
     */
    public int shift(int from, int to, long slides) {
        int at = from * positions + to;
        return isLed(from, to, slides) ? ledShifts[at] : freeShifts[at];
    }

    /** The same when it is led. */
    public int ledShift(int from, int to) {
        return ledShifts[from * positions + to];
    }

    /** Whether one of some slides leads a shift. */
    public boolean isLed(int from, int to, long slides) {
        return (slides & leading[to - from + positions]) != 0;
    }

    /** A slide of so many frets, up to {@value #MOST_SLID}, as one bit of a word's upper half. */
    static long slid(int frets) {
        return 1L << Integer.SIZE + frets + MOST_SLID;
    }

    /** Whether a finger that slides so many frets leads a hand that shifts so many. */
    private static boolean leads(int slid, int shift) {
        return slid * shift > 0 && Math.abs(slid - shift) <= LEADS_WITHIN;
    }

    /**
     * A change in full. Its effort is that of {@link #cost}, term by term.
     *
     * @param plucks what each finger plucked last before, see {@link Pace#pluck}
     * @param pace how much time that leaves
     */
    public Change change(Posture before, Posture after, int plucks, Pace pace) {
        return new Reading(before, after, plucks, pace).change();
    }

    /** Reads a change off its two postures. */
    private final class Reading {
        private final Posture before;
        private final Posture after;
        private final Stops stopsBefore;
        private final Stops stopsAfter;
        private final int plucks;
        private final Pace pace;
        private final Effort.Sum effort = new Effort.Sum();
        private final int handPluck;
        private boolean led;

        Reading(Posture before, Posture after, int plucks, Pace pace) {
            this.before = before;
            this.after = after;
            this.plucks = plucks;
            this.pace = pace;
            this.stopsBefore = Stops.of(before.fingering().packed());
            this.stopsAfter = Stops.of(after.fingering().packed());
            this.handPluck = before.position() == after.position() ? 0 : handPluck();
        }

        /** The pluck after which the hand is free to go. */
        private int handPluck() {
            int latest = 0;
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                int press = before.fingering().packed(finger);
                int pluck = Pace.pluck(plucks, finger);
                if (press != 0 && press != after.fingering().packed(finger) && pace.ticks(pluck) < pace.ticks(latest)) {
                    latest = pluck;
                }
            }
            return latest;
        }

        Change change() {
            List<FingerMove> all = new ArrayList<>();
            for (Finger finger : Finger.values()) {
                int from = before.fingering().packed(finger.ordinal());
                int to = after.fingering().packed(finger.ordinal());
                if (from != 0 || to != 0) {
                    all.add(move(finger, from, to));
                }
            }
            return new Change(all, shift(), effort.done());
        }

        private FingerMove move(Finger finger, int from, int to) {
            if (from == to) {
                return still(finger, FingerMove.Kind.ANCHOR);
            }
            if (to == 0) {
                effort.add(Term.LIFTING, lifts[number(from)]);
                return still(finger, FingerMove.Kind.LIFT);
            }
            return from == 0 ? placed(finger, to) : moved(finger, from, to);
        }

        private FingerMove still(Finger finger, FingerMove.Kind kind) {
            return new FingerMove(
                    finger,
                    kind,
                    before.fingering().press(finger),
                    after.fingering().press(finger),
                    0,
                    0,
                    0,
                    0,
                    Optional.empty(),
                    false);
        }

        private FingerMove placed(Finger finger, int to) {
            long word = placesFrom(finger.ordinal(), before.position())[number(to)];
            double mm = rests.mm(finger.ordinal(), before.position(), to);
            return timed(finger, FingerMove.Kind.PLACE, word, mm, handPluck);
        }

        private FingerMove moved(Finger finger, int from, int to) {
            long word = movesFrom(number(from))[number(to)];
            boolean slides = (word & SLIDES) != 0;
            boolean rolls = Press.overlap(from, to) && Press.fret(from) == Press.fret(to);
            int shift = after.position() - before.position();
            led |= slides && leads(finger.ordinal(), number(from), number(to), shift);
            FingerMove.Kind kind = rolls ? FingerMove.Kind.ROLL : slides ? FingerMove.Kind.GUIDE : FingerMove.Kind.JUMP;
            double mm = rolls ? 0 : neck.distance(from, to);
            return timed(finger, kind, word, mm, Pace.pluck(plucks, finger.ordinal()));
        }

        private FingerMove timed(Finger finger, FingerMove.Kind kind, long word, double mm, int ownPluck) {
            int pluck = ownPluck;
            Optional<Finger> over = Optional.empty();
            for (int string = 1; string <= neck.strings(); string++) {
                int was = Stops.at(stopsBefore.fingers(), string);
                boolean takes = Stops.at(stopsAfter.fingers(), string) == finger.ordinal() + 1
                        && was != 0
                        && was != finger.ordinal() + 1;
                if (takes) {
                    effort.add(Term.REFINGERING, Effort.thousandths(Weights.REFINGERING));
                    int theirs = Pace.pluck(plucks, was - 1);
                    if (stopsBefore.fret(string) >= stopsAfter.fret(string)) {
                        over = Optional.of(Finger.values()[was - 1]);
                        pluck = pace.us(theirs) < pace.us(pluck) ? theirs : pluck;
                    }
                }
            }
            effort.add(term(kind), effort(word));
            effort.add(Term.HURRY, hurry(us(word), pace.us(pluck)));
            Optional<Press> from = before.fingering().press(finger);
            Optional<Press> to = after.fingering().press(finger);
            boolean squeaks = kind == FingerMove.Kind.GUIDE
                    && instrument
                            .guitar()
                            .isWound(Math.min(
                                    from.orElseThrow().bassString(),
                                    to.orElseThrow().bassString()));
            return new FingerMove(
                    finger,
                    kind,
                    from,
                    to,
                    mm,
                    us(word) / 1000.0,
                    pace.ticks(pluck),
                    pace.us(pluck) / 1000.0,
                    over,
                    squeaks);
        }

        private static Term term(FingerMove.Kind kind) {
            return switch (kind) {
                case PLACE -> Term.PLACING;
                case ROLL -> Term.ROLLING;
                case GUIDE -> Term.SLIDING;
                default -> Term.JUMPING;
            };
        }

        private Optional<Shift> shift() {
            int from = before.position();
            int to = after.position();
            if (from == to) {
                return Optional.empty();
            }
            long word = shifts[from * positions + to];
            effort.add(Term.SHIFTING, shiftEffort(word, led));
            effort.add(Term.HURRY, hurry(us(word), pace.us(handPluck)));
            return Optional.of(new Shift(
                    from,
                    to,
                    shiftMm(from, to),
                    us(word) / 1000.0,
                    pace.ticks(handPluck),
                    pace.us(handPluck) / 1000.0,
                    led));
        }
    }
}

package phalanx.lefthand.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Press;

/**
 * What single moves of fingers and hand take: {@code a + b * log2(D / W + 1)} for a tip that goes D mm (P. Fitts, J. Exp.
 * Psychol. 47, 1954; see {@link Hand.Speed}), and a little more where a barre is laid or lifted. D is measured on the
 * real neck, from where the finger pressed, or from its rest place where it was up.
 *
 * <p>A path asks for the same few thousand moves all the time. Presses therefore have numbers, and what it takes to go
 * from one to another is measured once and looked up: one word holds effort in thousandths, microseconds needed, and
 * whether it is a slide; and for each time that a finger has, there are rows with the hurry in it. Safe for several
 * threads at once.
 *
 * <p>For example, on a 650 mm scale finger 3 going from string 5, fret 3 to string 6, fret 3 travels 8 mm and needs 50 +
 * 60 * log2(8 / 13 + 1) = 91 ms; it jumps, which costs 0.3 + 1.2 * 0.08 = 0.4.
 */
public final class MoveTable {
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

    /** Bits of effort in a word of {@link Timed}; the {@value #SPARE_BITS} above them are free. */
    public static final int EFFORT_BITS = 24;

    public static final int SPARE_BITS = 8;
    private static final int PACKED_BITS = 13;
    private static final int STRINGS = 0xFF;
    private static final int LONE_SLIDE = Effort.thousandths(Weights.LONE_SLIDE);
    private static final int COST_BITS = 20;
    private static final int US_BITS = 24;
    private static final long COST = (1L << COST_BITS) - 1;
    private static final long US = (1L << US_BITS) - 1;
    private static final long SLIDES = 1L << COST_BITS + US_BITS;
    /** So many figures of hurried rows are kept; then it begins anew. */
    private static final int MOST_KEPT = 4_000_000;

    /** A row that threads may see at any time, or not yet: then they reckon it again. Its field is final for that. */
    private record Row(long[] words) {}

    private final Hand hand;
    private final Neck neck;
    private final RestPlaces rests;
    private final short[] numbers = new short[1 << PACKED_BITS];
    private final int[] packed;
    private final int[] lifts;
    private final Row[] moves;
    private final Row[] places;
    private final long[] shifts;
    private final int[] freeShifts;
    private final int[] ledShifts;
    /** For each shift, from one neck down to one up, the slides that lead it. */
    private final long[] leading;

    private final int positions;
    private final Map<Integer, Timed> timed = new ConcurrentHashMap<>();
    private final AtomicInteger kept = new AtomicInteger();

    MoveTable(Neck neck, RestPlaces rests, Hand hand) {
        this.hand = hand;
        this.neck = neck;
        this.rests = rests;
        this.packed = number();
        this.lifts = new int[packed.length];
        for (int press = 1; press < packed.length; press++) {
            lifts[press] = Effort.thousandths(Weights.LIFT + (isBarre(press) ? Weights.LIFT_BARRE : 0));
        }
        this.positions = neck.highestFret() + 1;
        this.moves = new Row[packed.length];
        this.places = new Row[positions * Fingering.FINGERS];
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

    double shiftMm(int from, int to) {
        return Math.abs(neck.along(from) - neck.along(to));
    }

    private static long word(double effort, double ms, boolean slides) {
        return Effort.thousandths(effort) | Math.round(ms * 1000) << COST_BITS | (slides ? SLIDES : 0);
    }

    /** Effort of a word, in thousandths. */
    static int effort(long word) {
        return (int) (word & COST);
    }

    /** Microseconds that a word needs. */
    static int us(long word) {
        return (int) (word >> COST_BITS & US);
    }

    static boolean slides(long word) {
        return (word & SLIDES) != 0;
    }

    /** The word of a finger that goes from one press to another, both by number. */
    long move(int from, int to) {
        return movesFrom(from)[to];
    }

    /** The word of a finger that is put down. */
    long place(int finger, int position, int to) {
        return placesFrom(finger, position)[to];
    }

    int lift(int from) {
        return lifts[from];
    }

    /** The word of a hand that shifts. */
    long shiftWord(int from, int to) {
        return shifts[from * positions + to];
    }

    private long[] movesFrom(int from) {
        Row known = moves[from];
        if (known != null) {
            return known.words;
        }
        long[] row = new long[packed.length];
        for (int to = 1; to < row.length; to++) {
            row[to] = from == to ? 0 : measured(packed[from], packed[to]);
        }
        moves[from] = new Row(row);
        return row;
    }

    private long measured(int from, int to) {
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
        Row known = places[at];
        if (known != null) {
            return known.words;
        }
        long[] row = new long[packed.length];
        for (int to = 1; to < row.length; to++) {
            double mm = rests.mm(finger, position, packed[to]);
            double effort = Weights.PLACE + Weights.PLACE_PER_100_MM * mm / 100 + (isBarre(to) ? Weights.LAY_BARRE : 0);
            row[to] = word(effort, hand.travelMs(mm) + (isBarre(to) ? LAY_BARRE_MS : 0), false);
        }
        places[at] = new Row(row);
        return row;
    }

    /** What it costs to need so long and have less, in thousandths. */
    public static int hurry(int needsUs, int hasUs) {
        return needsUs <= hasUs
                ? 0
                : (int) (Effort.thousandths(Weights.TOO_FAST) * (long) needsUs / Math.max(hasUs, LEAST_US));
    }

    static int shiftEffort(long word, boolean led) {
        return led ? (int) (effort(word) * Weights.GUIDED_SHIFT + 0.5) : effort(word);
    }

    /** How far a finger slides between two presses, as the bits of {@link Timed#moves} tell it; 0 where they do not. */
    long slide(int finger, int before, int after) {
        boolean told = finger != Fingering.THUMB && slides(move(before, after));
        return told ? slid(Press.fret(packed[after]) - Press.fret(packed[before])) : 0;
    }

    /**
     * What it costs more that the only finger slides, in thousandths; nothing where another is down or none slides.
     *
     * @param before the fingers that are down, bit f for finger f from 0, and {@code after} the change
     * @param words of the moves, {@link Timed#moves}
     */
    public static int loneSlide(int before, int after, long words) {
        boolean alone = before == after && Integer.bitCount(before) == 1;
        return alone && words >>> Integer.SIZE != 0 ? LONE_SLIDE : 0;
    }

    /** Whether a finger that slides between two presses leads a shift of so many frets. */
    boolean leads(int finger, int before, int after, int shift) {
        int slid = Press.fret(packed[after]) - Press.fret(packed[before]);
        return finger != Fingering.THUMB && Math.abs(slid) <= MOST_SLID && leads(slid, shift);
    }

    /** What moves take in a time that a finger has, in microseconds. */
    public Timed within(int hasUs) {
        Timed rows = timed.get(hasUs);
        if (rows == null) {
            if (kept.get() > MOST_KEPT) {
                timed.clear();
                kept.set(0);
            }
            rows = timed.computeIfAbsent(hasUs, Timed::new);
        }
        return rows;
    }

    /**
     * Moves in a given time: a finger's part of changes as it is when nobody is in its way. Rows of words by the number of
     * the press after: effort in thousandths in the {@value #EFFORT_BITS} lowest bits, above bit 32 how far fingers 1 to
     * 4 slide, as {@link #leading} tells them; 0 only where nothing is done.
     */
    public final class Timed {
        private final int hasUs;
        private final Row[] moves;
        private final Row[] places;
        private final int[] hurries;

        private Timed(int hasUs) {
            this.hasUs = hasUs;
            this.moves = new Row[2 * packed.length];
            this.places = new Row[positions * Fingering.FINGERS];
            this.hurries = new int[positions * positions];
            for (int at = 0; at < hurries.length; at++) {
                hurries[at] = hurry(us(shifts[at]), hasUs);
            }
        }

        /** What the hand loses when it must shift in this time, in thousandths. */
        public int hurryOfShift(int from, int to) {
            return hurries[from * positions + to];
        }

        /** From a press, by its number, to each: the finger stays, moves or comes up. */
        public long[] moves(int finger, int from) {
            boolean leads = finger != Fingering.THUMB;
            int at = leads ? from : packed.length + from;
            Row known = moves[at];
            if (known != null) {
                return known.words;
            }
            long[] words = movesFrom(from);
            long[] row = hurried(words);
            for (int to = 1; to < row.length && leads; to++) {
                row[to] |= slides(words[to]) ? slid(Press.fret(packed[to]) - Press.fret(packed[from])) : 0;
            }
            row[from] = 0;
            row[0] = lifts[from];
            moves[at] = new Row(row);
            return row;
        }

        /** From the rest place of a finger, from 0, over a position of the hand. */
        public long[] places(int finger, int position) {
            int at = position * Fingering.FINGERS + finger;
            Row known = places[at];
            if (known != null) {
                return known.words;
            }
            long[] row = hurried(placesFrom(finger, position));
            row[0] = 0;
            places[at] = new Row(row);
            return row;
        }

        private long[] hurried(long[] words) {
            long[] row = new long[words.length];
            kept.addAndGet(row.length);
            for (int to = 0; to < row.length; to++) {
                row[to] = effort(words[to]) + hurry(us(words[to]), hasUs);
            }
            return row;
        }
    }

    /** How long a finger's part of a change needs, in microseconds. */
    public int needsUs(int finger, int from, int position, int to) {
        if (from == to || to == 0) {
            return 0;
        }
        return us(from == 0 ? place(finger, position, to) : move(from, to));
    }

    /** How long the hand's part of a change needs, in microseconds. */
    public int shiftNeedsUs(int from, int to) {
        return us(shifts[from * positions + to]);
    }

    /**
     * The hand's part of a change with time enough, in thousandths.
     *
     * @param led whether a finger leads it, see {@link #leading}
     */
    public int shift(int from, int to, boolean led) {
        return (led ? ledShifts : freeShifts)[from * positions + to];
    }

    /**
     * Whether a finger must wait until another has left the string that it takes over: on one fret, or behind it where the
     * two would cross. A lower finger is put down behind a higher one while that still sounds.
     *
     * @param finger that pressed, and {@code next} that will, as indices
     */
    public static boolean waits(int finger, int fret, int next, int nextFret) {
        boolean thumb = finger == Fingering.THUMB || next == Fingering.THUMB;
        return fret == nextFret || fret > nextFret && (thumb || next > finger);
    }

    /** The slides that lead a shift: those of any one finger among the bits of {@link Timed#moves} do. */
    public long leading(int from, int to) {
        return leading[to - from + positions];
    }

    /** A slide of so many frets as one bit of a word's upper half; longer ones lead no hand and have none. */
    private static long slid(int frets) {
        return Math.abs(frets) <= MOST_SLID ? 1L << Integer.SIZE + frets + MOST_SLID : 0;
    }

    /** Whether a finger that slides so many frets leads a hand that shifts so many. */
    private static boolean leads(int slid, int shift) {
        return slid * shift > 0 && Math.abs(slid - shift) <= LEADS_WITHIN;
    }
}

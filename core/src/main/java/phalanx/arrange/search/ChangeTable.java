package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.track.MoveTable;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Stops;

/**
 * What the changes between two layers cost: those of the left hand as {@link MoveTable} has them, the thumb's step, and
 * notes that end though they should ring on.
 *
 * <p>Fingers have few presses in a layer, so all their moves fit small tables: with p presses before and q after, 5 * p *
 * q efforts, and a change is five look-ups and what the fingers do to one another.
 */
final class ChangeTable implements LayeredGraph.Changes {
    private static final int STRINGS = 16;
    private static final int REFINGERING = Effort.thousandths(Weights.REFINGERING);

    private final Layer before;
    private final Layer after;
    private final Slot slot;
    private final MoveTable table;
    private final Pace pace;
    private final Instrument instrument;

    /** Effort in a word. */
    static final int EFFORT = (1 << MoveTable.EFFORT_BITS) - 1;

    private static final int LATEST_TOLD = MoveTable.SPARE_BITS;

    /** Of each set of plucks its latest: looked up, since the first compiler of a fresh process counts no bits in one step. */
    private static final byte[] LATEST = new byte[1 << MoveTable.SPARE_BITS];

    static {
        for (int bits = 0; bits < LATEST.length; bits++) {
            LATEST[bits] = (byte) (Integer.SIZE - Integer.numberOfLeadingZeros(bits));
        }
    }

    /**
     * Of each finger the words of its moves, with a bit for what a finger that moves plucked last, from
     * {@link MoveTable#EFFORT_BITS} on for pluck 1; plucks past the last bit share it. {@link #strideBefore} and
     * {@link #strideAfter} say where they stand.
     */
    private final long[][] moves = new long[Fingering.FINGERS][];

    private final int[] strideBefore = new int[Fingering.FINGERS];
    private final int[] strideAfter = new int[Fingering.FINGERS];
    /** Of each finger's ways to leave the time it has; all there is where it is up. */
    private final int[][] has = new int[Fingering.FINGERS][];

    /** What moves take in the time after each pluck. */
    private final MoveTable.Timed[] timed = new MoveTable.Timed[Pace.MOST_PLUCKS + 1];

    /** The last pluck of all fingers of each candidate before. */
    private final byte[] lastPlucks;

    /** What the thumb's step to each string costs after each, and after each to each. */
    private final int[][] bassStepsTo = new int[STRINGS][STRINGS];

    private final int[][] bassStepsFrom = new int[STRINGS][STRINGS];
    private final boolean tuneRings;
    private final boolean bassRings;
    private final int[] limits = new int[Fingering.FINGERS];

    private final InnerCuts innerCuts;
    private final NextBass nextBass;

    /**
     * @param slotBefore the slot of the layer before
     * @param slot the slot of the layer after
     * @param pace how much time there is between
     */
    ChangeTable(
            Layer before, Layer after, Slot slotBefore, Slot slot, MoveTable table, Pace pace, Instrument instrument) {
        this.before = before;
        this.after = after;
        this.slot = slot;
        this.table = table;
        this.pace = pace;
        this.instrument = instrument;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            int[] leaving = before.leaving[finger];
            has[finger] = new int[leaving.length];
            for (int way = 0; way < leaving.length; way++) {
                has[finger][way] = pace.us(before.press(leaving[way]) == 0 ? 0 : Layer.pluck(leaving[way]));
            }
        }
        for (int pluck = 0; pluck <= pace.plucks(); pluck++) {
            timed[pluck] = table.within(pace.us(pluck));
        }
        this.lastPlucks = new byte[before.count];
        for (int candidate = 0; candidate < before.count; candidate++) {
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                int pluck = Pace.pluck(before.plucks[candidate], finger);
                lastPlucks[candidate] = (byte) Math.max(lastPlucks[candidate], pluck);
            }
        }
        this.tuneRings = slot.melodyRingsOn();
        this.bassRings = slot.bassRingsOn();
        this.innerCuts = new InnerCuts(before, after, slotBefore, slot, instrument);
        this.nextBass = new NextBass(before, after, slotBefore, slot, instrument);
        if (slot.bassBegins()) {
            fillBassSteps();
        }
    }

    private void fillBassSteps() {
        for (int from = 1; from <= instrument.strings(); from++) {
            for (int to = 1; to <= instrument.strings(); to++) {
                int step = BassEar.bassStep(from, to, slot.bass().orElseThrow(), instrument.strings());
                bassStepsTo[to][from] = step;
                bassStepsFrom[from][to] = step;
            }
        }
    }

    /**
     * Fills the tables of moves, once.
     *
     * @param earlier whether those that arrive the same way shall lie side by side, for going through what is before;
     *     else those that leave the same way
     */
    void fill(boolean earlier) {
        for (int finger = 0; finger < Fingering.FINGERS && moves[Fingering.THUMB] == null; finger++) {
            int[] leaving = before.leaving[finger];
            int[] arriving = after.arriving[finger];
            strideBefore[finger] = earlier ? 1 : arriving.length;
            strideAfter[finger] = earlier ? leaving.length : 1;
            long[] own = new long[leaving.length * arriving.length];
            for (int way = 0; way < leaving.length; way++) {
                long[] row = row(finger, way);
                long pluck = pluckBit(leaving[way]);
                for (int press = 0; press < arriving.length; press++) {
                    long word = row[arriving[press]];
                    own[way * strideBefore[finger] + press * strideAfter[finger]] = word == 0 ? 0 : word | pluck;
                }
            }
            moves[finger] = own;
        }
    }

    private long pluckBit(int leaving) {
        int pluck = before.press(leaving) == 0 ? 0 : Layer.pluck(leaving);
        return pluck == 0 ? 0 : 1L << MoveTable.EFFORT_BITS + Math.min(pluck, LATEST_TOLD) - 1;
    }

    /** What a finger that leaves in one of its ways has to do, as words by the number of the press it arrives at. */
    long[] row(int finger, int leaving) {
        int way = before.leaving[finger][leaving];
        int press = before.press(way);
        return press == 0
                ? within(0).places(finger, before.waitingAt(way))
                : within(Layer.pluck(way)).moves(finger, press);
    }

    private MoveTable.Timed within(int pluck) {
        return timed[pluck];
    }

    @Override
    public Beginnings beginnings(long[] costs) {
        return new GroupedBeginnings(this, true, costs);
    }

    @Override
    public LayeredGraph.Changes reversed() {
        ChangeTable forward = this;
        return new LayeredGraph.Changes() {
            @Override
            public long cost(int from, int to) {
                return forward.cost(to, from);
            }

            @Override
            public Beginnings beginnings(long[] costs) {
                return new GroupedBeginnings(forward, false, costs);
            }

            @Override
            public LayeredGraph.Changes reversed() {
                return forward;
            }
        };
    }

    Layer before() {
        return before;
    }

    Layer after() {
        return after;
    }

    boolean tuneRings() {
        return tuneRings;
    }

    boolean bassRings() {
        return bassRings;
    }

    /** The table of a finger's moves, once filled. */
    long[] moves(int finger) {
        return moves[finger];
    }

    /** Where the moves of a finger that leaves in one of its ways stand in its table. */
    int strideBefore(int finger) {
        return strideBefore[finger];
    }

    /** The same for one of its ways to arrive. */
    int strideAfter(int finger) {
        return strideAfter[finger];
    }

    /**
     * What a shift costs at least.
     *
     * @param words of the fingers' moves, all their bits together
     */
    private int shift(int from, int to, long words) {
        return from == to ? 0 : shift(from, to, (words & leading(from, to)) != 0, latest(words));
    }

    /**
     * The same.
     *
     * @param led whether a finger leads the hand
     * @param pluck after which it is free at the earliest
     */
    int shift(int from, int to, boolean led, int pluck) {
        return table.shift(from, to, led) + within(pluck).hurryOfShift(from, to);
    }

    /** The slides that lead a shift. */
    long leading(int from, int to) {
        return table.leading(from, to);
    }

    /** How many plucks there are before the change. */
    int plucks() {
        return pace.plucks();
    }

    /** The latest pluck of fingers that must go. */
    static int latest(long words) {
        return LATEST[(int) (words >> MoveTable.EFFORT_BITS) & LATEST.length - 1];
    }

    /** The last pluck of a candidate's fingers: the hand waits for it when all that plucked must go. */
    int lastPluck(int candidate) {
        return lastPlucks[candidate];
    }

    /** Whether a finger plucked with a press, and stays on it. */
    boolean stays(int finger, int leaving, int arriving) {
        int way = before.leaving[finger][leaving];
        return Layer.pluck(way) > 0 && before.press(way) == after.arriving[finger][arriving];
    }

    private long ring(int from, int to) {
        return (tuneRings ? ring(before.tunePlaces[from], after.tunePlaces[to], SongGraph.TUNE_CUT) : 0)
                + (bassRings ? ring(before.bassPlaces[from], after.bassPlaces[to], SongGraph.BASS_CUT) : 0);
    }

    /** What becomes of a note that should ring on: it does in its place, or it is cut; no other place has it. */
    static long ring(int before, int after, long cut) {
        return before == after ? 0 : after == 0 ? cut : LayeredGraph.IMPOSSIBLE;
    }

    @Override
    public long cost(int from, int to) {
        fill(true);
        int sum = bassStepsTo[after.basses[to]][before.basses[from]];
        long words = 0;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            long word = move(finger, from, to);
            words |= word;
            sum += (int) word & EFFORT;
        }
        long ring = ring(from, to);
        return ring >= LayeredGraph.IMPOSSIBLE
                ? LayeredGraph.IMPOSSIBLE
                : ring + cost(from, to, sum + shift(before.positions[from], after.positions[to], words), words);
    }

    /** What the thumb's steps cost from each string to one, or else to each string from one. */
    int[] bassSteps(boolean earlier, int string) {
        return (earlier ? bassStepsTo : bassStepsFrom)[string];
    }

    /**
     * What a change costs besides notes of tune and bass that end.
     *
     * @param least the effort of all fingers' moves, of the thumb's step and of the shift
     * @param words of the moves
     */
    long cost(int from, int to, int least, long words) {
        int position = before.positions[from];
        int next = after.positions[to];
        int sum = least;
        int whole = pace.us(0);
        int hand = whole;
        if (position != next) {
            int latest = latest(words);
            hand = latest < LATEST_TOLD ? pace.us(latest) : handUs(from, to);
            if (latest == LATEST_TOLD) {
                int needs = table.shiftNeedsUs(position, next);
                sum += MoveTable.hurry(needs, hand) - MoveTable.hurry(needs, pace.us(latest));
            }
            sum += hand < whole ? placedWithTheHand(from, to, latest, hand) : 0;
        }
        sum += MoveTable.loneSlide(before.down[from], after.down[to], words);
        long fingersDiffer = before.fingers[from] ^ after.fingers[to];
        long handed = before.stopped[from] & after.stopped[to] & Stops.inUse(fingersDiffer);
        if (handed != 0) {
            sum += waiting(from, to, handed, hand);
        }
        return (long) sum * Effort.STEPS
                + innerCuts.cost(from, to, fingersDiffer | before.frets[from] ^ after.frets[to])
                + nextBass.cost(from, to);
    }

    private long move(int finger, int from, int to) {
        return moves[finger][
                before.leavingAt[finger][from] * strideBefore[finger]
                        + after.arrivingAt[finger][to] * strideAfter[finger]];
    }

    /** The time from when the last finger that must go is free. */
    private int handUs(int from, int to) {
        int hand = pace.us(0);
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            int own = has[finger][before.leavingAt[finger][from]];
            if (own < hand && move(finger, from, to) != 0) {
                hand = own;
            }
        }
        return hand;
    }

    private int pressBefore(int finger, int from) {
        return before.presses[from * Fingering.FINGERS + finger];
    }

    private int pressAfter(int finger, int to) {
        return after.presses[to * Fingering.FINGERS + finger];
    }

    private int needs(int finger, int from, int to) {
        return table.needsUs(finger, pressBefore(finger, from), before.positions[from], pressAfter(finger, to));
    }

    /**
     * What fingers that were up lose when they must go with the hand.
     *
     * @param latest the pluck that the hand waits for; from {@link #LATEST_TOLD} on its time alone is known
     * @param hand the time that the hand has
     */
    private int placedWithTheHand(int from, int to, int latest, int hand) {
        int more = 0;
        int position = before.positions[from];
        for (int left = after.down[to] & ~before.down[from]; left != 0; left &= left - 1) {
            int finger = Integer.numberOfTrailingZeros(left);
            if (latest < LATEST_TOLD) {
                int press = pressAfter(finger, to);
                more += (int) within(latest).places(finger, position)[press]
                        - (int) within(0).places(finger, position)[press];
            } else {
                int needs = needs(finger, from, to);
                more += MoveTable.hurry(needs, hand) - MoveTable.hurry(needs, pace.us(0));
            }
        }
        return more;
    }

    /** What it costs that strings go from one finger to another, and what that loses of the other's time. */
    private int waiting(int from, int to, long handed, int placedHas) {
        int more = 0;
        boolean waits = false;
        for (long left = handed; left != 0; left &= left - 1) {
            int string = Stops.string(left);
            int finger = Stops.at(after.fingers[to], string) - 1;
            if (move(finger, from, to) != 0) {
                more += REFINGERING;
                int other = Stops.at(before.fingers[from], string) - 1;
                int fret = Stops.at(before.frets[from], string);
                if (MoveTable.waits(other, fret, finger, Stops.at(after.frets[to], string))) {
                    if (!waits) {
                        waits = true;
                        Arrays.fill(limits, Integer.MAX_VALUE);
                    }
                    limits[finger] = Math.min(limits[finger], has[other][before.leavingAt[other][from]]);
                }
            }
        }
        for (int finger = 0; waits && finger < Fingering.FINGERS; finger++) {
            int had = pressBefore(finger, from) == 0 ? placedHas : has[finger][before.leavingAt[finger][from]];
            if (limits[finger] < had) {
                int needs = needs(finger, from, to);
                more += MoveTable.hurry(needs, limits[finger]) - MoveTable.hurry(needs, had);
            }
        }
        return more;
    }
}

package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Slot;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Stops;

/**
 * What the changes between two layers cost: those of the left hand as {@link MoveMeter} prices them, the thumb's step,
 * and notes that end though they should ring on.
 *
 * <p>Fingers have few presses in a layer, so all their moves fit small tables: with p presses before and q after, 5 * p *
 * q moves are measured, and a change is five look-ups.
 */
final class ChangeTable implements LayeredGraph.Changes {
    private static final int STRINGS = 16;
    private static final int REFINGERING = Effort.thousandths(Weights.REFINGERING);

    private final Layer before;
    private final Layer after;
    private final Slot slot;
    private final MoveMeter meter;
    private final Pace pace;
    private final Instrument instrument;

    /** Of each finger and move the effort in thousandths, and above it how far it slides, see {@link MoveMeter#slid}. */
    private final long[][] moves = new long[Fingering.FINGERS][];

    private final int[][] needs = new int[Fingering.FINGERS][];
    private final int[] widths = new int[Fingering.FINGERS];
    /** Of each finger's ways to leave the time it has; all there is where it is up. */
    private final int[][] has = new int[Fingering.FINGERS][];

    /** The time that each candidate's hand has when all fingers that plucked must go. */
    private final int[] hands;

    private final int[] bassSteps = new int[STRINGS * STRINGS];
    private final boolean tuneRings;
    private final boolean bassRings;
    private final boolean innerRings;
    private final int[] limits = new int[Fingering.FINGERS];

    /**
     * @param slotBefore the slot of the layer before
     * @param slot the slot of the layer after
     * @param pace how much time there is between
     */
    ChangeTable(
            Layer before, Layer after, Slot slotBefore, Slot slot, MoveMeter meter, Pace pace, Instrument instrument) {
        this.before = before;
        this.after = after;
        this.slot = slot;
        this.meter = meter;
        this.pace = pace;
        this.instrument = instrument;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            fillMoves(finger);
        }
        this.hands = new int[before.count];
        for (int candidate = 0; candidate < before.count; candidate++) {
            hands[candidate] = pace.us(0);
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                int pluck = Pace.pluck(before.plucks[candidate], finger);
                hands[candidate] = Math.min(hands[candidate], pace.us(pluck));
            }
        }
        this.tuneRings = slot.melodyRingsOn();
        this.bassRings = slot.bassRingsOn();
        this.innerRings = slot.innerRingsOnFrom(slotBefore);
        if (slot.bassBegins()) {
            fillBassSteps();
        }
    }

    private void fillMoves(int finger) {
        int[] from = before.leaving[finger];
        int[] to = after.arriving[finger];
        widths[finger] = to.length;
        moves[finger] = new long[from.length * to.length];
        needs[finger] = new int[from.length * to.length];
        has[finger] = new int[from.length];
        for (int i = 0; i < from.length; i++) {
            int press = before.press(from[i]);
            int position = before.waitingAt(from[i]);
            has[finger][i] = pace.us(press == 0 ? 0 : Layer.pluck(from[i]));
            for (int k = 0; k < to.length; k++) {
                int at = i * to.length + k;
                moves[finger][at] = meter.move(finger, press, position, to[k], has[finger][i]);
                needs[finger][at] = meter.needsUs(finger, press, position, to[k]);
            }
        }
    }

    private void fillBassSteps() {
        for (int from = 1; from <= instrument.strings(); from++) {
            for (int to = 1; to <= instrument.strings(); to++) {
                bassSteps[from * STRINGS + to] =
                        Ear.bassStep(from, to, slot.bass().orElseThrow(), instrument.strings());
            }
        }
    }

    @Override
    public Beginnings beginnings(long[] costs) {
        return new GroupedBeginnings(this, true, costs);
    }

    @Override
    public LayeredGraph.Changes reversed() {
        ChangeTable table = this;
        return new LayeredGraph.Changes() {
            @Override
            public long cost(int from, int to) {
                return table.cost(to, from);
            }

            @Override
            public Beginnings beginnings(long[] costs) {
                return new GroupedBeginnings(table, false, costs);
            }

            @Override
            public LayeredGraph.Changes reversed() {
                return table;
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

    /** The least effort, in thousandths, of a finger's move between a way to leave and a press. */
    int leastMove(int finger, int leaving, int arriving) {
        return (int) moves[finger][leaving * widths[finger] + arriving];
    }

    /** A finger's move as {@link MoveMeter#move} tells it. */
    long moveOf(int finger, int leaving, int arriving) {
        return moves[finger][leaving * widths[finger] + arriving];
    }

    /** The time that a finger has that leaves so, in microseconds; all there is where it is up. */
    int hasUs(int finger, int leaving) {
        return has[finger][leaving];
    }

    /** All the time there is. */
    int whole() {
        return pace.us(0);
    }

    int ledShift(int from, int to) {
        return meter.ledShift(from, to);
    }

    int shiftNeedsUs(int from, int to) {
        return meter.shiftNeedsUs(from, to);
    }

    /** A shift as it costs led, with the hurry of a hand that has so long. */
    int leastShift(int from, int to, int handUs) {
        return from == to ? 0 : meter.ledShift(from, to) + MoveMeter.hurry(meter.shiftNeedsUs(from, to), handUs);
    }

    /** The time that a candidate's hand has when all fingers that plucked must go. */
    int hand(int candidate) {
        return hands[candidate];
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
        long ring = ring(from, to);
        if (ring >= LayeredGraph.IMPOSSIBLE) {
            return LayeredGraph.IMPOSSIBLE;
        }
        int position = before.positions[from];
        int next = after.positions[to];
        int whole = pace.us(0);
        int hand = whole;
        int sum = bassSteps[before.basses[from] * STRINGS + after.basses[to]];
        long slides = 0;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            long move = move(finger, from, to);
            if (move != 0) {
                sum += (int) move;
                slides |= move;
                hand = Math.min(hand, has[finger][before.leavingAt[finger][from]]);
            }
        }
        if (position != next) {
            sum += meter.shift(position, next, slides) + MoveMeter.hurry(meter.shiftNeedsUs(position, next), hand);
            sum += hand < whole ? placedWithTheHand(from, to, hand, whole) : 0;
        }
        long handed = Stops.handedOver(before.frets[from], before.fingers[from], after.frets[to], after.fingers[to]);
        if (handed != 0) {
            sum += waiting(from, to, handed, position == next ? whole : hand);
        }
        long cost = (long) sum * Effort.STEPS + ring;
        return before.struck[from] == 0 || !innerRings ? cost : cost + innerCuts(from, to);
    }

    private long move(int finger, int from, int to) {
        return moves[finger][before.leavingAt[finger][from] * widths[finger] + after.arrivingAt[finger][to]];
    }

    private int needs(int finger, int from, int to) {
        return needs[finger][before.leavingAt[finger][from] * widths[finger] + after.arrivingAt[finger][to]];
    }

    private boolean isUp(int finger, int from) {
        return before.presses[from * Fingering.FINGERS + finger] == 0;
    }

    /** What fingers that were up lose when they must go with the hand. */
    private int placedWithTheHand(int from, int to, int hand, int whole) {
        int more = 0;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            if (isUp(finger, from) && move(finger, from, to) != 0) {
                int needs = needs(finger, from, to);
                more += MoveMeter.hurry(needs, hand) - MoveMeter.hurry(needs, whole);
            }
        }
        return more;
    }

    /** What it costs that strings go from one finger to another, and what that loses of the other's time. */
    private int waiting(int from, int to, long handed, int placedHas) {
        int more = 0;
        Arrays.fill(limits, Integer.MAX_VALUE);
        for (long left = handed; left != 0; left &= left - 1) {
            int string = Stops.string(left);
            int finger = Stops.at(after.fingers[to], string) - 1;
            if (move(finger, from, to) != 0) {
                more += REFINGERING;
                int other = Stops.at(before.fingers[from], string) - 1;
                if (Stops.at(before.frets[from], string) >= Stops.at(after.frets[to], string)) {
                    limits[finger] = Math.min(limits[finger], has[other][before.leavingAt[other][from]]);
                }
            }
        }
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            int had = isUp(finger, from) ? placedHas : has[finger][before.leavingAt[finger][from]];
            if (limits[finger] < had) {
                int needs = needs(finger, from, to);
                more += MoveMeter.hurry(needs, limits[finger]) - MoveMeter.hurry(needs, had);
            }
        }
        return more;
    }

    /** Inner notes that end here though their chord goes on and their string is not wanted. */
    private long innerCuts(int from, int to) {
        boolean struckAtOnce = after.struck[to] != 0
                && (slot.inner().isEmpty() || slot.inner().get(0).tick() == slot.startTick());
        long cost = 0;
        for (int left = before.struck[from]; left != 0; left &= left - 1) {
            int string = Integer.numberOfTrailingZeros(left);
            boolean taken = slot.melodyBegins() && after.tunes[to] == string
                    || slot.bassBegins() && after.basses[to] == string
                    || struckAtOnce && (after.placings[to].moments()[0] >> string & 1) == 1;
            if (!taken && !before.keeps(from, string, after, to)) {
                int midi = instrument.midi(string, Stops.at(before.frets[from], string));
                boolean hidden = slot.melodyBegins()
                        && after.tunes[to] != Layer.NONE
                        && slot.melody().get().midi() <= midi;
                cost += hidden ? 0 : SongGraph.INNER_CUT;
            }
        }
        return cost;
    }
}

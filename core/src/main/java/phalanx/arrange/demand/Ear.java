package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;

/**
 * Hears what a slot sounds like and finds the strings for its inner strokes.
 *
 * <p>The strokes go to the strings between bass and tune that sound tones of the chord, and above the tune where it leaves
 * room for it ({@link Slot.Ask#ceiling}), at one tick the upper row to the
 * upper string. Their places are the cheapest by the terms of the ear, exactly: a path over the ticks whose state is the
 * string struck last and the colours heard so far. With t ticks, at most p placings of a tick's strokes, s strings and c
 * colours it takes t * p * s * 2^c steps.
 */
public final class Ear {
    /** The highest pitch that a bass makes muddy, and how near it must be: below G3, a third. Common practice. */
    private static final int LOW_MIDI = 55;

    private static final int THIRD = 4;
    private static final int MIDDLE = 3;
    private static final int NONE = -1;

    private static final int FEWEST_OF_A_BRUSH = 3;
    /** Stands for a brush in a set of rows. */
    private static final int BRUSH_ROW = 1 << 4;

    private static final int MOST_PLACINGS = 3;

    private static final int LEFT = Effort.thousandths(Weights.STROKE_LEFT);
    private static final int DECIDED_LEFT = Effort.thousandths(Weights.DECIDED_LEFT);
    private static final int SECOND_LEFT = Effort.thousandths(Weights.SECOND_LEFT);
    private static final int OFF_ROW = Effort.thousandths(Weights.OFF_ROW);
    private static final int OFF_MIDDLE = Effort.thousandths(Weights.OFF_MIDDLE);
    /** What it costs that a stroke repeats the one before, in thousandths. */
    public static final int REPEATED = Effort.thousandths(Weights.REPEATED);

    private static final int DOUBLES = Effort.thousandths(Weights.DOUBLES_TUNE);
    private static final int DOUBLES_BASS = Effort.thousandths(Weights.DOUBLES_BASS);
    private static final int TAKES_NEXT = Effort.thousandths(Weights.TAKES_NEXT);
    private static final int ABOVE_TUNE = Effort.thousandths(Weights.ABOVE_TUNE);
    private static final int BARE_END = Effort.thousandths(Weights.BARE_END);
    private static final int MUDDY = Effort.thousandths(Weights.MUDDY);
    private static final int CONTOUR = Effort.thousandths(Weights.CONTOUR);
    private static final int THIN = Effort.thousandths(Weights.THIN_STRING);
    private static final int COLOUR = Effort.thousandths(Weights.COLOUR_MISSING);

    /**
     * Where the inner strokes of a slot go.
     *
     * @param thousandths what that costs the ear
     * @param moments a set of strings for each tick, bit s for string s
     * @param strings the string of each stroke of each tick, 0 where it is left out or a brush
     * @param lanes the own string of each row, the top one first
     * @param first the {@link Labels label} of the first stroke, at one tick of the lowest; the tune's second note may
     *     repeat what was before
     * @param last that of the last, at one tick of the highest
     */
    public record Placing(int thousandths, int[] moments, int[][] strings, int[] lanes, int first, int last) {
        /** Where there are no strokes. */
        public static final Placing NONE =
                new Placing(0, new int[0], new int[0][], new int[0], Labels.NONE, Labels.NONE);

        /** Whether a string is a row's own. */
        public boolean isOwn(int row, int string) {
            return row <= lanes.length && lanes[row - 1] == string;
        }

        /** All strings struck, bit s for string s. */
        public int struck() {
            int struck = 0;
            for (int moment : moments) {
                struck |= moment;
            }
            return struck;
        }
    }

    private final List<List<Slot.Ask>> moments;
    private final int colours;
    private final int rowsHeard;

    /** @param demand with the strokes and what should be heard */
    public Ear(Slot.Demand demand) {
        this.moments = demand.moments();
        this.colours = demand.wanted().colours();
        this.rowsHeard = demand.wanted().rowsHeard();
    }

    /**
     * The cheapest places, and others that may be worth it for the strokes before and after: dearer by less than a repeated
     * stroke, and beginning or ending elsewhere.
     */
    public List<Placing> places(Scene scene) {
        return new Search(scene, null).all();
    }

    /**
     * Adds the price, term by term, of strokes that fall on given strings.
     *
     * @param struck a set of strings for each tick
     * @return these places
     */
    public Placing price(Scene scene, int[] struck, Effort.Sum sum) {
        if (moments.isEmpty()) {
            return Placing.NONE;
        }
        return new Search(scene, struck).price(sum);
    }

    /**
     * What a thin sound costs for each beat: strings fewer than the level asks for, in thousandths.
     *
     * @param sounding how many strings tune and bass have
     */
    public static int thin(Slot.Demand demand, int sounding, Scene scene) {
        return THIN * Math.max(0, demand.wanted().strings() - sounding - scene.lanes().length);
    }

    /**
     * A way to lay the strokes of one tick: the string of each, 0 where it is left out; all of a brush in one set.
     *
     * @param second the string of the tune's second note as a set
     */
    private record Option(int[] strings, int set, int second) {
        int inner() {
            return set & ~second;
        }

        boolean hasBrush() {
            int laid = 0;
            for (int string : strings) {
                laid += string == 0 ? 0 : 1;
            }
            return Integer.bitCount(set) > laid;
        }
    }

    private final class Search {
        private final Scene scene;
        private final int[] given;
        private final int[] colourBits;
        /** Cost of the best way to each state, and where it came from, for each tick. */
        private int[] best;

        private final int[][] from;
        private final Option[][] by;
        private final int strings;
        private final int states;
        private final int[] lanes;
        /** Colours that the pattern strikes soon after, as a set of the colour bits. */
        private final int heardSoon;

        Search(Scene scene, int[] given) {
            this.scene = scene;
            this.given = given;
            this.strings = scene.free().length;
            int wanted = colours & ~scene.heard();
            this.colourBits = new int[Integer.bitCount(wanted)];
            for (int i = 0, left = wanted; left != 0; i++, left &= left - 1) {
                colourBits[i] = Integer.numberOfTrailingZeros(left);
            }
            this.states = strings << colourBits.length;
            this.lanes = scene.lanes();
            this.heardSoon = heardSoon();
            this.from = new int[moments.size()][];
            this.by = new Option[moments.size()][];
        }

        private int heardSoon() {
            int heard = 0;
            for (int row = 1; row <= lanes.length; row++) {
                heard |= (rowsHeard >> row & 1) == 0 ? 0 : colour(lanes[row - 1]);
            }
            return heard;
        }

        /** Which of the colours a string has. */
        private int colour(int string) {
            int pitchClass = scene.midi(string) % 12;
            int colour = 0;
            for (int i = 0; i < colourBits.length; i++) {
                colour |= colourBits[i] == pitchClass ? 1 << i : 0;
            }
            return colour;
        }

        /** The cheapest for each pair of a first and a last stroke. */
        List<Placing> all() {
            Map<Long, Placing> best = new HashMap<>();
            for (Option first : options(moments.get(0), NONE)) {
                solve(first);
                for (int end : ends()) {
                    Placing placing = placing(end);
                    long key = (long) placing.first() << Integer.SIZE | placing.last();
                    best.merge(key, placing, (a, b) -> a.thousandths() <= b.thousandths() ? a : b);
                }
            }
            List<Placing> sorted = new ArrayList<>(best.values());
            sorted.sort(Comparator.comparingInt(Placing::thousandths)
                    .thenComparingInt(Placing::first)
                    .thenComparingInt(Placing::last));
            int least = sorted.get(0).thousandths();
            return sorted.stream()
                    .filter(placing -> placing.thousandths() < least + REPEATED)
                    .limit(MOST_PLACINGS)
                    .toList();
        }

        /** The cheapest end for each last string. */
        private int[] ends() {
            int[] ends = new int[strings];
            Arrays.fill(ends, NONE);
            for (int state = 0; state < states; state++) {
                int string = state % strings;
                if (best[state] != Integer.MAX_VALUE
                        && (ends[string] == NONE
                                || best[state] + missing(state) < best[ends[string]] + missing(ends[string]))) {
                    ends[string] = state;
                }
            }
            return Arrays.stream(ends).filter(end -> end != NONE).toArray();
        }

        private Placing placing(int end) {
            int[] sets = new int[moments.size()];
            int[] inner = new int[moments.size()];
            int[][] laid = new int[moments.size()][];
            int state = end;
            for (int moment = moments.size() - 1; moment >= 0; moment--) {
                sets[moment] = by[moment][state].set;
                inner[moment] = by[moment][state].inner();
                laid[moment] = by[moment][state].strings;
                state = from[moment][state];
            }
            int total = best[end] + missing(end);
            int first = first(inner);
            // a second note alone leaves no trace
            return new Placing(total, sets, laid, lanes, first, first == Labels.NONE ? Labels.NONE : last(sets));
        }

        private int first(int[] sets) {
            for (int moment = 0; moment < sets.length; moment++) {
                if (sets[moment] != 0) {
                    return label(moment, Integer.SIZE - 1 - Integer.numberOfLeadingZeros(sets[moment]));
                }
            }
            return Labels.NONE;
        }

        private int last(int[] sets) {
            for (int moment = sets.length - 1; moment >= 0; moment--) {
                if (sets[moment] != 0) {
                    return label(moment, Integer.numberOfTrailingZeros(sets[moment]));
                }
            }
            return Labels.NONE;
        }

        private int label(int moment, int string) {
            int rows = 0;
            for (Slot.Ask ask : moments.get(moment)) {
                rows |= ask.brush() ? BRUSH_ROW : ask.row() == 0 ? 0 : 1 << ask.row() - 1;
            }
            return Labels.of(scene.midi(string), rows);
        }

        private int missing(int state) {
            int heard = Integer.bitCount(state / strings | heardSoon);
            return COLOUR * (colourBits.length - heard);
        }

        /** Fills the costs of the best ways to each state; of the first tick one way alone, if it is given. */
        private void solve(Option first) {
            best = new int[states];
            Arrays.fill(best, Integer.MAX_VALUE);
            best[0] = 0;
            for (int moment = 0; moment < moments.size(); moment++) {
                extend(
                        moment,
                        moment == 0 && first != null
                                ? List.of(first)
                                : options(moments.get(moment), given == null ? NONE : given[moment]));
            }
        }

        private void extend(int moment, List<Option> options) {
            int[] next = new int[states];
            Arrays.fill(next, Integer.MAX_VALUE);
            from[moment] = new int[states];
            by[moment] = new Option[states];
            for (int state = 0; state < states; state++) {
                if (best[state] == Integer.MAX_VALUE) {
                    continue;
                }
                for (Option option : options) {
                    int cost = best[state] + cost(moment, option, state % strings, null);
                    int to = after(option, state);
                    if (cost < next[to]) {
                        next[to] = cost;
                        from[moment][to] = state;
                        by[moment][to] = option;
                    }
                }
            }
            best = next;
        }

        private int after(Option option, int state) {
            int last = state % strings;
            int heard = state / strings;
            for (int string = strings - 1; string > 0; string--) {
                if ((option.set >> string & 1) == 1) {
                    last = string;
                    heard |= colour(string);
                }
            }
            return heard * strings + last;
        }

        /** What an option costs after a stroke on a string; its terms are added to the sum, if there is one. */
        private int cost(int moment, Option option, int lastString, Effort.Sum sum) {
            List<Slot.Ask> asks = moments.get(moment);
            int before = moment == 0 ? 0 : lastRow(moments.get(moment - 1));
            int cost = 0;
            for (int i = 0; i < asks.size(); i++) {
                int string = option.strings[i];
                boolean left = asks.get(i).brush() ? !option.hasBrush() : string == 0;
                if (left) {
                    cost += left(asks.get(i), sum);
                } else if (!asks.get(i).brush() && !asks.get(i).isOfTune()) {
                    cost += place(asks.get(i).row(), string, before, lastString, sum);
                    cost += sound(asks.get(i).row(), scene.free()[string], sum);
                    // a chord at the end of a phrase is one sound, not a line
                    boolean stale =
                            (scene.taken() >> string & 1) == 1 && !asks.get(i).end();
                    cost += stale ? add(sum, Term.TAKES_NEXT, TAKES_NEXT) : 0;
                    cost += string < scene.tune() ? add(sum, Term.ABOVE_TUNE, ABOVE_TUNE) : 0;
                }
            }
            return cost;
        }

        private static int left(Slot.Ask ask, Effort.Sum sum) {
            if (ask.isOfTune()) {
                return add(sum, Term.SECOND_LEFT, SECOND_LEFT);
            }
            if (ask.decided()) {
                return add(sum, Term.STROKE_LEFT, DECIDED_LEFT);
            }
            return ask.end()
                    ? add(sum, Term.BARE_END, BARE_END)
                    : add(sum, Term.STROKE_LEFT, ask.brush() ? FEWEST_OF_A_BRUSH * LEFT : LEFT);
        }

        private static int lastRow(List<Slot.Ask> asks) {
            return asks.get(asks.size() - 1).row();
        }

        /** What the string of a stroke costs: for its row, 0 where any will do, after a stroke for another row. */
        private int place(int row, int string, int rowBefore, int stringBefore, Effort.Sum sum) {
            int cost = 0;
            if (row == 0) {
                cost += add(sum, Term.OFF_ROW, OFF_MIDDLE * Math.abs(string - MIDDLE));
            } else if (row > lanes.length || lanes[row - 1] != string) {
                cost += add(sum, Term.OFF_ROW, OFF_ROW);
                boolean turned = rowBefore > 0
                        && stringBefore > 0
                        && Integer.signum(row - rowBefore) != Integer.signum(string - stringBefore);
                cost += turned ? add(sum, Term.CONTOUR, CONTOUR) : 0;
            }
            boolean again = string == stringBefore && (row == 0 || row != rowBefore);
            return cost + (again ? add(sum, Term.REPEATED, REPEATED) : 0);
        }

        /** What the pitch of a stroke costs; a pattern doubles what its strings double. */
        private int sound(int row, int midi, Effort.Sum sum) {
            int cost = 0;
            if (row == 0 && scene.tuneMidi() >= 0 && (scene.tuneMidi() - midi) % 12 == 0) {
                cost += add(sum, Term.DOUBLES_TUNE, DOUBLES);
            }
            if (row == 0 && scene.bassMidi() >= 0 && (midi - scene.bassMidi()) % 12 == 0) {
                cost += add(sum, Term.DOUBLES_BASS, DOUBLES_BASS);
            }
            if (scene.bassMidi() >= 0 && midi < LOW_MIDI && midi - scene.bassMidi() <= THIRD) {
                cost += add(sum, Term.MUDDY, MUDDY);
            }
            return cost;
        }

        private static int add(Effort.Sum sum, Term term, int thousandths) {
            if (sum != null) {
                sum.add(term, thousandths);
            }
            return thousandths;
        }

        /** The ways to lay the strokes of a tick; where the set of strings is given, those that make it. */
        private List<Option> options(List<Slot.Ask> asks, int wanted) {
            List<Option> options = new ArrayList<>();
            addOptions(asks, 0, 1, new int[asks.size()], 0, 0, options);
            if (wanted != NONE) {
                options.removeIf(option -> option.set != wanted);
            }
            if (options.isEmpty()) {
                options.add(new Option(new int[asks.size()], wanted == NONE ? 0 : wanted, 0));
            }
            return options;
        }

        private void addOptions(
                List<Slot.Ask> asks, int index, int lowest, int[] laid, int set, int second, List<Option> options) {
            if (index == asks.size()) {
                options.add(new Option(laid.clone(), set, second));
                return;
            }
            boolean ofTune = asks.get(index).isOfTune();
            if (asks.get(index).brush()) {
                int all = set;
                for (int string = lowest; string < strings; string++) {
                    all |= isFree(string, asks.get(index), asks) ? 1 << string : 0;
                }
                boolean few = Integer.bitCount(all & ~set) < FEWEST_OF_A_BRUSH;
                addOptions(asks, index + 1, strings, laid, few ? set : all, second, options);
                return;
            }
            for (int string = lowest; string < strings; string++) {
                if (ofTune ? scene.soundsBelow(string) : isFree(string, asks.get(index), asks)) {
                    laid[index] = string;
                    // other strokes may lie above the tune's second note
                    addOptions(
                            asks,
                            index + 1,
                            ofTune ? lowest : string + 1,
                            laid,
                            set | 1 << string,
                            ofTune ? 1 << string : second,
                            options);
                }
            }
            laid[index] = 0;
            addOptions(asks, index + 1, lowest, laid, set, second, options);
        }

        /** Whether a stroke may fall on a string beside the tune's second note, if that is struck at the same time. */
        private boolean isFree(int string, Slot.Ask ask, List<Slot.Ask> asks) {
            return scene.admits(string, ask) && !(asks.get(0).isOfTune() && scene.soundsBelow(string));
        }

        Placing price(Effort.Sum sum) {
            solve(null);
            int cheapest = NONE;
            for (int end : ends()) {
                boolean less = cheapest == NONE || best[end] + missing(end) < best[cheapest] + missing(cheapest);
                cheapest = less ? end : cheapest;
            }
            sum.add(Term.COLOUR_MISSING, missing(cheapest));
            int state = cheapest;
            for (int moment = moments.size() - 1; moment >= 0; moment--) {
                int before = from[moment][state];
                cost(moment, by[moment][state], before % strings, sum);
                state = before;
            }
            return placing(cheapest);
        }
    }
}

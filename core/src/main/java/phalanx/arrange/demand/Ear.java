package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.lefthand.track.Stops;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassStroke;
import phalanx.theory.ChordSymbol;

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
    /** Strings that are the thumb's alone: the lowest two, so that the fingers have four. */
    private static final int THUMB_STRINGS = 2;

    private static final int FEWEST_OF_FINGERS = 3;
    /** Up to here a tune note sings. */
    private static final int SINGING_FRET = 5;

    private static final int FEWEST_OF_A_BRUSH = 3;
    /** Stands for a brush in a set of rows. */
    private static final int BRUSH_ROW = 1 << 4;

    private static final int MOST_PLACINGS = 3;
    /** The highest bass above the lowest open string: F sharp 3 in standard tuning. */
    private static final int HIGHEST_BASS = 14;
    /** From here on a tune note sings, above the lowest open string: G3 in standard tuning. */
    private static final int LOWEST_SINGING = 15;
    /** The highest tune note that can be the bass itself, above the lowest open string: B3 in standard tuning. */
    private static final int HIGHEST_TUNE_AS_BASS = 19;

    private static final int LEFT = Effort.thousandths(Weights.STROKE_LEFT);
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
     * What sounds in a slot, and what could.
     *
     * @param tune the tune's string, 0 where it has none
     * @param tuneMidi the tune's note, -1 where none sounds
     * @param bassMidi the bass's note, -1 where none sounds
     * @param free what each string from 1 gives an inner stroke, -1 where none may fall on it; entry 0 is unused
     * @param taken strings whose note the next note of bass or tune has, bit s for string s
     * @param belowMidi the tune's second note, 0 where it has none
     * @param below strings that sound it, bit s for string s
     */
    public record Scene(int tune, int tuneMidi, int bassMidi, int[] free, int taken, int belowMidi, int below) {
        /** One in which the tune lies above all strings that are free and has no second note. */
        public Scene(int tuneMidi, int bassMidi, int[] free) {
            this(0, tuneMidi, bassMidi, free, 0, 0, 0);
        }

        /** What a string gives, -1 where no stroke may fall on it. */
        int midi(int string) {
            return (below >> string & 1) == 1 ? belowMidi : free[string];
        }

        private boolean soundsBelow(int string) {
            return (below >> string & 1) == 1;
        }

        /** The strings for the fingers' rows, from the top: those below the tune; where these are few all that are free. */
        int[] lanes() {
            int[] below = lanesFrom(tune + 1);
            return below.length >= FEWEST_OF_FINGERS ? below : lanesFrom(1);
        }

        private int[] lanesFrom(int first) {
            return IntStream.range(first, free.length)
                    .filter(string -> free[string] != NONE)
                    .toArray();
        }

        /** Whether a stroke may fall on a string: below the tune, or above it where that is allowed. */
        private boolean admits(int string, Slot.Ask ask) {
            return free[string] != NONE && (string > tune || free[string] < ask.ceiling());
        }

        int heard() {
            return (tuneMidi < 0 ? 0 : 1 << tuneMidi % 12) | (bassMidi < 0 ? 0 : 1 << bassMidi % 12);
        }
    }

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

    /** The lowest string of the fingers. */
    private static int lowestOfFingers(int strings) {
        return Math.max(FEWEST_OF_FINGERS, strings - THUMB_STRINGS);
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
                    cost += (scene.taken() >> string & 1) == 1 ? add(sum, Term.TAKES_NEXT, TAKES_NEXT) : 0;
                    cost += string < scene.tune() ? add(sum, Term.ABOVE_TUNE, ABOVE_TUNE) : 0;
                }
            }
            return cost;
        }

        private static int left(Slot.Ask ask, Effort.Sum sum) {
            if (ask.isOfTune()) {
                return add(sum, Term.SECOND_LEFT, SECOND_LEFT);
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

    /**
     * What inner strokes find on each string: between bass and tune the tones of the chord below the tune, but for the
     * thumb's strings; beyond the tune's string those that some stroke may sound above it; -1 elsewhere.
     *
     * @param tune string of the tune's note, 0 where none sounds
     * @param bass string of the bass note, 0 where none sounds
     * @param silent strings on which none may fall
     */
    public static int[] free(Instrument instrument, Slot.Demand demand, Stops stops, int tune, int bass, int silent) {
        int tones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
        int ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        int above = demand.above();
        int[] free = new int[instrument.strings() + 1];
        Arrays.fill(free, -1);
        int below = Math.min(bass == 0 ? free.length : bass, lowestOfFingers(instrument.strings()) + 1);
        for (int string = above > 0 ? 1 : tune + 1; string < below; string++) {
            int midi = instrument.midi(string, stops.fret(string));
            if (string != tune
                    && midi < (string > tune ? ceiling : above)
                    && (tones >> midi % 12 & 1) == 1
                    && (silent >> string & 1) == 0) {
                free[string] = midi;
            }
        }
        return free;
    }

    /**
     * What sounds in a slot, and what could.
     *
     * @param tuneMidi the tune's note, -1 where none sounds
     * @param bassMidi the bass's note, -1 where none sounds
     * @see #free
     */
    public static Scene scene(
            Instrument instrument,
            Slot.Demand demand,
            Stops stops,
            int tune,
            int tuneMidi,
            int bass,
            int bassMidi,
            int silent) {
        int[] free = free(instrument, demand, stops, tune, bass, silent);
        int midi = demand.below();
        int below = 0;
        for (int string = tune + 1; midi > 0 && string < (bass == 0 ? free.length : bass); string++) {
            boolean sounds = instrument.midi(string, stops.fret(string)) == midi && (silent >> string & 1) == 0;
            below |= sounds ? 1 << string : 0;
        }
        return new Scene(tune, tuneMidi, bassMidi, free, taken(instrument, demand, free), midi, below);
    }

    private static int taken(Instrument instrument, Slot.Demand demand, int[] free) {
        int taken = 0;
        for (int string = 1; string < free.length; string++) {
            boolean tunes =
                    free[string] != NONE && free[string] == demand.wanted().tuneSoon();
            boolean basses = free[string] != NONE
                    && free[string] <= highestBass(instrument)
                    && (demand.wanted().bassSoon() >> free[string] % 12 & 1) == 1;
            taken |= basses || tunes ? 1 << string : 0;
        }
        return taken;
    }

    /** The strings that a locked shape leaves silent, or that no longer have its frets; bit s for string s. */
    public static int silent(Shape shape, Fingering fingering) {
        int silent = 0;
        for (int string = 1; string <= shape.strings(); string++) {
            int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
            silent |= stopped == shape.fret(string) ? 0 : 1 << string;
        }
        return silent;
    }

    /** What a tune note costs the ear by its fret, in thousandths. */
    public static int tuneHigh(int fret) {
        return Effort.thousandths(Weights.TUNE_HIGH_FRET * Math.max(0, fret - SINGING_FRET));
    }

    /** What a tune note costs the ear by its pitch, in thousandths. */
    public static int tuneLow(Instrument instrument, int midi) {
        int above = midi - instrument.lowestMidi();
        return Effort.thousandths(Weights.TUNE_LOW_SEMITONE * Math.max(0, LOWEST_SINGING - above));
    }

    /** Both for a tune note on a string and fret, in thousandths. */
    public static int tunePlace(Instrument instrument, int string, int fret) {
        return tuneHigh(fret) + tuneLow(instrument, instrument.midi(string, fret));
    }

    /** What fingers above the highest fret that is wanted cost, in thousandths. */
    public static int aboveWish(int[] presses, Slot.Demand demand) {
        int highest = 0;
        for (int press : presses) {
            highest = Math.max(highest, press == 0 ? 0 : Press.fret(press));
        }
        return Effort.thousandths(Weights.ABOVE_WISHED_FRET
                * Math.max(0, highest - demand.wanted().highestFret()));
    }

    /**
     * What a printed shape costs the ear for each beat beside the shape of its chord that has the least against it, in
     * thousandths.
     *
     * @param shapes of the chord
     * @param index which of them
     */
    public static int shape(List<ShapeOrder.Placed> shapes, int index) {
        return unusual(shapes, shapes.get(index).besides());
    }

    private static int unusual(List<ShapeOrder.Placed> shapes, int besides) {
        int least = shapes.stream().mapToInt(ShapeOrder.Placed::besides).min().orElse(besides);
        return (int) Math.round(Weights.SHAPE_SHARE * Math.max(0, besides - least));
    }

    /**
     * The same of a shape that the player has locked where whole shapes are held; nothing elsewhere.
     *
     * @param book of printed shapes
     */
    public static int lockedShape(Instrument instrument, Slot.Demand demand, HeldShape locked, ShapeBook book) {
        return demand.chord()
                .filter(chord -> demand.wanted().wholeShapes())
                .map(chord -> unusual(
                        book.of(chord),
                        book.of(chord).stream()
                                .filter(placed -> sameStops(placed.shape().shape(), locked.shape()))
                                .findFirst()
                                .map(ShapeOrder.Placed::besides)
                                .orElseGet(() -> new ShapeOrder(instrument, chord).besides(locked))))
                .orElse(0);
    }

    /** Whether two shapes differ in open strings alone, as where the thumb takes one beside a shape. */
    private static boolean sameStops(Shape printed, Shape locked) {
        for (int string = 1; string <= printed.strings(); string++) {
            if (Math.max(0, printed.fret(string)) != Math.max(0, locked.fret(string))) {
                return false;
            }
        }
        return true;
    }

    /** The highest pitch that the thumb plays: what lies higher is the fingers'. */
    public static int highestBass(Instrument instrument) {
        return instrument.lowestMidi() + HIGHEST_BASS;
    }

    /** Whether the tune's note of a slot lies so low that it can be the bass itself. */
    public static boolean tuneMayBeBass(Instrument instrument, Slot.Demand demand) {
        return demand.melody().filter(midi -> isBassPitch(instrument, midi)).isPresent();
    }

    /** Whether a tune's pitch is low enough to be the bass itself. */
    static boolean isBassPitch(Instrument instrument, int midi) {
        return midi <= instrument.lowestMidi() + HIGHEST_TUNE_AS_BASS;
    }

    /** What it costs the ear that the tune is the bass, in thousandths. */
    public static int tuneAsBass(Slot.Demand demand) {
        boolean preferred = (demand.bassPreferred() >> demand.melody().orElseThrow() % 12 & 1) == 1;
        return Effort.thousandths(Weights.TUNE_IS_BASS + (preferred ? 0 : Weights.TUNE_IS_OTHER_BASS));
    }

    /**
     * What a bass note costs the ear by its place, in thousandths.
     *
     * @param wanted the pitch classes it should have
     * @param pitch the very pitch it should have, 0 where any octave will do
     */
    public static int bassPlace(int wanted, int pitch, int string, int fret, int midi, int strings) {
        int bassStrings = (strings + 1) / 2;
        int inwards = Math.max(0, strings - bassStrings + 1 - string);
        boolean preferred = pitch == 0 ? (wanted >> midi % 12 & 1) == 1 : midi == pitch;
        return Effort.thousandths(Weights.BASS_ON_INNER_STRING * inwards
                + Weights.BASS_FRET * fret
                + (preferred ? 0 : pitch > 0 ? Weights.BASS_OFF_LINE : Weights.BASS_NOT_PREFERRED));
    }

    /**
     * What the thumb's step from one string to another costs the ear, in thousandths.
     *
     * @param strings how many the guitar has
     */
    public static int bassStep(int before, int after, BassStroke stroke, int strings) {
        if (stroke.midi() > 0) {
            return 0;
        }
        if (stroke.strings() != BassStrings.AS_IT_LIES) {
            boolean agrees = stroke.strings().agrees(before, after, strings);
            double again = before == after ? Weights.BASS_STRING_AGAIN : 0;
            return agrees ? 0 : Effort.thousandths(Weights.BASS_NOT_WHERE_WANTED + again);
        }
        return Effort.thousandths(
                before == after
                        ? Weights.BASS_STRING_AGAIN
                        : Weights.BASS_STRING_SKIPPED * (Math.abs(before - after) - 1));
    }
}

package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.track.Stops;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassStroke;
import phalanx.theory.ChordSymbol;

/**
 * Hears what a slot sounds like and finds the strings for its inner strokes.
 *
 * <p>The strokes go to the strings between bass and tune that sound tones of the chord, at one tick the upper row to the
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

    private static final int LEFT = Effort.thousandths(Weights.STROKE_LEFT);
    private static final int OFF_ROW = Effort.thousandths(Weights.OFF_ROW);
    private static final int OFF_MIDDLE = Effort.thousandths(Weights.OFF_MIDDLE);
    private static final int REPEATED = Effort.thousandths(Weights.REPEATED);
    private static final int DOUBLES = Effort.thousandths(Weights.DOUBLES_TUNE);
    private static final int MUDDY = Effort.thousandths(Weights.MUDDY);
    private static final int COLOUR = Effort.thousandths(Weights.COLOUR_MISSING);

    /**
     * What sounds in a slot, and what could.
     *
     * @param tuneMidi the tune's note, -1 where none sounds
     * @param bassMidi the bass's note, -1 where none sounds
     * @param free what each string from 1 gives an inner stroke, -1 where none may fall on it; entry 0 is unused
     */
    public record Scene(int tuneMidi, int bassMidi, int[] free) {
        int freeStrings() {
            int count = 0;
            for (int string = 1; string < free.length; string++) {
                count += free[string] == NONE ? 0 : 1;
            }
            return count;
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
     */
    public record Placing(int thousandths, int[] moments, int[][] strings) {
        /** Where there are no strokes. */
        public static final Placing NONE = new Placing(0, new int[0], new int[0][]);

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

    /** @param demand with the strokes and their chord */
    public Ear(Slot.Demand demand) {
        this.moments = demand.moments();
        this.colours = demand.chord().map(chord -> chord.colourClasses()).orElse(0);
    }

    /** The cheapest places. */
    public Placing place(Scene scene) {
        return new Search(scene, null).run();
    }

    /** The price, term by term, of strokes that fall on given strings, a set for each tick. */
    public Effort price(Scene scene, int[] struck) {
        Effort.Sum sum = new Effort.Sum();
        if (!moments.isEmpty()) {
            new Search(scene, struck).price(sum);
            sum.add(Term.THIN, thin(scene.freeStrings()));
        }
        return sum.done();
    }

    private static int thin(int freeStrings) {
        return switch (freeStrings) {
            case 0 -> Effort.thousandths(Weights.NO_INNER_STRING);
            case 1 -> Effort.thousandths(Weights.ONE_INNER_STRING);
            case 2 -> Effort.thousandths(Weights.TWO_INNER_STRINGS);
            default -> 0;
        };
    }

    /** A way to lay the strokes of one tick: the string of each, 0 where it is left out; all of a brush in one set. */
    private record Option(int[] strings, int set) {}

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
            this.from = new int[moments.size()][];
            this.by = new Option[moments.size()][];
        }

        Placing run() {
            int end = solve();
            int[] sets = new int[moments.size()];
            int[][] laid = new int[moments.size()][];
            int state = end;
            for (int moment = moments.size() - 1; moment >= 0; moment--) {
                sets[moment] = by[moment][state].set;
                laid[moment] = by[moment][state].strings;
                state = from[moment][state];
            }
            int total = moments.isEmpty() ? 0 : best[end] + missing(end) + thin(scene.freeStrings());
            return new Placing(total, sets, laid);
        }

        private int missing(int state) {
            int heard = Integer.bitCount(state / strings);
            return COLOUR * (colourBits.length - heard);
        }

        private int solve() {
            best = new int[states];
            Arrays.fill(best, Integer.MAX_VALUE);
            best[0] = 0;
            for (int moment = 0; moment < moments.size(); moment++) {
                extend(moment);
            }
            int end = 0;
            for (int state = 0; state < states; state++) {
                if (best[state] != Integer.MAX_VALUE
                        && (best[end] == Integer.MAX_VALUE
                                || best[state] + missing(state) < best[end] + missing(end))) {
                    end = state;
                }
            }
            return end;
        }

        private void extend(int moment) {
            List<Slot.Ask> asks = moments.get(moment);
            int[] next = new int[states];
            Arrays.fill(next, Integer.MAX_VALUE);
            from[moment] = new int[states];
            by[moment] = new Option[states];
            List<Option> options = options(asks, given == null ? NONE : given[moment]);
            for (int state = 0; state < states; state++) {
                if (best[state] == Integer.MAX_VALUE) {
                    continue;
                }
                for (Option option : options) {
                    int cost = best[state] + cost(asks, option, state % strings, null);
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
            for (int string = 1; string < strings; string++) {
                if ((option.set >> string & 1) == 1) {
                    last = string;
                    int pitchClass = scene.free()[string] % 12;
                    for (int i = 0; i < colourBits.length; i++) {
                        heard |= colourBits[i] == pitchClass ? 1 << i : 0;
                    }
                }
            }
            return heard * strings + last;
        }

        /** What an option costs after a stroke on a string; its terms are added to the sum, if there is one. */
        private int cost(List<Slot.Ask> asks, Option option, int lastString, Effort.Sum sum) {
            int cost = 0;
            int last = lastString;
            for (int i = 0; i < asks.size(); i++) {
                int string = option.strings[i];
                if (asks.get(i).brush()) {
                    cost += option.set == 0 ? add(sum, Term.STROKE_LEFT, LEFT) : 0;
                } else if (string == 0) {
                    cost += add(sum, Term.STROKE_LEFT, LEFT);
                } else {
                    int row = asks.get(i).row();
                    int off = row > 0 ? OFF_ROW * Math.abs(string - row) : OFF_MIDDLE * Math.abs(string - MIDDLE);
                    cost += add(sum, Term.OFF_ROW, off);
                    cost += string == last ? add(sum, Term.REPEATED, REPEATED) : 0;
                    cost += sound(scene.free()[string], sum);
                    last = string;
                }
            }
            return cost;
        }

        private int sound(int midi, Effort.Sum sum) {
            int cost = 0;
            if (scene.tuneMidi() >= 0 && (scene.tuneMidi() - midi) % 12 == 0) {
                cost += add(sum, Term.DOUBLES_TUNE, DOUBLES);
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
            addOptions(asks, 0, 1, new int[asks.size()], 0, options);
            if (wanted != NONE) {
                options.removeIf(option -> option.set != wanted);
            }
            if (options.isEmpty()) {
                options.add(new Option(new int[asks.size()], wanted == NONE ? 0 : wanted));
            }
            return options;
        }

        private void addOptions(List<Slot.Ask> asks, int index, int lowest, int[] laid, int set, List<Option> options) {
            if (index == asks.size()) {
                options.add(new Option(laid.clone(), set));
                return;
            }
            if (asks.get(index).brush()) {
                int all = set;
                for (int string = lowest; string < strings; string++) {
                    all |= scene.free()[string] == NONE ? 0 : 1 << string;
                }
                addOptions(asks, index + 1, strings, laid, all, options);
                return;
            }
            for (int string = lowest; string < strings; string++) {
                if (scene.free()[string] != NONE) {
                    laid[index] = string;
                    addOptions(asks, index + 1, string + 1, laid, set | 1 << string, options);
                }
            }
            laid[index] = 0;
            addOptions(asks, index + 1, lowest, laid, set, options);
        }

        void price(Effort.Sum sum) {
            int end = solve();
            sum.add(Term.COLOUR_MISSING, missing(end));
            int state = end;
            for (int moment = moments.size() - 1; moment >= 0; moment--) {
                int before = from[moment][state];
                cost(moments.get(moment), by[moment][state], before % strings, sum);
                state = before;
            }
        }
    }

    /**
     * What inner strokes find on each string: between bass and tune the tones of the chord below the tune; -1 elsewhere.
     *
     * @param tune string of the tune's note, 0 where none sounds
     * @param bass string of the bass note, 0 where none sounds
     * @param silent strings on which none may fall
     */
    public static int[] free(Instrument instrument, Slot.Demand demand, Stops stops, int tune, int bass, int silent) {
        int tones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
        int ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        int[] free = new int[instrument.strings() + 1];
        Arrays.fill(free, -1);
        int below = bass == 0 ? free.length : bass;
        for (int string = tune + 1; string < below; string++) {
            int midi = instrument.midi(string, stops.fret(string));
            if (midi < ceiling && (tones >> midi % 12 & 1) == 1 && (silent >> string & 1) == 0) {
                free[string] = midi;
            }
        }
        return free;
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

    /**
     * What a bass note costs the ear by its place, in thousandths.
     *
     * @param wanted the pitch classes it should have
     */
    public static int bassPlace(int wanted, int string, int fret, int midi, int strings) {
        int bassStrings = (strings + 1) / 2;
        int inwards = Math.max(0, strings - bassStrings + 1 - string);
        boolean preferred = (wanted >> midi % 12 & 1) == 1;
        return Effort.thousandths(Weights.BASS_ON_INNER_STRING * inwards
                + Weights.BASS_FRET * fret
                + (preferred ? 0 : Weights.BASS_NOT_PREFERRED));
    }

    /**
     * What the thumb's step from one string to another costs the ear, in thousandths.
     *
     * @param strings how many the guitar has
     */
    public static int bassStep(int before, int after, BassStroke stroke, int strings) {
        if (stroke.strings() != BassStrings.AS_IT_LIES) {
            boolean agrees = stroke.strings().agrees(before, after, strings);
            return agrees ? 0 : Effort.thousandths(Weights.BASS_NOT_WHERE_WANTED);
        }
        return Effort.thousandths(
                before == after
                        ? Weights.BASS_STRING_AGAIN
                        : Weights.BASS_STRING_SKIPPED * (Math.abs(before - after) - 1));
    }
}

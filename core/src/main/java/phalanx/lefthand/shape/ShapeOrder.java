package phalanx.lefthand.shape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/**
 * The order in which players print a chord's shapes: low on the neck, on strings side by side, with a string for the
 * thumb to go to and back, no tone doubled that stands out. Weights from a table of first places of 36 chords, common
 * practice, no source.
 */
public final class ShapeOrder {
    private static final int THIRD = 3;
    private static final int FIFTH = 5;
    private static final int SEVENTH = 7;
    private static final int OPEN_BELOW_FRET = 3;
    private static final int FEWEST_STRINGS = 4;

    private final Instrument instrument;
    private final ChordSymbol chord;

    public ShapeOrder(Instrument instrument, ChordSymbol chord) {
        this.instrument = instrument;
        this.chord = chord;
    }

    /** Shapes in order, each with what it costs to hold and what speaks against it, in thousandths of effort. */
    public List<Placed> order(List<PricedShape> shapes) {
        return shapes.stream()
                .map(shape -> new Placed(shape, besides(shape.held())))
                .sorted(Comparator.comparingInt(Placed::thousandths)
                        .thenComparing(placed -> placed.shape().shape().toString()))
                .toList();
    }

    /**
     * All shapes as players print them: of each family the first, then the others of the families, then fragments: fewer
     * than four strings, a silent string between sounding ones, or the bass on the upper half of the strings.
     */
    public List<PricedShape> asPrinted(List<PricedShape> shapes) {
        List<Placed> ordered = order(shapes);
        List<Placed> full = ordered.stream()
                .filter(placed -> isFull(placed.shape().shape()))
                .toList();
        List<PricedShape> printed = new ArrayList<>();
        ShapeBook.heads(full, Integer.MAX_VALUE).forEach(placed -> printed.add(placed.shape()));
        Set<Shape> seen = printed.stream().map(PricedShape::shape).collect(Collectors.toSet());
        full.stream()
                .map(Placed::shape)
                .filter(shape -> seen.add(shape.shape()))
                .forEach(printed::add);
        ordered.stream()
                .map(Placed::shape)
                .filter(shape -> seen.add(shape.shape()))
                .forEach(printed::add);
        return printed;
    }

    /** Whether a shape is no fragment. */
    public static boolean isFull(Shape shape) {
        int lowest = lowest(shape);
        int highest = 1;
        while (highest < lowest && !shape.sounds(highest)) {
            highest++;
        }
        for (int string = highest; string <= lowest; string++) {
            if (!shape.sounds(string)) {
                return false;
            }
        }
        return lowest - highest + 1 >= FEWEST_STRINGS && lowest > shape.strings() / 2;
    }

    /**
     * A shape in its place.
     *
     * @param shape with what it costs to hold for a beat
     * @param besides what else speaks against it, in thousandths
     */
    public record Placed(PricedShape shape, int besides) {
        /** All together, in thousandths. */
        public int thousandths() {
            return (int) (shape.effort().grains() / Effort.STEPS) + besides;
        }
    }

    /** What speaks against a shape besides what it costs to hold, in thousandths. */
    public int besides(HeldShape held) {
        double cost = strings(held.shape()) + tones(held.shape());
        if (held.fingering().press(Finger.THUMB).isPresent()) {
            cost += Weights.PRINTED_THUMB;
        }
        return Effort.thousandths(cost);
    }

    /** The lowest string that sounds; 1 where none does. */
    private static int lowest(Shape shape) {
        int lowest = shape.strings();
        while (lowest > 1 && !shape.sounds(lowest)) {
            lowest--;
        }
        return lowest;
    }

    private static double strings(Shape shape) {
        int lowest = lowest(shape);
        double cost = Weights.PRINTED_SILENT_BELOW * (shape.strings() - lowest);
        int open = 0;
        int least = Integer.MAX_VALUE;
        int highest = 0;
        for (int string = lowest; string >= 1; string--) {
            int fret = shape.fret(string);
            if (fret < 0) {
                cost += Weights.PRINTED_SILENT_ABOVE;
            } else if (fret == 0) {
                open++;
            } else {
                least = Math.min(least, fret);
                highest = Math.max(highest, fret);
            }
        }
        cost += Weights.PRINTED_OPEN * open;
        cost += Weights.PRINTED_OPEN_BELOW_FRET * open * Math.max(0, highest - OPEN_BELOW_FRET);
        return cost + (highest == 0 ? 0 : Weights.PRINTED_FRET * (least - 1));
    }

    private double tones(Shape shape) {
        int[] midi = shape.midi(instrument).stream().mapToInt(Integer::intValue).toArray();
        int[] sorted = midi.clone();
        Arrays.sort(sorted);
        double cost = Arrays.equals(midi, sorted) ? 0 : Weights.PRINTED_NOT_RISING;
        if (Arrays.stream(midi).distinct().count() < midi.length) {
            cost += Weights.PRINTED_UNISON;
        }
        cost += count(midi, THIRD) > 1 ? Weights.PRINTED_DOUBLED_THIRD : 0;
        cost += count(midi, SEVENTH) > 1 ? Weights.PRINTED_DOUBLED_SEVENTH : 0;
        cost += count(midi, FIFTH) == 0 ? Weights.PRINTED_NO_FIFTH : 0;
        return hasAlternate(shape) ? cost : cost + Weights.PRINTED_NO_ALTERNATE;
    }

    /** How often a tone of the chord sounds; 1 where the chord has no such tone. */
    private int count(int[] midi, int number) {
        return chord.tones().stream()
                .filter(tone -> tone.interval().number() == number)
                .findFirst()
                .map(tone -> (int) Arrays.stream(midi)
                        .filter(one -> one % 12 == pitchClass(tone))
                        .count())
                .orElse(1);
    }

    private int pitchClass(ChordTone tone) {
        return chord.noteOf(tone).pitchClass();
    }

    /** Whether the thumb has the root or the fifth on another of the lower strings. */
    private boolean hasAlternate(Shape shape) {
        int lowest = lowest(shape);
        for (int string = lowest - 1; string > shape.strings() / 2; string--) {
            if (shape.sounds(string)) {
                int sound = instrument.midi(string, shape.fret(string)) % 12;
                boolean fifth = chord.tones().stream()
                        .anyMatch(tone -> tone.interval().number() == FIFTH && pitchClass(tone) == sound);
                if (fifth || sound == chord.root().pitchClass()) {
                    return true;
                }
            }
        }
        return false;
    }
}

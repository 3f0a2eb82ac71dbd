package phalanx.arrange.search;

import java.util.Arrays;
import java.util.Optional;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.Slot;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.track.Posture;
import phalanx.lefthand.track.Stops;

/**
 * One candidate of a layer: a way for the left hand to serve a slot.
 *
 * @param fingering what its fingers press
 */
public record Candidate(Layer layer, int index, Fingering fingering) {
    public Candidate(Layer layer, int index) {
        this(layer, index, layer.fingering(index));
    }

    public Posture posture() {
        return new Posture(fingering, layer.positions[index]);
    }

    /** The string of the tune's note, or {@link Layer#NONE}. */
    public int tune() {
        return layer.tune(index);
    }

    /** The string of the bass note, or {@link Layer#NONE}. */
    public int bass() {
        return layer.bass(index);
    }

    /** The fret a string is stopped at, 0 where it is open. */
    public int fret(int string) {
        return layer.fret(index, string);
    }

    public Ear.Placing placing() {
        return layer.placing(index);
    }

    /**
     * Which of its chord's printed shapes it holds, if one.
     *
     * @param book with these
     */
    public Optional<Shape> printed(ShapeBook book, Slot slot) {
        int shape = layer.shapes[index];
        return shape == Layer.NO_SHAPE
                ? Optional.empty()
                : slot.chord().map(chord -> book.of(chord).get(shape).shape().shape());
    }

    /** Whether a string keeps its fret and finger into the next candidate. */
    public boolean keeps(int string, Candidate next) {
        return layer.keeps(index, string, next.layer, next.index);
    }

    /**
     * The strings it plays, can play an inner note on or keeps stopped, and the fingers that hold them; of a printed shape
     * its open strings, too.
     */
    public HeldShape held(Instrument instrument, Slot.Demand demand, Optional<Shape> printed) {
        Stops stops = Stops.of(fingering.packed());
        int[] free = Scene.free(instrument, demand, stops, tune(), bass(), 0);
        Integer[] frets = new Integer[instrument.strings()];
        Arrays.fill(frets, Shape.SILENT);
        for (int string = 1; string <= frets.length; string++) {
            int own = string;
            boolean open = printed.filter(shape -> shape.fret(own) == 0).isPresent();
            boolean plays = open
                    || string == tune()
                    || string == bass()
                    || free[string] >= 0
                    || stops.fret(string) > 0
                    || (placing().struck() >> string & 1) == 1;
            frets[frets.length - string] = plays ? stops.fret(string) : Shape.SILENT;
        }
        return new HeldShape(new Shape(Arrays.asList(frets)), fingering);
    }
}

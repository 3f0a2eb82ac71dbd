package phalanx.arrange.demand;

import java.util.List;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.shape.ShapeOrder;

/** What the shape in hand costs the ear beside those that players print. */
public final class ShapeEar {

    private ShapeEar() {}

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
}

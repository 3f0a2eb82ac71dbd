package phalanx.desktop.shapes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.Fingered;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.Pace;
import phalanx.lefthand.Press;
import phalanx.lefthand.ShapeAdvice;
import phalanx.lefthand.ShapeQuery;
import phalanx.lefthand.ShapeSearch;
import phalanx.lefthand.Stance;
import phalanx.theory.ChordSymbol;

/** Searches the shapes of a chord as the filter asks for. For one background thread. */
final class ShapeFinder {
    private static final Pace UNHURRIED = new Pace(10_000, 10_000);

    /**
     * What is searched for.
     *
     * @param chord whose shapes
     * @param filter what the player wants of them
     * @param instrument the guitar
     * @param hand that holds them
     * @param before the fingering the hand comes from, if any
     */
    record Wish(ChordSymbol chord, ShapeFilter filter, Instrument instrument, Hand hand, Optional<Fingering> before) {}

    /**
     * What was found.
     *
     * @param shapes in the wished order
     * @param millis how long it took
     * @param advice why there are none
     */
    record Found(List<Fingered> shapes, double millis, Optional<ShapeAdvice> advice) {}

    Found find(Wish wish) {
        long start = System.nanoTime();
        Hand hand = wish.filter.thumb() ? wish.hand : wish.hand.withThumb(Hand.Thumb.NEVER);
        FingeringFinder finder = FingeringFinder.forShapes(wish.instrument, hand);
        ShapeQuery query = wish.filter.query(wish.chord);
        List<Fingered> shapes = new ArrayList<>(new ShapeSearch(finder).find(query));
        order(wish, hand).ifPresent(shapes::sort);
        Optional<ShapeAdvice> advice =
                shapes.isEmpty() ? Optional.of(ShapeAdvice.on(query, wish.instrument, hand)) : Optional.empty();
        return new Found(List.copyOf(shapes), (System.nanoTime() - start) / 1e6, advice);
    }

    /** The order beside that of effort, which the shapes come in. */
    private static Optional<Comparator<Fingered>> order(Wish wish, Hand hand) {
        return switch (wish.filter.order()) {
            case EFFORT -> Optional.empty();
            case REACH ->
                Optional.of(
                        Comparator.comparingDouble(shape -> Math.round(widestMm(shape.fingering(), wish.instrument))));
            case NECK -> Optional.of(Comparator.comparingInt(shape -> lowestFret(shape.fingering())));
            case NEAREST -> wish.before.map(before -> nearest(before, wish.instrument, hand));
        };
    }

    private static Comparator<Fingered> nearest(Fingering before, Instrument instrument, Hand hand) {
        ChangeMeter meter = new ChangeMeter(instrument, hand);
        Stance from = new Stance(before, 1);
        return Comparator.comparingDouble(shape -> meter.cost(from, new Stance(shape.fingering(), 1), UNHURRIED, 0)
                + shape.effort().total());
    }

    /** The largest distance of two fingers, in mm. */
    static double widestMm(Fingering fingering, Instrument instrument) {
        return fingering.reaches(instrument).values().stream()
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(0);
    }

    private static int lowestFret(Fingering fingering) {
        return fingering.presses().stream().mapToInt(Press::fret).min().orElse(0);
    }
}

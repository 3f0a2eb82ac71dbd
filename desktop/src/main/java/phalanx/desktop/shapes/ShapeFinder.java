package phalanx.desktop.shapes;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ShapeAdvice;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.ShapeSearch;
import phalanx.lefthand.track.Clock;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Posture;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;

/** Searches the shapes of a chord as the filter asks for. For one background thread. */
final class ShapeFinder {
    private static final Pace UNHURRIED = new Pace(new Clock(Song.SLOWEST), 0, Ticks.WHOLE);

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
    record Found(List<PricedShape> shapes, double millis, Optional<ShapeAdvice> advice) {}

    Found find(Wish wish) {
        long start = System.nanoTime();
        Hand hand = wish.filter.thumb() ? wish.hand : wish.hand.withThumb(Hand.Thumb.NEVER);
        FingeringFinder finder = FingeringFinder.forShapes(wish.instrument, hand);
        ShapeQuery query = wish.filter.query(wish.chord);
        List<PricedShape> easiest = new ShapeSearch(finder)
                .find(query).stream()
                        .filter(found -> wish.filter.voicing().admits(found.shape(), wish.instrument))
                        .toList();
        List<PricedShape> shapes = wish.filter.order() == ShapeFilter.Order.PRINTED
                ? new ShapeOrder(wish.instrument, wish.chord).asPrinted(easiest)
                : new ArrayList<>(easiest);
        order(wish, hand).ifPresent(shapes::sort);
        Optional<ShapeAdvice> advice =
                shapes.isEmpty() ? Optional.of(ShapeAdvice.on(query, wish.instrument, hand)) : Optional.empty();
        return new Found(List.copyOf(shapes), (System.nanoTime() - start) / 1e6, advice);
    }

    /** The order beside those that the shapes come in. */
    private static Optional<Comparator<PricedShape>> order(Wish wish, Hand hand) {
        return switch (wish.filter.order()) {
            case PRINTED, EFFORT -> Optional.empty();
            case REACH ->
                Optional.of(
                        Comparator.comparingDouble(shape -> Math.round(widestMm(shape.fingering(), wish.instrument))));
            case NECK -> Optional.of(Comparator.comparingInt(shape -> lowestFret(shape.fingering())));
            case NEAREST -> wish.before.map(before -> nearest(before, wish.instrument, hand));
        };
    }

    private static Comparator<PricedShape> nearest(Fingering before, Instrument instrument, Hand hand) {
        MoveMeter meter = new MoveMeter(instrument, hand);
        Posture from = Posture.of(before);
        return Comparator.comparingDouble(shape -> meter.change(from, Posture.of(shape.fingering()), 0, UNHURRIED)
                        .effort()
                        .total()
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

package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * Why no shape meets a demand, and the nearest that does with one part of the demand given up.
 *
 * @param demand the part that makes it impossible, such as {@code A5 on top}
 * @param nearest what works without it; nothing when no single part is to blame
 */
public record ShapeAdvice(String demand, Optional<PricedShape> nearest) {
    public ShapeAdvice {
        Objects.requireNonNull(demand, "demand");
        Objects.requireNonNull(nearest, "nearest");
    }

    /** One plain sentence. */
    public String words() {
        return nearest.map(shape -> wording(
                        "ShapeAdvice.no-hand-position-gives-without",
                        demand,
                        shape.shape(),
                        String.join(" ", shape.fingers())))
                .orElse(wording("ShapeAdvice.no-hand-position-gives-and", demand));
    }

    private record Relaxed(String demand, ShapeQuery query, FingeringFinder finder) {}

    /**
     * Looks for the part of a demand to give up, the first of: strings that must sound, the region, the top, the
     * exact bass, the bass, the tones, the reach of the hand.
     *
     * @param query for which nothing was found
     */
    public static ShapeAdvice on(ShapeQuery query, Instrument instrument, Hand hand) {
        FingeringFinder finder = FingeringFinder.forShapes(instrument, hand);
        for (Relaxed relaxed : relaxed(query, finder)) {
            List<PricedShape> found = new ShapeSearch(relaxed.finder).find(relaxed.query);
            if (!found.isEmpty()) {
                return new ShapeAdvice(relaxed.demand, Optional.of(found.get(0)));
            }
        }
        return new ShapeAdvice(wording("ShapeAdvice.all-of-this-at-once"), Optional.empty());
    }

    private static List<Relaxed> relaxed(ShapeQuery query, FingeringFinder finder) {
        List<Relaxed> ways = new ArrayList<>();
        if (query.mustSound() != 0) {
            String strings = IntStream.rangeClosed(1, finder.instrument().strings())
                    .filter(string -> (query.mustSound() >> string & 1) == 1)
                    .mapToObj(String::valueOf)
                    .collect(Collectors.joining(", "));
            ways.add(new Relaxed(wording("ShapeAdvice.a-sound-on-each-of", strings), query.withMustSound(0), finder));
        }
        if (!query.region().equals(ShapeQuery.Region.USUAL)) {
            String region = wording(
                    "ShapeAdvice.frets-to-only",
                    query.region().lowest(),
                    query.region().highest());
            ways.add(new Relaxed(region, query.withRegion(ShapeQuery.Region.USUAL), finder));
        }
        query.top().ifPresent(top -> {
            String where = top.string().isPresent()
                    ? wording("ShapeAdvice.on-string", top.string().getAsInt())
                    : "";
            ways.add(new Relaxed(wording("ShapeAdvice.on-top", name(top.midi()), where), query.withoutTop(), finder));
        });
        query.bass()
                .midi()
                .ifPresent(midi ->
                        ways.add(new Relaxed(wording("ShapeAdvice.in-the-bass", name(midi)), anyBass(query), finder)));
        query.bass()
                .pitchClass()
                .ifPresent(bass -> ways.add(new Relaxed(
                        wording("ShapeAdvice.in-the-bass", Key.C_MAJOR.spell(bass)), anyBass(query), finder)));
        ways.add(new Relaxed(wording("ShapeAdvice.all-required-tones"), query.withRequired(0), finder));
        Hand largest = finder.hand().withReach(Reach.ofSpan(Reach.LARGEST_SPAN_MM));
        ways.add(new Relaxed(
                wording("ShapeAdvice.it-within-your-reach"),
                query,
                FingeringFinder.forShapes(finder.instrument(), largest)));
        return ways;
    }

    private static ShapeQuery anyBass(ShapeQuery query) {
        return new ShapeQuery(query.tones(), ShapeQuery.Bass.ANY, query.top(), query.mustSound(), query.region());
    }

    private static String name(int midi) {
        return Pitch.of(midi, Key.C_MAJOR).spoken();
    }
}

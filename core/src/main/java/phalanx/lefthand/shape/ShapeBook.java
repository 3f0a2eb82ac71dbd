package phalanx.lefthand.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/**
 * The shapes of each chord that players print first: the heads of its first families. A family is a shape and those that
 * only mute strings of it or differ from it on one string. Shapes are searched for, never looked up, so any tuning has
 * its own. Safe for several threads at once.
 */
public final class ShapeBook {
    /** So many families of a chord. */
    private static final int FAMILIES = 6;

    private static final int FEWEST_STRINGS = 4;
    /** Printed shapes lie below this fret where there are any. */
    private static final int LOW_REGION = 7;

    private final FingeringFinder finder;
    private final Map<String, Found> known = new ConcurrentHashMap<>();

    /** The shapes of a chord, and the tones that none of them has. */
    private record Found(List<ShapeOrder.Placed> shapes, List<ChordTone> leftOut) {}

    /** @param finder one for whole shapes */
    public ShapeBook(FingeringFinder finder) {
        this.finder = finder;
    }

    /**
     * The heads of the first families, in order; empty when the hand can hold none on so many strings. What the hand
     * cannot hold whole goes without its last tensions.
     */
    public List<ShapeOrder.Placed> of(ChordSymbol chord) {
        return found(chord).shapes;
    }

    /** The tensions that the shapes go without, all that the chord needs where there is no shape. */
    public List<ChordTone> leftOut(ChordSymbol chord) {
        return found(chord).leftOut;
    }

    private Found found(ChordSymbol chord) {
        return known.computeIfAbsent(chord.text(), text -> search(chord));
    }

    private Found search(ChordSymbol chord) {
        ShapeQuery whole = ShapeQuery.of(chord);
        List<ChordTone> colours = chord.colourTones();
        int required = whole.tones().required();
        for (int left = colours.size(); left >= 0; left--) {
            ShapeQuery query = whole.withRequired(required);
            for (int highest : new int[] {LOW_REGION, ShapeQuery.Region.USUAL.highest()}) {
                List<ShapeOrder.Placed> found = heads(chord, query.withRegion(new ShapeQuery.Region(1, highest)));
                if (!found.isEmpty()) {
                    return new Found(found, List.copyOf(colours.subList(left, colours.size())));
                }
            }
            if (left > 0) {
                required &= ~(1 << chord.noteOf(colours.get(left - 1)).pitchClass());
            }
        }
        return new Found(List.of(), List.copyOf(colours));
    }

    private List<ShapeOrder.Placed> heads(ChordSymbol chord, ShapeQuery query) {
        List<PricedShape> full = new ShapeSearch(finder)
                .find(query).stream()
                        .filter(shape -> shape.shape().frets().stream()
                                        .filter(fret -> fret >= 0)
                                        .count()
                                >= FEWEST_STRINGS)
                        .toList();
        return heads(new ShapeOrder(finder.instrument(), chord).order(full), FAMILIES);
    }

    /** The first of each family, in order. */
    static List<ShapeOrder.Placed> heads(List<ShapeOrder.Placed> ordered, int most) {
        List<ShapeOrder.Placed> heads = new ArrayList<>();
        for (ShapeOrder.Placed placed : ordered) {
            boolean stands = heads.stream()
                    .noneMatch(head ->
                            sameFamily(head.shape().shape(), placed.shape().shape()));
            if (stands) {
                heads.add(placed);
            }
            if (heads.size() == most) {
                break;
            }
        }
        return List.copyOf(heads);
    }

    private static boolean sameFamily(Shape head, Shape other) {
        int differ = 0;
        int muted = 0;
        for (int string = 1; string <= head.strings(); string++) {
            if (head.fret(string) != other.fret(string)) {
                differ++;
                muted += other.sounds(string) ? 0 : 1;
            }
        }
        return differ <= 1 || muted == differ;
    }
}

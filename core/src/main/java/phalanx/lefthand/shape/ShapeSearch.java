package phalanx.lefthand.shape;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Finds every playable shape for a demand, easiest first.
 *
 * <p>Strings are filled from the lowest up, each silent, open, or at a fret. A branch ends when a tone is not allowed,
 * when the lowest note is not the asked bass, when a note passes the asked top, when the stopped frets lie further
 * apart than the hand can span, or when the strings left cannot supply the tones still required. No list of known
 * shapes is used, so any tuning works.
 */
public final class ShapeSearch {
    /** Fewer sounding strings are an interval, not a shape of a chord. */
    public static final int FEWEST_STRINGS = 3;

    private final FingeringFinder finder;
    private final int widestWindow;

    public ShapeSearch(FingeringFinder finder) {
        this.finder = finder;
        this.widestWindow = widestWindow(finder);
    }

    /** The largest number of frets apart that fingers 1 and 4, or the thumb and a finger, can be anywhere. */
    private static int widestWindow(FingeringFinder finder) {
        Neck neck = finder.neck();
        double span = finder.hand().greatestMm(1, 4);
        int widest = 0;
        for (int low = 1; low <= neck.highestFret(); low++) {
            int high = low;
            while (high < neck.highestFret() && neck.along(high + 1) - neck.along(low) <= span) {
                high++;
            }
            widest = Math.max(widest, high - low);
        }
        // the thumb may stand one fret below the index
        return finder.hand().thumbOver() ? widest + 1 : widest;
    }

    /**
     * Every playable shape with its easiest fingering, in order of effort; of equal ones the fuller first.
     *
     * @return an empty list when the hand can hold none
     */
    public List<PricedShape> find(ShapeQuery query) {
        Search search = new Search(query);
        search.string(finder.instrument().strings(), 0, 0, Integer.MAX_VALUE, 0);
        search.found.sort(Comparator.comparing(PricedShape::effort)
                .thenComparing(shape -> -shape.shape().frets().stream()
                        .filter(fret -> fret >= 0)
                        .count())
                .thenComparing(shape -> shape.shape().toString()));
        return search.found;
    }

    private final class Search {
        private final ShapeQuery query;
        private final int strings = finder.instrument().strings();
        private final int highestFret;
        private final int ceiling;
        private final int[] frets = new int[strings];
        private final List<PricedShape> found = new ArrayList<>();
        private boolean bassPlaced;
        private int lowestPitch;
        private int highestPitch;

        Search(ShapeQuery query) {
            this.query = query;
            this.highestFret =
                    Math.min(query.region().highest(), finder.instrument().highestFret());
            this.ceiling = query.top().map(ShapeQuery.Top::midi).orElse(Integer.MAX_VALUE);
            Arrays.fill(frets, Shape.SILENT);
        }

        /** Fills one string and those above it; low and high are the stopped frets so far. */
        void string(int string, int tones, int sounding, int low, int high) {
            if (string == 0) {
                finish(tones, sounding);
                return;
            }
            if (Integer.bitCount(query.tones().required() & ~tones) > string) {
                return;
            }
            if ((query.mustSound() >> string & 1) == 0) {
                frets[strings - string] = Shape.SILENT;
                string(string - 1, tones, sounding, low, high);
            }
            for (int fret = 0; fret <= highestFret; fret++) {
                if (!query.region().admits(fret)) {
                    continue;
                }
                int nextLow = fret > 0 ? Math.min(low, fret) : low;
                int nextHigh = fret > 0 ? Math.max(high, fret) : high;
                if (nextHigh - nextLow <= widestWindow || nextLow == Integer.MAX_VALUE) {
                    sound(string, fret, tones, sounding, nextLow, nextHigh);
                }
            }
            frets[strings - string] = Shape.SILENT;
        }

        private void sound(int string, int fret, int tones, int sounding, int low, int high) {
            int midi = finder.instrument().midi(string, fret);
            int bit = 1 << midi % 12;
            if ((query.tones().allowed() & bit) == 0
                    || midi > ceiling
                    || !finder.instrument().has(string, fret)) {
                return;
            }
            boolean wasPlaced = bassPlaced;
            int lowestBefore = lowestPitch;
            int highestBefore = highestPitch;
            bassPlaced = true;
            lowestPitch = wasPlaced ? Math.min(lowestPitch, midi) : midi;
            highestPitch = wasPlaced ? Math.max(highestPitch, midi) : midi;
            frets[strings - string] = fret;
            string(string - 1, tones | bit, sounding + 1, low, high);
            bassPlaced = wasPlaced;
            lowestPitch = lowestBefore;
            highestPitch = highestBefore;
        }

        private boolean isTop(ShapeQuery.Top top) {
            boolean there = top.string().isEmpty()
                    || frets[strings - top.string().getAsInt()] >= 0
                            && finder.instrument()
                                            .midi(
                                                    top.string().getAsInt(),
                                                    frets[strings - top.string().getAsInt()])
                                    == top.midi();
            return highestPitch == top.midi() && there;
        }

        private void finish(int tones, int sounding) {
            boolean tonesThere = (query.tones().required() & ~tones) == 0;
            boolean bassThere = sounding > 0 && query.bass().admits(lowestPitch);
            boolean topThere = query.top().isEmpty() || isTop(query.top().orElseThrow());
            if (tonesThere && bassThere && topThere && sounding >= FEWEST_STRINGS) {
                finder.easiest(frets).ifPresent(found::add);
            }
        }
    }
}

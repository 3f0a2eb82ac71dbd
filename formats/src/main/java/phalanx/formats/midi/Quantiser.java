package phalanx.formats.midi;

import java.util.Locale;
import java.util.Optional;
import phalanx.song.Ticks;

/**
 * Puts played times on the grid: the nearest sixteenth or triplet eighth. Times that are exact parts of a beat, as
 * notation programs write them, stay as they are.
 */
final class Quantiser {
    /** Divides a quarter into 60: sixteenths, triplets, quintuplets and their halves are multiples of it. */
    private static final int FINE = Ticks.QUARTER / 60;

    private static final int[] GRIDS = {Ticks.QUARTER / 4, Ticks.QUARTER / 3};
    /** Files count in 24 to 1,000 parts of a quarter; so far a written time may be off. */
    private static final int ROUNDING = 2;

    private long moved;
    private long sum;
    private int most;

    int shortest() {
        return FINE;
    }

    int onset(int tick) {
        int exact = nearest(tick, FINE);
        if (Math.abs(exact - tick) <= ROUNDING) {
            return exact;
        }
        int best = nearest(tick, GRIDS[0]);
        for (int grid : GRIDS) {
            int other = nearest(tick, grid);
            best = Math.abs(other - tick) < Math.abs(best - tick) ? other : best;
        }
        int shift = Math.abs(best - tick);
        moved++;
        sum += shift;
        most = Math.max(most, shift);
        return best;
    }

    /** Ends are heard less exactly than beginnings; they are not counted in the report. */
    int end(int tick) {
        int exact = nearest(tick, FINE);
        return Math.abs(exact - tick) <= ROUNDING ? exact : nearest(tick, GRIDS[0]);
    }

    private static int nearest(int tick, int grid) {
        return (int) (Math.round(tick / (double) grid) * grid);
    }

    /** What was moved and by how much; nothing where nothing was. */
    Optional<String> report() {
        return moved == 0
                ? Optional.empty()
                : Optional.of(String.format(
                        Locale.ROOT,
                        "%d notes were put on the grid of sixteenths and triplets; mean shift %.3f, greatest %.3f of a quarter",
                        moved,
                        sum / (double) moved / Ticks.QUARTER,
                        most / (double) Ticks.QUARTER));
    }
}

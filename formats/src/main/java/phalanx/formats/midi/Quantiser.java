package phalanx.formats.midi;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.song.Ticks;
import phalanx.words.Words;

/**
 * Puts played times on the grid: the nearest sixteenth or triplet eighth. Where nearly all times of a file are exact parts
 * of a beat, as notation programs write them, they stay as they are.
 */
final class Quantiser {
    /** Divides a quarter into 60: sixteenths, triplets, quintuplets and their halves are multiples of it. */
    private static final int FINE = Ticks.QUARTER / 60;
    /** The same for septuplets. */
    private static final int SEVENTHS = Ticks.QUARTER / 28;

    private static final int[] GRIDS = {Ticks.QUARTER / 4, Ticks.QUARTER / 3};
    /** Files count in 24 to 1,000 parts of a quarter; so far a written time may be off. */
    private static final int MOST_ROUNDED = 2;
    /** From this share of exact times on a file was written, not played. */
    private static final double WRITTEN = 0.9;

    private final boolean written;
    private final int rounding;
    private long moved;
    private long sum;
    private int most;

    /**
     * @param onsets all times of notes in the line, in ticks
     * @param resolution parts that the file divides a quarter into; one as fine as our own is of our own writing
     */
    Quantiser(int[] onsets, int resolution) {
        this.rounding = resolution == Ticks.QUARTER ? 0 : MOST_ROUNDED;
        long exact = IntStream.of(onsets).filter(tick -> exact(tick) >= 0).count();
        this.written = resolution == Ticks.QUARTER || exact >= WRITTEN * onsets.length;
    }

    int shortest() {
        return written ? 1 : FINE;
    }

    int onset(int tick) {
        if (written) {
            return exact(tick) >= 0 ? exact(tick) : tick;
        }
        int best = nearest(tick, GRIDS[0]);
        for (int grid : GRIDS) {
            int other = nearest(tick, grid);
            best = Math.abs(other - tick) < Math.abs(best - tick) ? other : best;
        }
        int shift = Math.abs(best - tick);
        moved += shift > rounding ? 1 : 0;
        sum += shift;
        most = Math.max(most, shift);
        return best;
    }

    /** Ends are heard less exactly than beginnings; they are not counted in the report. */
    int end(int tick) {
        int exact = exact(tick);
        return exact >= 0 ? exact : written ? tick : nearest(tick, GRIDS[0]);
    }

    /** The exact part of a beat that a time stands for; -1 where it is none. */
    private int exact(int tick) {
        for (int part : new int[] {FINE, SEVENTHS}) {
            int exact = nearest(tick, part);
            if (Math.abs(exact - tick) <= rounding) {
                return exact;
            }
        }
        return -1;
    }

    private static int nearest(int tick, int grid) {
        return (int) (Math.round(tick / (double) grid) * grid);
    }

    /** What was moved and by how much; nothing where nothing was. */
    Optional<String> report() {
        return moved == 0
                ? Optional.empty()
                : Optional.of(String.format(
                        Words.figures(),
                        wording("Quantiser.notes-were-put-on-the"),
                        moved,
                        sum / (double) moved / Ticks.QUARTER,
                        most / (double) Ticks.QUARTER));
    }
}

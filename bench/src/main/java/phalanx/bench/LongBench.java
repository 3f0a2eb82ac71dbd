package phalanx.bench;

import java.util.List;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;

/** How the time grows with the length of a song, and whether the longest fits a small memory: run with -Xmx256m. */
public final class LongBench {
    private static final List<Integer> BARS = List.of(20, 200, 2000);
    private static final int WARM = 12;

    private LongBench() {}

    public static void main(String[] args) {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        for (int seed = 0; seed < WARM; seed++) {
            arranger.arrange(BenchSongs.eighths(BARS.get(0), seed));
        }
        for (int bars : BARS) {
            long begun = System.nanoTime();
            arranger.quick(BenchSongs.eighths(bars), Picking.PLAIN, List.of(), () -> false);
            long quick = System.nanoTime();
            Arrangement full = arranger.full(() -> false);
            System.out.printf(
                    "%d bars, octave to be chosen: quick %.2f s, full %.2f s more, effort %.0f, with at most %d MB%n",
                    bars,
                    (quick - begun) / 1e9,
                    (System.nanoTime() - quick) / 1e9,
                    full.effort(),
                    Runtime.getRuntime().maxMemory() >> 20);
        }
    }
}

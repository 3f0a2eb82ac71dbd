package phalanx.bench;

import java.util.List;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Setup;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * How long songs take that were not seen before, one after another, on a guitar and hand seen before, as in the open
 * window. Run as docs/performance.md says.
 */
public class AnswerBench extends WarmBench {
    private static final Wishes AS_WRITTEN = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);

    @Param({"32", "320"})
    private int bars;

    private final Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
    private Song song;
    private int seed = 100;

    @Setup(Level.Invocation)
    public void next() {
        song = BenchSongs.eighths(bars, seed++);
    }

    @Benchmark
    public Arrangement quickAsWritten() {
        return quick(AS_WRITTEN);
    }

    @Benchmark
    public Arrangement quickOctaveChosen() {
        return quick(Wishes.USUAL);
    }

    private Arrangement quick(Wishes wishes) {
        return arranger.quick(song, Picking.PLAIN, wishes, List.of(), () -> false);
    }

    /** Both answers, as the command line waits for them. */
    @Benchmark
    public Arrangement quickAndFull() {
        return arranger.arrange(song, Picking.PLAIN, AS_WRITTEN, List.of(), () -> false);
    }
}

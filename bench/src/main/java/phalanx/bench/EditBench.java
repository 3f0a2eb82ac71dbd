package phalanx.bench;

import java.util.List;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import phalanx.arrange.Arranger;
import phalanx.arrange.advice.OtherWay;
import phalanx.arrange.advice.OtherWays;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/** How long an edit takes, and the other ways to play a moment, in songs of which the full answer is known. */
public class EditBench extends WarmBench {
    private static final int WAYS = 6;
    /** Moments are looked at so many slots apart, so that none is near the one before. */
    private static final int FURTHER = 37;

    @Param({"32", "400"})
    private int bars;

    private Arranger arranger;
    private Arrangement arranged;
    private Song song;
    private int slot;
    private boolean locked;

    @Setup
    public void solve() {
        song = BenchSongs.eighths(bars);
        arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        arranged = arranger.arrange(song);
        arranger.ready(() -> false);
        slot = arranged.slots().size() / 2;
    }

    /** One lock set or released in the middle. */
    @Benchmark
    public Arrangement quickAfterOneLock() {
        locked = !locked;
        ShapeLock lock = arranged.slots().get(arranged.slots().size() / 2).lock();
        return arranger.quick(song, Picking.PLAIN, locked ? List.of(lock) : List.of(), () -> false);
    }

    /** The next moment. */
    @State(Scope.Thread)
    public static class Moment {
        private int tick;

        @Setup(Level.Invocation)
        public void next(EditBench bench) {
            bench.slot = (bench.slot + FURTHER) % bench.arranged.slots().size();
            tick = bench.arranged.slots().get(bench.slot).startTick();
        }
    }

    @Benchmark
    public List<OtherWay> otherWays(Moment moment) {
        return new OtherWays(arranger, () -> false).at(moment.tick, WAYS);
    }
}

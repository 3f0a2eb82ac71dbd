package phalanx.arrange.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.SongDemand;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Picking;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.testing.Deep;

/** Quick and full answers beside the plain exact path over all candidates. */
class PlainSweepTest {
    private static final double FULL_WITHIN = 1.001;
    private static final double QUICK_WITHIN = 1.03;

    @Test
    void theFullAnswerIsTheExactOneAndTheQuickOneIsNear() {
        double quick = 0;
        double exact = 0;
        for (int seed = 0; seed < Deep.of(2, 60); seed++) {
            Song song = Songs.random(500 + seed, Deep.of(3, 8 + seed % 9));
            LayerFinder finder = new LayerFinder(
                    FingeringFinder.forPlucking(Instrument.STANDARD, Hand.AVERAGE),
                    new MoveMeter(Instrument.STANDARD, Hand.AVERAGE));
            Request request = new Request(song, Instrument.STANDARD, Hand.AVERAGE, List.of(), Picking.PLAIN);
            List<Slot> slots = SongDemand.of(request).slots();
            Solver solver = Solver.quick(finder, slots, song.tempo(), List.of(), Optional.empty(), () -> false);
            long first = solver.quick().way().cost();
            long full = solver.full().way().cost();
            long plain = Sweep.through(solver.graph().wide().with(finder.all(slots, () -> {})))
                    .way()
                    .cost();
            assertThat(Sweep.through(solver.graph()).way().cost())
                    .as("song %d without ways that are far dearer", seed)
                    .isEqualTo(Sweep.through(solver.graph().wide()).way().cost());
            assertThat(SongGraph.tune(full)).isEqualTo(SongGraph.tune(plain));
            assertThat(SongGraph.grains(full) / (double) SongGraph.grains(plain))
                    .as("song %d", seed)
                    .isBetween(1.0, FULL_WITHIN);
            quick += SongGraph.grains(first);
            exact += SongGraph.grains(plain);
        }
        assertThat(quick / exact).isLessThan(QUICK_WITHIN);
    }
}

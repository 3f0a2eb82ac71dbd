package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;

class CopiedBarsTest {
    private static final int BAR = Meter.COMMON.barTicks();

    /** Bar 2 is put on bar 4: its locks and its plan come along, what bar 4 had goes, a limit over all stays. */
    @Test
    void whatIsDecidedAboutABarIsPutOnAnother() {
        Song song = Songs.of("C", Meter.COMMON, "C F G C", "E4:4 F4:4 G4:4 E4:4");
        LimitLock all = new LimitLock(0, 4 * BAR, OptionalInt.of(5), false);
        Picking.Plan full = Picking.PLAIN.withLevel(Level.FULL).plan();
        Project project = Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.values()[0].set(), Hand.AVERAGE))
                .withLock(all)
                .withLock(new InnerLock(BAR + 420, 2))
                .withLock(new PlaceLock(BAR, Role.MELODY, 2, Optional.empty()))
                .withLock(new PlaceLock(3 * BAR, Role.BASS, 6, Optional.empty()))
                .withPicking(Picking.PLAIN.withSpan(new Picking.Span(BAR, 2 * BAR, full)));
        CopiedBars copied = CopiedBars.of(project, BAR, 2 * BAR);
        Project pasted = copied.onto(project, 3 * BAR);
        assertThat(pasted.locks())
                .containsExactlyInAnyOrder(
                        all,
                        new InnerLock(BAR + 420, 2),
                        new PlaceLock(BAR, Role.MELODY, 2, Optional.empty()),
                        new InnerLock(3 * BAR + 420, 2),
                        new PlaceLock(3 * BAR, Role.MELODY, 2, Optional.empty()));
        assertThat(pasted.picking().planAt(3 * BAR)).isEqualTo(full);
        assertThat(pasted.picking().planAt(2 * BAR)).isEqualTo(Picking.PLAIN.plan());
        assertThat(copied.onto(pasted, 3 * BAR)).isEqualTo(pasted);
        // beyond the end nothing stands
        Project late = CopiedBars.of(project, 0, 2 * BAR).onto(project, 3 * BAR);
        assertThat(late.locks()).allMatch(lock -> lock.endTick() <= 4 * BAR);
        assertThat(CopiedBars.of(project, 2 * BAR, 3 * BAR).onto(project, 0).locks())
                .isEqualTo(List.copyOf(project.locks()));
    }
}

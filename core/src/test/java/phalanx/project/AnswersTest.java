package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import phalanx.arrange.advice.OtherWay;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;

class AnswersTest {
    private static final Song SONG = Songs.of("C", Meter.COMMON, "C F", "E4:4 A4:4");
    private static final Project PLAIN =
            Project.of(SONG, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
    private static final Project LIMITED = PLAIN.withLock(new LimitLock(0, SONG.endTick(), OptionalInt.of(2), false));

    private final Solve solve = new Solve();

    private Arrangement inFull(Project project) {
        Arrangement quick = solve.quick(project, () -> false);
        return solve.full(() -> false).orElse(quick);
    }

    @Test
    void whatIsTakenBackIsNotArrangedAgain() {
        Arrangement plain = inFull(PLAIN);
        Arrangement limited = inFull(LIMITED);
        assertThat(limited.notes()).isNotEqualTo(plain.notes());
        // a cancel that would stop any work at once
        assertThat(solve.quick(PLAIN, () -> true)).isEqualTo(plain).isNotSameAs(plain);
        assertThat(solve.isFinal()).isTrue();
        assertThat(solve.full(() -> true)).isEmpty();
        assertThat(solve.quick(LIMITED, () -> true)).isEqualTo(limited);
    }

    @Test
    void eachDecisionIsToldApart() {
        inFull(PLAIN);
        for (Project other : List.of(
                LIMITED,
                PLAIN.withSong(SONG.withTempo(SONG.tempo() + 1)),
                PLAIN.withPicking(Picking.PLAIN.withLevel(Level.FULL)),
                new Project(
                        SONG,
                        PLAIN.strings(),
                        Hand.AVERAGE.withComfort(new Hand.Comfort(1.5, 1.5)),
                        PLAIN.versions(),
                        0))) {
            solve.quick(other, () -> false);
            assertThat(solve.isFinal()).isFalse();
        }
        Arrangement quick = solve.quick(LIMITED, () -> false);
        assertThat(solve.full(() -> false).orElseThrow().cost()).isLessThanOrEqualTo(quick.cost());
    }

    @Test
    void otherWaysAreThoseOfTheSongThatIsShown() {
        inFull(PLAIN);
        List<OtherWay> ways = solve.otherWays(0, 5, () -> false);
        inFull(LIMITED);
        assertThat(solve.otherWays(0, 5, () -> false)).isNotEqualTo(ways);
        inFull(PLAIN);
        assertThat(solve.otherWays(0, 5, () -> false)).isEqualTo(ways);
    }

    @Test
    void theOldestIsForgotten() {
        Solve forgetful = new Solve(new Answers(2));
        Song song = Songs.of("C", Meter.COMMON, "C", "E4:4");
        for (int more = 0; more <= 2; more++) {
            forgetful.quick(PLAIN.withSong(song.withTempo(song.tempo() + more)), () -> false);
            assertThat(forgetful.full(() -> false)).isPresent();
        }
        forgetful.quick(PLAIN.withSong(song.withTempo(song.tempo() + 1)), () -> false);
        assertThat(forgetful.isFinal()).isTrue();
        forgetful.quick(PLAIN.withSong(song), () -> false);
        assertThat(forgetful.isFinal()).isFalse();
    }
}

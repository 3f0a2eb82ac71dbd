package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.project.remedy.Remedies;
import phalanx.project.remedy.Remedy;
import phalanx.song.Song;
import phalanx.song.Songs;

/** What is offered against findings is applied and audited again; 50 songs in the deep run. */
class RemediesTest {
    private static final int SONGS = Boolean.getBoolean("phalanx.deep") ? 50 : 3;

    @Test
    void everyRemedyLowersItsFindingAndAddsNoneAsSevere() {
        int offered = 0;
        for (long seed = 0; seed < SONGS; seed++) {
            Random random = new Random(seed);
            Song song = Songs.random(seed, 4).withTempo(110 + random.nextInt(110));
            Project project =
                    Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
            Arrangement now = Solve.of(project);
            List<Finding> findings = now.findings();
            if (findings.isEmpty()) {
                continue;
            }
            Finding finding = findings.get(random.nextInt(findings.size()));
            for (Remedy remedy : new Remedies().against(project, now, finding, () -> false)) {
                Arrangement then = Solve.of(remedy.edit().apply(project));
                String what = "seed " + seed + ": " + remedy.name() + " against " + finding.message();
                assertThat(then.effort() - now.effort()).as(what).isEqualTo(remedy.moreEffort());
                List<Finding> left = then.findings().stream()
                        .filter(other -> other.kind() == finding.kind() && other.bar() == finding.bar())
                        .toList();
                assertThat(left.isEmpty()).as(what).isEqualTo(remedy.gone());
                assertThat(left)
                        .as(what)
                        .allMatch(other ->
                                other.severity().ordinal() < finding.severity().ordinal());
                assertThat(count(then, finding.severity()))
                        .as(what)
                        .isLessThanOrEqualTo(count(now, finding.severity()));
                assertThat(then.song().melody())
                        .as(what)
                        .hasSameSizeAs(now.song().melody());
                offered++;
            }
        }
        assertThat(offered).isPositive();
    }

    private static long count(Arrangement arrangement, Finding.Severity least) {
        return arrangement.findings().stream()
                .filter(finding -> finding.severity().ordinal() >= least.ordinal())
                .count();
    }
}

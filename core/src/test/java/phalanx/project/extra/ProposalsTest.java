package phalanx.project.extra;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.project.CopiedBars;
import phalanx.project.Project;
import phalanx.project.Setup;
import phalanx.project.Solve;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.song.lick.Licks;

/** Beginnings, ends, runs and second times: the song itself stays, what is added does what it says. */
class ProposalsTest {
    private static Project project(Song song) {
        return Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
    }

    private static Song song() {
        return song("G C D7 G G C D7 G");
    }

    private static Song song(String chords) {
        Song song = Songs.of(
                "G", Meter.COMMON, chords, "B4:2 A4:2 G4:2 E4:2 F#4:2 A4:2 G4:4 B4:2 A4:2 G4:2 E4:2 F#4:2 A4:2 G4:4");
        return song.withSections(List.of(new Section("A", 0), new Section("A", 4 * Ticks.WHOLE)));
    }

    private static Proposal named(List<Proposal> all, String name) {
        return all.stream()
                .filter(proposal -> proposal.name().startsWith(name))
                .findFirst()
                .orElseThrow(() -> new AssertionError(
                        name + " in " + all.stream().map(Proposal::name).toList()));
    }

    @Test
    void theLastPhraseIsHeardFirst() {
        Project with = named(new Proposals().of(project(song())), "the last phrase first")
                .project();
        List<Integer> tune = with.song().melody().stream().map(MelodyNote::midi).toList();
        int size = tune.size();
        assertThat(with.song().bars()).hasSize(10);
        assertThat(tune.subList(0, 3)).isEqualTo(tune.subList(size - 3, size));
        assertThat(with.song().chart().stream().limit(3).map(ChordChange::symbol))
                .containsExactly("D7", "G", "G");
        assertThat(with.song().sections()).extracting(Section::startTick).containsExactly(13440, 40320);
    }

    /** All that is proposed goes again as it came, in every version, whatever was decided in it and beside it. */
    @Test
    void whatWasPutInIsTakenOutAgain() {
        Project before = project(song("G C Am D7 G C Am D7")).withLock(new InnerLock(4 * Ticks.WHOLE, 0));
        List<Proposal> all = new ArrayList<>(new Proposals().of(before));
        all.addAll(new LickProposals(before).in(1, Licks.shipped()));
        Set<Class<?>> kinds = new HashSet<>();
        for (Proposal proposal : all) {
            Project with = proposal.project();
            AddedLock lock = added(with).get(0);
            kinds.add(lock.what().getClass());
            assertThat(lock.words()).isEqualTo("put in: " + proposal.name());
            assertThat(with.without(lock)).as(proposal.name()).isEqualTo(before);
            Project decided =
                    lock.what() instanceof Added.Bars ? with.withLock(new InnerLock(lock.startTick(), 1)) : with;
            assertThat(decided.branched("other").without(lock).showing("First").version())
                    .as(proposal.name())
                    .isEqualTo(before.version());
            // of a lick the notes before it belong to the key before
            assertThat(added(with.inKey("D")).isEmpty()).isEqualTo(lock.what() instanceof Added.Tune);
            Project later = with.withBars(BarEdit.insert(with.song(), 0, 1, Meter.COMMON));
            assertThat(later.without(added(later).get(0)))
                    .as(proposal.name() + ", a bar later")
                    .isEqualTo(before.withBars(BarEdit.insert(before.song(), 0, 1, Meter.COMMON)));
        }
        assertThat(kinds).hasSize(4);
    }

    /** What the player has written over is no decision any more; a lick over a lick gives back the tune itself. */
    @Test
    void whatIsNoLongerThereIsNotListed() {
        Project before = project(song("G C Am D7 G C Am D7"));
        Project run = named(new Proposals().of(before), "a bass run").project();
        assertThat(added(run)).hasSize(1);
        assertThat(added(run.withSong(run.song().withBass(List.of())))).isEmpty();
        Project second = named(new Proposals().of(before), "A the second time").project();
        assertThat(added(second)).hasSize(1);
        assertThat(added(second.withPicking(Picking.PLAIN))).isEmpty();
        Project lick = before;
        for (int i = 0; i < 2; i++) {
            lick = new LickProposals(lick).in(1, Licks.shipped()).get(i).project();
        }
        assertThat(lick.song().melody()).isNotEqualTo(before.song().melody());
        assertThat(lick.without(added(lick).get(0))).isEqualTo(before);
    }

    /** An intro before an intro: each goes by itself, in either order, and letting the engine choose again keeps both. */
    @Test
    void oneIntroGoesAndTheOtherStays() {
        Project before = project(song());
        Project one = named(new Proposals().of(before), "the last phrase first").project();
        Project both =
                named(new Proposals().of(one), "the first chord over a pedal").project();
        List<AddedLock> locks = added(both);
        assertThat(locks).extracting(AddedLock::startTick).containsExactly(0, 2 * Ticks.WHOLE);
        assertThat(both.without(locks.get(0))).isEqualTo(one);
        Project other = both.without(locks.get(1));
        assertThat(other.song().bars()).hasSize(before.song().bars().size() + 2);
        assertThat(added(other)).hasSize(1);
        assertThat(other.without(added(other).get(0)).song()).isEqualTo(before.song());
        Project free = both.withLock(new InnerLock(0, 2)).lockedTo(List.of());
        assertThat(free.locks()).containsExactlyElementsOf(locks);
        assertThat(CopiedBars.of(both, 0, 2 * Ticks.WHOLE)
                        .onto(before, 4 * Ticks.WHOLE)
                        .locks())
                .as("bars that were put in are not copied")
                .isEmpty();
    }

    private static List<AddedLock> added(Project project) {
        return project.locks().stream()
                .filter(AddedLock.class::isInstance)
                .map(AddedLock.class::cast)
                .sorted(Lock.ORDER)
                .toList();
    }

    @Test
    void theBassGoesDownByStepsToTheRoot() {
        Project with =
                named(new Proposals().of(project(song())), "the bass goes down").project();
        // D C B A over G, then G
        assertThat(with.song().bass())
                .extracting(note -> note.pitch().toString())
                .containsExactly("D3", "C3", "B2", "A2", "G2");
        Arrangement arrangement = Solve.of(with);
        assertThat(arrangement.findings()).noneMatch(finding -> finding.kind() == FindingKind.OWN_BASS_NOT_KEPT);
        assertThat(arrangement
                        .song()
                        .melody()
                        .get(arrangement.song().melody().size() - 1)
                        .lengthTicks())
                .isEqualTo(Ticks.WHOLE);
    }

    @Test
    void aSectionTheSecondTimeIsAStepFullerAndCanBeTakenBack() {
        Project before = project(song());
        Proposal fuller = named(new Proposals().of(before), "A the second time fuller");
        assertThat(fuller.place()).isEqualTo("bars 5 to 8");
        Arrangement arrangement = Solve.of(fuller.project());
        long first = notes(arrangement, 0, 4 * Ticks.WHOLE);
        long second = notes(arrangement, 4 * Ticks.WHOLE, 8 * Ticks.WHOLE);
        assertThat(second).isGreaterThan(first);
        Project hits =
                named(new Proposals().of(before), "A the second time with hits").project();
        assertThat(Solve.of(hits).hits()).isNotEmpty().allMatch(hit -> hit.tick() >= 4 * Ticks.WHOLE);
    }

    private static long notes(Arrangement arrangement, int from, int to) {
        return arrangement.notes().stream()
                .filter(note -> note.tick() >= from && note.tick() < to)
                .count();
    }

    /** Runs are of the key, on the beat, and their last note is a step from the next root. Common practice, no source. */
    @Property(tries = 60)
    void runsLeadIntoTheNextRootByAStep(@ForAll long seed) {
        Song song = Songs.random(seed, 13);
        for (Proposal proposal : new BassRuns(project(song)).find()) {
            Song with = proposal.project().song();
            assertThat(with.bass()).hasSizeGreaterThanOrEqualTo(2);
            for (int i = 0; i < with.bass().size(); i++) {
                MelodyNote note = with.bass().get(i);
                assertThat(song.key().pitchClasses() >> note.midi() % 12 & 1).isEqualTo(1);
                if (i % 2 == 1) {
                    int root = with.chart().stream()
                            .filter(change -> change.startTick() <= note.endTick())
                            .reduce((a, b) -> b)
                            .orElseThrow()
                            .chord()
                            .orElseThrow()
                            .bass()
                            .pitchClass();
                    int away = Math.floorMod(note.midi() - root, 12);
                    assertThat(Math.min(away, 12 - away)).isBetween(1, 2);
                }
            }
        }
    }

    /** Whatever is proposed can be arranged; the tune of the song itself is all there; the figure is the difference. */
    @Property
    void everyProposalIsPricedAndKeepsTheTune(@ForAll long seed) {
        Project project = project(Songs.random(seed, 6));
        List<Integer> tune =
                project.song().melody().stream().map(MelodyNote::midi).toList();
        double before = new Solve().quick(project, () -> false).effort();
        List<Integer> done = new ArrayList<>();
        for (Proposals.Priced priced :
                new Proposals().priced(project, new Proposals().of(project), done::add, () -> false)) {
            List<Integer> with = priced.proposal().project().song().melody().stream()
                    .map(MelodyNote::midi)
                    .toList();
            assertThat(String.valueOf(with)).contains(String.valueOf(tune).replaceAll("[\\[\\]]", ""));
            assertThat(priced.arrangement().effort() - priced.moreEffort()).isCloseTo(before, within(1e-9));
            assertThat(priced.arrangement().findings())
                    .noneMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT);
        }
        assertThat(done).hasSize(new Proposals().of(project).size());
    }

    @Test
    void beforeAPickupAndOverWrittenNotesThereIsNothing() {
        Song pickup = Songs.of("C", Meter.COMMON, Ticks.QUARTER, "C C", "G4:1 E4:4");
        assertThat(new Proposals().of(project(pickup)))
                .extracting(Proposal::name)
                .noneMatch(name -> name.contains("first"));
        assertThatThrownBy(() -> new Proposals()
                        .priced(project(song()), new Proposals().of(project(song())), count -> {}, () -> true))
                .isInstanceOf(CancellationException.class);
    }
}

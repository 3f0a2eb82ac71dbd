package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.arrange.audit.SongFigures;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.righthand.Level;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.theory.Pitch;

/** Versions of a song beside each other: what is tried, what differs, and what each asks of the hand. */
class VersionsBesideTest {
    private static final int BAR = Meter.COMMON.barTicks();
    private static final Setup SETUP = new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE);

    private static Project fourBars() {
        return Project.of(Songs.of("C", Meter.COMMON, "C F G C", "E4:2 G4:2 A4:2 F4:2 B4:2 G4:2 C5:4"), SETUP);
    }

    @Example
    void aVersionIsNoOtherThanItself() {
        Arrangement one = Solve.of(fourBars());
        assertThat(Comparison.of(one, Solve.of(fourBars()))).isEmpty();
    }

    /** What is said of each bar is what its notes say, told here by sets of lines of text. */
    @Property
    void barsDifferWhereTheirNotesDo(@ForAll long seed) {
        Song song = Songs.random(seed, 4);
        Project project = Project.of(song, SETUP);
        Arrangement one = Solve.of(project);
        Arrangement other = Solve.of(project.withPicking(project.picking().withLevel(Level.FULL)));
        List<Comparison.BarPair> pairs = Comparison.of(one, other);
        for (int bar = 0; bar < song.bars().size(); bar++) {
            int index = bar;
            List<Comparison.Part> in = pairs.stream()
                    .filter(pair -> pair.bar() == index)
                    .map(Comparison.BarPair::in)
                    .findFirst()
                    .orElse(List.of());
            assertThat(in.contains(Comparison.Part.NOTES))
                    .isEqualTo(!notes(one, bar).equals(notes(other, bar)));
            if (in.contains(Comparison.Part.NOTES)) {
                assertThat(in).doesNotContain(Comparison.Part.STRINGS, Comparison.Part.DIGITS);
            }
        }
        assertThat(pairs).extracting(Comparison.BarPair::bar).isSorted().doesNotHaveDuplicates();
        List<Comparison.BarPair> turned = Comparison.of(other, one);
        assertThat(turned)
                .extracting(Comparison.BarPair::in)
                .isEqualTo(pairs.stream().map(Comparison.BarPair::in).toList());
        for (int i = 0; i < pairs.size(); i++) {
            assertThat(turned.get(i).effort()).isEqualTo(pairs.get(i).otherEffort());
            assertThat(turned.get(i).findings()).isEqualTo(pairs.get(i).otherFindings());
        }
    }

    private static Set<String> notes(Arrangement arrangement, int bar) {
        Song song = arrangement.song();
        return arrangement.notes().stream()
                .filter(note -> song.barIndexAt(note.tick()) == bar)
                .map(note -> note.tick() + " " + note.midi() + " " + note.role() + " " + note.lengthTicks())
                .collect(Collectors.toSet());
    }

    @Example
    void aTuneOnAnotherStringIsANoteOnAnotherString() {
        Project project = fourBars();
        Arrangement one = Solve.of(project);
        ArrangedNote first = one.notes().stream()
                .filter(note -> note.role() == Role.MELODY && note.tick() == BAR)
                .findFirst()
                .orElseThrow();
        int string = IntStream.rangeClosed(1, 4)
                .filter(other -> other != first.string())
                .filter(other -> project.instrument().fretOf(other, first.midi()) >= 0)
                .min()
                .orElseThrow();
        Arrangement other = Solve.of(project.withLock(new PlaceLock(BAR, Role.MELODY, string, Optional.empty())));
        List<Comparison.BarPair> pairs = Comparison.of(one, other);
        assertThat(pairs)
                .anyMatch(pair -> pair.bar() == 1
                        && (pair.in().contains(Comparison.Part.STRINGS)
                                || pair.in().contains(Comparison.Part.NOTES)));
        assertThatThrownBy(
                        () -> Comparison.of(one, Solve.of(Project.of(Songs.of("C", Meter.COMMON, "C", "E4:4"), SETUP))))
                .hasMessageContaining("other bars");
    }

    @Example
    void whatDiffersIsSaidInFewWords() {
        Project before = fourBars();
        Song song = before.song();
        assertThat(Difference.words(before, before)).isEmpty();
        assertThat(Difference.words(before, before.withSong(song.withTempo(77).withTitle("Lantern row"))))
                .containsExactly("title", "tempo");
        assertThat(Difference.words(
                        before,
                        before.withSong(song.withMelody(song.melody().subList(0, 6)))
                                .withLock(new LimitLock(0, BAR, OptionalInt.of(5), false))))
                .containsExactly("1 note of the tune", "1 lock");
        assertThat(Difference.words(
                        before, before.withInstrument(before.instrument().withCapo(2))))
                .containsExactly("guitar, tuning or capo");
        assertThat(Difference.words(before, before.branched("Second"))).contains("1 other version");
        // a moved note is one that changed, not one gone and one new
        Song moved = song.withMelody(song.melody().stream()
                .map(note -> note.tick() == BAR ? note.with(Pitch.parse("C5")) : note)
                .toList());
        assertThat(Difference.words(before, before.withSong(moved))).containsExactly("1 note of the tune");
    }

    /** Each is a change, has a name of its own, and leaves the version that was as it was. */
    @Example
    void whatCanBeTriedIsAlwaysSomethingElse() {
        Project project = fourBars();
        List<WhatIf> all = WhatIf.of(project);
        Set<String> names = new HashSet<>();
        for (WhatIf one : all) {
            Project tried = one.asVersion(project);
            assertThat(names.add(one.name())).isTrue();
            assertThat(tried.version().name()).isEqualTo(one.name());
            assertThat(tried.versions()).hasSize(2);
            assertThat(tried.versions().get(0)).isEqualTo(project.version());
            assertThat(Difference.decided(project.version(), tried.version())).isNotEmpty();
            assertThat(tried.song()).isEqualTo(project.song());
            // tried twice, it gets a number
            Project twice = one.asVersion(tried.showing(Project.FIRST));
            assertThat(twice.version().name()).isEqualTo(one.name() + " 2");
        }
        assertThat(names).contains("without barre", "up to fret 5", "tuning drop D", "tune " + TuneUse.SUNG.label());
        assertThat(names).as("as it is").doesNotContain("tuning standard", "nothing locked");
        WhatIf dropD = all.stream()
                .filter(one -> one.name().equals("tuning drop D"))
                .findFirst()
                .orElseThrow();
        Project locked = project.withLock(new LimitLock(0, BAR, OptionalInt.of(5), false));
        assertThat(dropD.asVersion(locked).instrument().tuning())
                .isEqualTo(new Tuning(List.of(38, 45, 50, 55, 59, 64)));
        assertThat(dropD.asVersion(locked).locks())
                .as("shapes of another tuning")
                .isEmpty();
        assertThat(WhatIf.of(locked)).extracting(WhatIf::name).contains("nothing locked");
    }

    @Example
    void withoutBarreHasNone() {
        Project project =
                Project.of(Songs.of("F", Meter.COMMON, "F Bb Cm F", "A4:2 C5:2 D5:2 Bb4:2 Eb5:2 G4:2 F5:4"), SETUP);
        WhatIf plain = WhatIf.of(project).get(0);
        Arrangement tried = Solve.of(plain.asVersion(project));
        assertThat(plain.name()).isEqualTo("without barre");
        assertThat(SongFigures.of(tried).barres()).isZero();
    }

    /** The figures told anew from notes and holds. */
    @Property
    void figuresCountWhatTheHandDoes(@ForAll long seed) {
        Arrangement arrangement = Solve.of(Project.of(Songs.random(seed, 4), SETUP));
        SongFigures figures = SongFigures.of(arrangement);
        int shifts = 0;
        int before = -1;
        for (ArrangedSlot slot : arrangement.slots()) {
            int position = slot.posture().position();
            shifts += before >= 0 && position != before ? 1 : 0;
            before = position;
        }
        int highest = 0;
        double sum = 0;
        for (ArrangedNote note : arrangement.notes()) {
            highest = Math.max(highest, note.fret());
            sum += note.fret();
        }
        assertThat(figures.shifts()).isEqualTo(shifts);
        assertThat(figures.highestFret()).isEqualTo(highest);
        assertThat(figures.meanFret() * arrangement.notes().size()).isCloseTo(sum, within(1e-6));
        assertThat(figures.barres()).isEqualTo((int) arrangement.holds().stream()
                .filter(hold -> hold.press().bassString() > hold.press().trebleString())
                .count());
        List<Double> efforts = arrangement.barEfforts();
        List<Integer> hardest = figures.hardestBars();
        for (int i = 1; i < hardest.size(); i++) {
            assertThat(efforts.get(hardest.get(i - 1))).isGreaterThanOrEqualTo(efforts.get(hardest.get(i)));
        }
        assertThat(efforts.stream().mapToDouble(Double::doubleValue).sum())
                .isCloseTo(arrangement.effort(), within(1e-6));
    }
}

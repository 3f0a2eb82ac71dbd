package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.project.CascadeIntro;
import phalanx.project.Project;
import phalanx.project.Setup;
import phalanx.project.Solve;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Cascade;
import phalanx.technique.HarmonicNode;
import phalanx.technique.SlurKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/** Cascades in arrangements: who touches and who plucks, what stands around them, what is refused. */
class CascadeTest {
    private static final String ORDER = "4 6* 3 5* 2 4* 1 3*";

    private static HeldShape barre(String frets) {
        return FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse(frets))
                .get(0)
                .held();
    }

    private static Project project(Song song) {
        return Project.of(
                song, new Setup(Instrument.STANDARD.guitar(), StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
    }

    private static CascadeIntro intro() {
        return new CascadeIntro(ChordSymbol.parse("Am7"), barre("5 5 5 5 5 5"), HarmonicNode.OCTAVE, ORDER);
    }

    @Test
    void anIntroIsABarBeforeTheSongAndTheSongStaysAsItWas() {
        Song song = Songs.of("C", Meter.COMMON, "Am F", "E4:2 C4:2 A4:4");
        Project before = project(song);
        Arrangement plain = Solve.of(before);
        Arrangement arrangement = Solve.of(intro().before(before));
        List<ArrangedNote> bar = arrangement.notes().stream()
                .filter(note -> note.tick() < Ticks.WHOLE)
                .toList();
        assertThat(bar).extracting(ArrangedNote::string).containsExactly(4, 6, 3, 5, 2, 4, 1, 3);
        // G3 A3 C4 D4 E4 G4 A4 C5
        assertThat(bar).extracting(ArrangedNote::midi).containsExactly(55, 57, 60, 62, 64, 67, 69, 72);
        for (ArrangedNote note : bar) {
            boolean touched = note.attack() instanceof Attack.Touched;
            assertThat(note.right()).isEqualTo(touched ? Digit.P : Digit.A);
            assertThat(note.left()).isPresent();
        }
        assertThat(arrangement.song().melody().get(0).tick()).isEqualTo(Ticks.WHOLE);
        assertThat(arrangement.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.HARMONIC_CONFLICT, FindingKind.LOCK_NOT_KEPT, FindingKind.STRING_CLASH);
        List<Integer> tune = arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(ArrangedNote::midi)
                .toList();
        assertThat(tune)
                .isEqualTo(plain.notes().stream()
                        .filter(note -> note.role() == Role.MELODY)
                        .map(ArrangedNote::midi)
                        .toList());
    }

    /** The finger above the barre comes down with its pluck and leaves with the pull; three notes a beat, no string cut. */
    @Test
    void inThreesAFreeFingerPullsOffToTheShape() {
        HeldShape held = barre("5 5 5 5 5 5");
        Cascade cascade =
                Cascade.triplets(Instrument.STANDARD, held.shape().frets(), HarmonicNode.OCTAVE, Key.parse("Am"));
        Song song = Songs.of("A minor", Meter.COMMON, "Am F", "E4:2 C4:2 A4:4");
        Project with = new CascadeIntro(ChordSymbol.parse("Am7"), held, HarmonicNode.OCTAVE, cascade.order())
                .before(project(song));
        Arrangement arrangement = Solve.of(with);
        List<ArrangedNote> bar = arrangement.notes().stream()
                .filter(note -> note.tick() < Ticks.WHOLE)
                .toList();
        assertThat(bar)
                .extracting(ArrangedNote::tick)
                .containsExactly(IntStream.range(0, 12)
                        .mapToObj(i -> i * Ticks.QUARTER / 3)
                        .toArray(Integer[]::new));
        for (int i = 0; i + 2 < bar.size(); i += 3) {
            assertThat(bar.get(i).attack()).isInstanceOf(Attack.Touched.class);
            ArrangedNote plain = bar.get(i + 1);
            ArrangedNote pulled = bar.get(i + 2);
            assertThat(plain.right()).isEqualTo(Digit.A);
            assertThat(pulled.attack()).isEqualTo(new Attack.Slur(SlurKind.PULL));
            assertThat(plain.left()).isNotEqualTo(pulled.left());
            SlursTest.replay(arrangement, pulled, SlurKind.PULL);
        }
        assertThat(arrangement.findings())
                .extracting(Finding::kind)
                .doesNotContain(
                        FindingKind.HARMONIC_CONFLICT,
                        FindingKind.LOCK_NOT_KEPT,
                        FindingKind.SLUR_CONFLICT,
                        FindingKind.SLUR_TOO_FAST,
                        FindingKind.STRING_CLASH);
        // four frets above a barre at the first fret no hand reaches with another finger down
        CascadeLock far = new CascadeLock(0, Ticks.WHOLE, barre("1 3 3 2 1 1"), HarmonicNode.OCTAVE, "6* 1+4");
        assertThat(refused(with.withLock(far))).contains("no free finger reaches fret 5 on string 1");
    }

    @Test
    void beforeAPickupThereIsNoBar() {
        Song song = Songs.of("C", Meter.COMMON, Ticks.QUARTER, "C C", "G4:1 E4:4");
        assertThatThrownBy(() -> intro().before(project(song))).hasMessageContaining("begins with a pickup");
    }

    @Test
    void whereTheTuneIsPlayedOrADigitIsMissingItIsLeftOutAndSaid() {
        Song song = Songs.of("C", Meter.COMMON, "Am F", "E4:2 C4:2 A4:4");
        CascadeLock lock = new CascadeLock(0, Ticks.WHOLE, barre("5 5 5 5 5 5"), HarmonicNode.OCTAVE, ORDER);
        assertThat(refused(project(song).withLock(lock))).contains("is left out: the tune is played there");
        Project thumbAndIndex = project(song).withPicking(Picking.PLAIN.withSchool(School.THUMB_AND_INDEX));
        assertThat(refused(intro().before(thumbAndIndex))).contains("has no digit for the plain notes");
        CascadeLock high = new CascadeLock(0, Ticks.WHOLE, barre("5 5 5 5 5 5"), HarmonicNode.parse("3/4"), ORDER);
        assertThat(refused(intro().before(project(song)).withLock(high))).contains("the fingerboard ends at 20");
    }

    private static String refused(Project project) {
        return Solve.of(project).findings().stream()
                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .findFirst()
                .orElseThrow()
                .message();
    }

    /** Harmonics put where they cannot be, by hand. */
    @Property
    void harmonicsThatCannotBeAreFound(@ForAll long seed) {
        Arrangement good = Solve.of(project(Songs.random(seed, 3)));
        List<ArrangedNote> notes = new ArrayList<>(good.notes());
        ArrangedNote first = notes.get(0);
        notes.set(0, first.pluckedBy(Digit.I).struck(new Attack.Touched(HarmonicNode.OCTAVE, false), first.weight()));
        assertThat(message(good, notes)).contains("touched and plucked by the index");
        notes.set(
                0, first.pluckedBy(Digit.P).struck(new Attack.Touched(new HarmonicNode(6, 7), false), first.weight()));
        assertThat(message(good, notes)).contains("beyond the end of the fingerboard");
        notes.set(
                0, first.pluckedBy(Digit.P).struck(new Attack.Touched(new HarmonicNode(1, 8), false), first.weight()));
        notes.removeIf(note -> note.tick() == first.tick() && note.string() != first.string());
        assertThat(message(good, notes)).contains("too weak to be heard");
        notes.add(1, first(notes, first));
        assertThat(message(good, notes)).contains("needs the index, which plucks another string");
    }

    private static ArrangedNote first(List<ArrangedNote> notes, ArrangedNote beside) {
        int string = beside.string() == 1 ? 2 : 1;
        return new ArrangedNote(
                beside.tick(),
                1,
                1,
                string,
                0,
                Instrument.STANDARD.midi(string, 0),
                Role.INNER,
                Optional.empty(),
                Digit.I);
    }

    private static String message(Arrangement good, List<ArrangedNote> notes) {
        Arrangement spoilt = good.coloured(notes, good.holds(), List.of(), List.of());
        return Audit.of(spoilt).findings(spoilt).stream()
                .filter(finding -> finding.kind() == FindingKind.HARMONIC_CONFLICT)
                .findFirst()
                .orElseThrow()
                .message();
    }
}

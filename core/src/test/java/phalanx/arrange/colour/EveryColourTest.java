package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Shape;
import phalanx.project.CascadeIntro;
import phalanx.project.Project;
import phalanx.project.Setup;
import phalanx.project.Solve;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.HarmonicNode;
import phalanx.technique.SlurKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Pitch;

/** Songs with groove, slurs and harmonics at once, replayed hand by hand; 300 of them in the deep run. */
class EveryColourTest {
    private static final int SONGS = Boolean.getBoolean("phalanx.deep") ? 300 : 12;

    private static Project project(long seed, boolean coloured) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 6).withTempo(70 + random.nextInt(130));
        Optional<Groove> groove = Grooves.shipped().all().stream()
                .filter(one -> one.fits(song.bars().get(1)))
                .skip(random.nextInt(2))
                .findFirst();
        Picking.Plan plan = new Picking.Plan(
                Optional.empty(),
                BassLine.values()[random.nextInt(BassLine.values().length)],
                Level.values()[random.nextInt(3)],
                Picking.PLAIN.plan().strings(),
                coloured ? groove : Optional.empty());
        Project project = Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE))
                .withPicking(Picking.PLAIN.withPlan(plan))
                .withWishes(Wishes.USUAL.withSlurs(coloured));
        if (song.bars().get(0).number() == 0) {
            return project;
        }
        int fret = 3 + random.nextInt(5);
        var barre = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse((fret + " ").repeat(6).trim()))
                .get(0)
                .held();
        HarmonicNode node = new HarmonicNode(1, 2 + random.nextInt(3));
        String order = random.nextBoolean() ? "4 6* 3 5* 2 4* 1 3*" : "6* 4+2 5* 3+2 4* 2+1 3* 1+2";
        if (coloured) {
            // a step above every fifth note
            project = project.withSong(graced(song));
        }
        Project begun = new CascadeIntro(ChordSymbol.parse("Am7"), barre, node, order).before(project);
        for (MelodyNote note : begun.song().melody()) {
            if (random.nextInt(3) == 0) {
                AttackLock.Way way = List.of(
                                AttackLock.Way.HARMONIC,
                                AttackLock.Way.BENT,
                                AttackLock.Way.VIBRATO,
                                AttackLock.Way.SHIFTED)
                        .get(random.nextInt(4));
                begun = begun.withLock(new AttackLock(note.tick(), Role.MELODY, way));
            }
        }
        return begun;
    }

    private static Song graced(Song song) {
        List<MelodyNote> tune = new ArrayList<>(song.melody());
        for (int i = 0; i < tune.size(); i += 5) {
            MelodyNote note = tune.get(i);
            tune.set(i, note.graced(List.of(Pitch.of(note.midi() + 2, song.key()))));
        }
        return song.withMelody(tune);
    }

    private static List<String> tune(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(note -> note.tick() + " " + note.midi() + " " + note.lengthTicks())
                .toList();
    }

    /** A finger rocks on one string for a third of a second: the least that is heard as vibrato, common practice. */
    private static void replayVibrato(Arrangement arrangement, ArrangedNote note) {
        assertThat(note.fret()).isPositive();
        assertThat(note.left()).isNotEqualTo(Optional.of(Finger.THUMB));
        assertThat(note.lengthTicks()
                        * 60_000.0
                        / (Ticks.QUARTER * arrangement.song().tempo()))
                .isGreaterThanOrEqualTo(300);
        assertThat(arrangement.holds())
                .filteredOn(hold -> hold.press().finger() == note.left().orElseThrow()
                        && hold.tick() <= note.tick()
                        && hold.endTick() > note.tick())
                .allMatch(hold -> hold.press().strings().size() == 1);
    }

    @Test
    void bothHandsCanPlayThemAll() {
        int slurs = 0;
        int hits = 0;
        int touched = 0;
        int natural = 0;
        int bent = 0;
        int wavering = 0;
        int graced = 0;
        int arrived = 0;
        for (long seed = 0; seed < SONGS; seed++) {
            Arrangement arrangement = new Solve().quick(project(seed, true), () -> false);
            for (var hit : arrangement.hits()) {
                HitsTest.replay(arrangement, hit);
                hits++;
            }
            Set<Integer> index = new HashSet<>();
            for (ArrangedNote note : arrangement.notes()) {
                if (note.attack() instanceof Attack.Slur slur) {
                    SlursTest.replay(arrangement, note, slur.kind());
                    slurs++;
                    bent += slur.kind() == SlurKind.BEND ? 1 : 0;
                } else if (note.attack() instanceof Attack.Graced before) {
                    GraceTest.replay(arrangement, note, before);
                    graced++;
                } else if (note.attack().equals(Attack.VIBRATO)) {
                    replayVibrato(arrangement, note);
                    wavering++;
                } else if (note.attack().equals(Attack.ARRIVED)) {
                    SlursTest.replayShift(arrangement, note);
                    arrived++;
                } else if (note.right() == Digit.I) {
                    index.add(note.tick());
                }
            }
            for (ArrangedNote note : arrangement.notes()) {
                if (note.attack() instanceof Attack.Touched && note.fret() == 0) {
                    HarmonicsTest.replay(arrangement, note);
                    natural++;
                } else if (note.attack() instanceof Attack.Touched) {
                    assertThat(index).as("seed " + seed).doesNotContain(note.tick());
                    touched++;
                }
            }
            // no tune note is lost, moved or shortened by a colour
            Arrangement plain = new Solve().quick(project(seed, false), () -> false);
            assertThat(tune(arrangement)).as("seed " + seed).isEqualTo(tune(plain));
            assertThat(arrangement.findings())
                    .as("seed " + seed)
                    .extracting(Finding::kind)
                    .doesNotContain(
                            FindingKind.HIT_CONFLICT,
                            FindingKind.HIT_TOO_FAST,
                            FindingKind.DAMPED_NOTE,
                            FindingKind.SLUR_CONFLICT,
                            FindingKind.SLUR_TOO_FAST,
                            FindingKind.HARMONIC_CONFLICT);
        }
        assertThat(List.of(hits, touched)).allMatch(count -> count > SONGS);
        assertThat(List.of(slurs, natural, bent, wavering, graced, arrived)).allMatch(count -> count > 0);
    }
}

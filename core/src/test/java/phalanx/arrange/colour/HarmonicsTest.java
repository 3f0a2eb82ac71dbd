package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.HarmonicNode;
import phalanx.technique.HitKind;

/** Tune notes as natural harmonics and bends: an independent replay of both hands. */
class HarmonicsTest {
    /** Semitones of the second to sixth partial above the open string, to the nearest: physics of the ideal string. */
    private static final Map<Integer, Integer> SEMITONES = Map.of(2, 12, 3, 19, 4, 24, 5, 28, 6, 31);

    private static Arrangement arranged(Song song, Octave octave, List<AttackLock> locks) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL.withOctave(octave), locks, () -> false);
    }

    /** A natural harmonic by the holds, digits and hits alone. */
    static void replay(Arrangement arrangement, ArrangedNote note) {
        Attack.Touched touched = (Attack.Touched) note.attack();
        HarmonicNode node = touched.node();
        String what = touched + " of " + note;
        int open = arrangement.request().instrument().midi(note.string(), 0);
        assertThat(note.midi()).as(what).isEqualTo(open + SEMITONES.get(node.n()));
        // the node is where the rest of the string is a whole number of n-ths, and has a fret near it
        double rest = Math.pow(2, -node.frets() / 12);
        assertThat(rest * node.n()).as(what).isCloseTo(Math.round(rest * node.n()), within(1e-9));
        assertThat(node.frets())
                .as(what)
                .isLessThanOrEqualTo(arrangement.request().instrument().highestFret());
        assertThat(note.left()).as(what).isEmpty();
        for (Hold hold : arrangement.holds()) {
            boolean there = hold.tick() < note.endTick() && hold.endTick() > note.tick();
            assertThat(there && hold.press().strings().contains(note.string()))
                    .as(what + " under " + hold)
                    .isFalse();
            if (touched.left()) {
                assertThat(hold.tick() <= note.tick() && hold.endTick() > note.tick())
                        .as(what + " beside " + hold)
                        .isFalse();
            }
        }
        for (ArrangedNote other : arrangement.notes()) {
            if (other.tick() == note.tick() && !touched.left()) {
                assertThat(other.right()).as(what).isNotEqualTo(Digit.I);
            }
            if (other != note && other.string() == note.string()) {
                assertThat(other.tick() < note.endTick() && other.endTick() > note.tick())
                        .as(what + " over " + other)
                        .isFalse();
            }
        }
        double quarterMs = 60_000.0 / arrangement.song().tempo();
        assertThat(arrangement.hits()).as(what).noneMatch(hit -> {
            boolean tap = hit.kind().side() == HitKind.Side.LEFT;
            double awayMs = Math.abs(hit.tick() - note.tick()) * quarterMs / Ticks.QUARTER;
            // a left hand that taps comes to the neck in 160 ms
            return tap && touched.left() ? awayMs < 160 : hit.tick() == note.tick() && tap == touched.left();
        });
    }

    private static List<String> tune(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(note -> note.tick() + " " + note.midi() + " " + note.lengthTicks())
                .toList();
    }

    /** Whatever is asked for is there or said; the tune stays what it was, and so does what it cost. */
    @Property
    void whatIsAskedForIsPlayedOrSaid(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 5).withTempo(60 + random.nextInt(140));
        Octave octave = random.nextBoolean() ? Octave.BEST : Octave.UP;
        Arrangement plain = arranged(song, octave, List.of());
        List<AttackLock> locks = new ArrayList<>();
        for (ArrangedNote note : plain.notes()) {
            if (note.role() == Role.MELODY && random.nextInt(2) == 0) {
                AttackLock.Way way = random.nextInt(3) > 0 ? AttackLock.Way.HARMONIC : AttackLock.Way.BENT;
                locks.add(new AttackLock(note.tick(), Role.MELODY, way));
            }
        }
        Arrangement coloured = arranged(song, octave, locks);
        int made = 0;
        for (ArrangedNote note : coloured.notes()) {
            if (note.attack() instanceof Attack.Touched) {
                replay(coloured, note);
                made++;
            } else if (note.attack() instanceof Attack.Slur slur) {
                SlursTest.replay(coloured, note, slur.kind());
                made++;
            }
        }
        assertThat(tune(coloured)).isEqualTo(tune(plain));
        assertThat(coloured.cost()).isEqualTo(plain.cost());
        long left = coloured.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .count();
        assertThat(made + left).isEqualTo(locks.size());
        assertThat(coloured.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.HARMONIC_CONFLICT, FindingKind.SLUR_CONFLICT);
    }

    /** What is said of one note alone comes true. */
    @Property
    void whatIsSaidOfANoteComesTrue(@ForAll long seed) {
        Song song = Songs.random(seed, 4);
        Arrangement plain = arranged(song, Octave.UP, List.of());
        AttackAdvice advice = new AttackAdvice(plain);
        for (AttackLock.Way way : List.of(AttackLock.Way.HARMONIC, AttackLock.Way.BENT)) {
            Optional<ArrangedNote> note = plain.notes().stream()
                    .filter(one -> one.role() == Role.MELODY
                            && advice.refusal(one, way).isEmpty())
                    .skip(new Random(seed).nextInt(4))
                    .findFirst();
            note.ifPresent(one -> {
                Arrangement made = arranged(song, Octave.UP, List.of(new AttackLock(one.tick(), Role.MELODY, way)));
                ArrangedNote now = made.notes().stream()
                        .filter(other -> other.tick() == one.tick() && other.role() == Role.MELODY)
                        .findFirst()
                        .orElseThrow();
                assertThat(
                                way == AttackLock.Way.BENT
                                        ? now.attack().equals(Attack.BEND)
                                        : now.attack() instanceof Attack.Touched)
                        .isTrue();
                assertThat(advice.words(one, way).orElseThrow())
                        .contains(way == AttackLock.Way.BENT ? "fret " + now.fret() : "string " + now.string());
            });
        }
    }

    /** A held fret under a harmonic, and a left hand that is elsewhere, are findings. */
    @Test
    void whatCannotRingIsFound() {
        Song song = Songs.random(4, 4);
        Arrangement plain = arranged(song, Octave.UP, List.of());
        ArrangedNote note = plain.notes().stream()
                .filter(one -> one.role() == Role.MELODY)
                .findFirst()
                .orElseThrow();
        Hold barre = new Hold(note.tick(), note.endTick(), new Press(Finger.INDEX, 5, 6, 1));
        for (boolean left : new boolean[] {true, false}) {
            List<ArrangedNote> notes = new ArrayList<>(plain.notes());
            notes.set(
                    notes.indexOf(note),
                    new ArrangedNote(
                            note.tick(),
                            note.lengthTicks(),
                            note.wantedTicks(),
                            note.string(),
                            0,
                            note.midi(),
                            note.role(),
                            Optional.empty(),
                            Digit.M,
                            new Attack.Touched(HarmonicNode.OCTAVE, left),
                            note.weight()));
            Arrangement wrong = plain.coloured(notes, List.of(barre), List.of(), List.of());
            assertThat(Audit.of(wrong).findings(wrong))
                    .filteredOn(finding -> finding.kind() == FindingKind.HARMONIC_CONFLICT)
                    .extracting(Finding::message)
                    .singleElement()
                    .asString()
                    .contains("finger 1 stops string " + note.string());
        }
    }
}

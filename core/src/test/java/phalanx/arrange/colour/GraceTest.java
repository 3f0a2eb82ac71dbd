package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
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
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Pitch;

/** Grace notes of a tune and slides into notes, replayed by what the left hand presses alone. */
class GraceTest {
    private static Arrangement arranged(Song song, List<AttackLock> locks) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL.withOctave(Octave.AS_WRITTEN), locks, () -> false);
    }

    private static Song graced(Song song, int tuneNote, String... graces) {
        List<MelodyNote> tune = new ArrayList<>(song.melody());
        List<Pitch> pitches = List.of(graces).stream().map(Pitch::parse).toList();
        tune.set(tuneNote, tune.get(tuneNote).graced(pitches));
        return song.withMelody(tune);
    }

    private static ArrangedNote tuneAt(Arrangement arrangement, int tuneNote) {
        int tick = arrangement.song().melody().get(tuneNote).tick();
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY && note.tick() == tick)
                .findFirst()
                .orElseThrow();
    }

    /** The fret that a string sounds at: the highest that is pressed on it. */
    private static int sounds(Arrangement arrangement, int string, int tick) {
        return arrangement.holds().stream()
                .filter(hold -> hold.tick() <= tick
                        && tick < hold.endTick()
                        && hold.press().covers(string))
                .mapToInt(hold -> hold.press().fret())
                .max()
                .orElse(0);
    }

    /** Each fret in its time, then the note's own; a lower one is down before it is pulled off to, and all is in reach. */
    static void replay(Arrangement arrangement, ArrangedNote note, Attack.Graced graced) {
        int step = graced.stepTicks(arrangement.song().tempo());
        List<Integer> frets = new ArrayList<>(graced.frets());
        frets.add(note.fret());
        for (int i = 0; i < frets.size(); i++) {
            int from = note.tick() + i * step;
            int to = i < graced.frets().size() ? from + step : note.endTick();
            assertThat(sounds(arrangement, note.string(), from))
                    .as("step " + i + " of " + note)
                    .isEqualTo(frets.get(i));
            assertThat(sounds(arrangement, note.string(), to - 1))
                    .as("end of " + i + " of " + note)
                    .isEqualTo(frets.get(i));
            if (i > 0 && frets.get(i) < frets.get(i - 1) && frets.get(i) > 0 && !graced.slid()) {
                int lower = frets.get(i);
                assertThat(arrangement.holds())
                        .as("ready for the pull to fret " + lower)
                        .anyMatch(hold -> hold.tick() < from
                                && hold.endTick() > from
                                && hold.press().fret() == lower
                                && hold.press().covers(note.string()));
            }
        }
        assertThat(note.lengthTicks()).isGreaterThanOrEqualTo(2 * (frets.size() - 1) * step);
        for (int tick = note.tick();
                tick <= note.tick() + graced.ticks(arrangement.song().tempo());
                tick += step / 2) {
            Map<Finger, Press> down = new EnumMap<>(Finger.class);
            for (Hold hold : arrangement.holds()) {
                if (hold.tick() <= tick && tick < hold.endTick()) {
                    assertThat(down.put(hold.press().finger(), hold.press()))
                            .as("one finger twice")
                            .isNull();
                }
            }
            Fingering all = new Fingering(List.copyOf(down.values()));
            all.reaches(Instrument.STANDARD)
                    .forEach((pair, mm) -> assertThat(mm).isLessThanOrEqualTo(Hand.AVERAGE.greatestMm(pair)));
        }
        if (graced.slid()) {
            assertThat(graced.frets().get(0)).isPositive();
        }
    }

    /** Graces a step or two away before a third of the notes: played, or left out and said; the tune stays what it was. */
    @Property
    void whatIsPlayedCanBeAndTheRestIsSaid(@ForAll long seed) {
        Random random = new Random(seed);
        Song plain = Songs.random(seed, 6).withTempo(60 + random.nextInt(140));
        List<MelodyNote> tune = new ArrayList<>();
        int wanted = 0;
        for (MelodyNote note : plain.melody()) {
            List<Pitch> graces = new ArrayList<>();
            for (int i = random.nextInt(3) == 0 ? 1 + random.nextInt(2) : 0; i > 0; i--) {
                int off = 1 + random.nextInt(3);
                graces.add(Pitch.of(note.midi() + (random.nextBoolean() ? off : -off), plain.key()));
            }
            wanted += graces.size();
            tune.add(note.graced(graces));
        }
        Arrangement without = arranged(plain, List.of());
        Arrangement with = arranged(plain.withMelody(tune), List.of());
        assertThat(with.cost()).isEqualTo(without.cost());
        int played = 0;
        for (int i = 0; i < with.notes().size(); i++) {
            ArrangedNote note = with.notes().get(i);
            assertThat(note.struck(Attack.PLUCK, note.weight()))
                    .isEqualTo(without.notes().get(i).struck(Attack.PLUCK, note.weight()));
            if (note.attack() instanceof Attack.Graced graced) {
                replay(with, note, graced);
                played += graced.frets().size();
                List<Integer> asked = with.song().melodyBetween(note.tick(), note.tick() + 1).get(0).graces().stream()
                        .map(Pitch::midi)
                        .toList();
                assertThat(note.graces(Instrument.STANDARD))
                        .isEqualTo(asked.subList(asked.size() - graced.frets().size(), asked.size()));
            }
        }
        double left = with.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.GRACE_LEFT)
                .mapToDouble(Finding::measured)
                .sum();
        long lost = with.song().melody().stream()
                .filter(note -> with.notes().stream()
                        .noneMatch(one ->
                                one.role() == Role.MELODY && one.tick() == note.tick() && one.midi() == note.midi()))
                .mapToLong(note -> note.graces().size())
                .sum();
        assertThat(played + left + lost).isEqualTo(wanted);
        assertThat(with.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.FINGER_CONFLICT, FindingKind.SLUR_CONFLICT, FindingKind.STRING_CLASH);
    }

    /** Most of those a player would write down: the next note of the key above, over open chords. */
    @Test
    void aGraceFromTheNoteAboveIsPulledOff() {
        Song song = Songs.of("G", Meter.COMMON, "G C G D G", "B4:2 A4:2 C5:4 B4:2 D5:2 A4:4 G4:4")
                .withTempo(90);
        List<MelodyNote> tune = new ArrayList<>();
        for (MelodyNote note : song.melody()) {
            int above = note.midi() + 1;
            while ((song.key().pitchClasses() >> above % 12 & 1) == 0) {
                above++;
            }
            tune.add(note.graced(List.of(Pitch.of(above, song.key()))));
        }
        Arrangement arrangement = arranged(song.withMelody(tune), List.of());
        long played = arrangement.notes().stream()
                .filter(note -> note.attack() instanceof Attack.Graced)
                .peek(note -> replay(arrangement, note, (Attack.Graced) note.attack()))
                .count();
        assertThat(played).isGreaterThanOrEqualTo(6);
    }

    /** B is open on string 2: a finger that leaves the first fret, a mordent of both, and from the open string up. */
    @Test
    void fingersComeDownAndLeave() {
        Song song = Songs.of("C", Meter.COMMON, "G C", "B3:4 C4:4").withTempo(90);
        Arrangement pulled = arranged(graced(song, 0, "C4"), List.of());
        assertThat(tuneAt(pulled, 0).attack()).isEqualTo(new Attack.Graced(List.of(1), false));
        assertThat(new Attack.Graced(List.of(1), false).figures(0)).isEqualTo("1p");
        Arrangement turned = arranged(graced(song, 0, "B3", "C4"), List.of());
        assertThat(tuneAt(turned, 0).attack()).isEqualTo(new Attack.Graced(List.of(0, 1), false));
        replay(turned, tuneAt(turned, 0), (Attack.Graced) tuneAt(turned, 0).attack());
        Arrangement hammered = arranged(graced(song, 1, "B3"), List.of());
        ArrangedNote note = tuneAt(hammered, 1);
        assertThat(note.attack()).isEqualTo(new Attack.Graced(List.of(0), false));
        assertThat(((Attack.Graced) note.attack()).kind(0, note.fret())).isEqualTo(SlurKind.HAMMER);
        int down = hammered.holds().stream()
                .filter(hold ->
                        hold.press().covers(note.string()) && hold.press().fret() == note.fret())
                .filter(hold -> hold.endTick() > note.tick())
                .mapToInt(Hold::tick)
                .min()
                .orElseThrow();
        // 70 ms at 90 quarters a minute are 176 of 1,680 ticks
        assertThat(down - note.tick()).isEqualTo(176);
    }

    @Test
    void whatCannotBeIsSaidWithItsReason() {
        Song song = Songs.of("C", Meter.COMMON, "C", "G4:0.25 E4:3.75").withTempo(120);
        Arrangement arrangement = arranged(graced(graced(song, 0, "A4"), 1, "E5"), List.of());
        assertThat(arrangement.notes()).noneMatch(note -> note.attack() instanceof Attack.Graced);
        assertThat(arrangement.findings())
                .filteredOn(finding -> finding.kind() == FindingKind.GRACE_LEFT)
                .extracting(Finding::message)
                .anyMatch(words -> words.contains("A4") && words.contains("it rings 125 ms and needs 140"))
                .anyMatch(words -> words.contains("E5") && words.contains("no free finger"))
                .hasSize(2);
        MelodyNote note = song.melody().get(1);
        Arrangement plucked = arranged(
                graced(song, 1, "E5"), List.of(new AttackLock(note.tick(), Role.MELODY, AttackLock.Way.PLUCKED)));
        assertThat(plucked.findings()).noneMatch(finding -> finding.kind() == FindingKind.GRACE_LEFT);
    }

    /** The finger comes from two frets below where it can; on an open string there is none. */
    @Test
    void aFingerSlidesIntoANote() {
        Song song = Songs.of("C", Meter.COMMON, "Em Am", "G4:4 E4:4").withTempo(90);
        MelodyNote stopped = song.melody().get(0);
        MelodyNote open = song.melody().get(1);
        Arrangement arrangement = arranged(
                song,
                List.of(
                        new AttackLock(stopped.tick(), Role.MELODY, AttackLock.Way.SLID_INTO),
                        new AttackLock(open.tick(), Role.MELODY, AttackLock.Way.SLID_INTO)));
        ArrangedNote note = tuneAt(arrangement, 0);
        assertThat(note.attack()).isInstanceOf(Attack.Graced.class);
        Attack.Graced graced = (Attack.Graced) note.attack();
        assertThat(graced.slid()).isTrue();
        assertThat(note.fret() - graced.frets().get(0)).isBetween(1, 2);
        replay(arrangement, note, graced);
        assertThat(new AttackAdvice(arranged(song, List.of()))
                        .words(tuneAt(arranged(song, List.of()), 0), AttackLock.Way.SLID_INTO))
                .contains("slide from fret " + graced.frets().get(0));
        if (tuneAt(arrangement, 1).fret() == 0) {
            assertThat(arrangement.findings())
                    .filteredOn(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                    .extracting(Finding::message)
                    .anyMatch(words -> words.contains("its string is open"));
        }
        assertThat(Optional.of(tuneAt(arrangement, 1).attack()))
                .contains(tuneAt(arranged(song, List.of()), 1).attack());
    }
}

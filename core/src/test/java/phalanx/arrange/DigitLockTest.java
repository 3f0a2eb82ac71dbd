package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.technique.Attack;

/** The digit that a player gives a note plucks it, or it is said why not; the left hand does what it did. */
class DigitLockTest {
    private static final Arranger ARRANGER = new Arranger(Instrument.STANDARD, Hand.AVERAGE);

    private static Arrangement arranged(Song song, Picking picking, List<Lock> locks) {
        return ARRANGER.quick(song, picking, Wishes.USUAL.withSlurs(true), locks, () -> false);
    }

    private static List<?> places(Arrangement arrangement) {
        return arrangement.notes().stream()
                .map(note -> List.of(note.tick(), note.string(), note.fret(), note.left()))
                .toList();
    }

    /** Of several inner notes at once the one on the highest string. */
    private static Optional<ArrangedNote> note(Arrangement arrangement, DigitLock lock) {
        return arrangement.notes().stream()
                .filter(note -> note.tick() == lock.tick() && note.role() == lock.role())
                .min((one, other) -> one.string() - other.string());
    }

    @Property(tries = 8)
    void eachDecisionIsKeptOrSaid(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 4);
        Picking picking = Picking.PLAIN.withSchool(School.values()[random.nextInt(School.values().length)]);
        Arrangement before = arranged(song, picking, List.of());
        List<Digit> digits = picking.school().digits();
        List<Lock> locks = new ArrayList<>();
        Set<Integer> ticks = new HashSet<>();
        for (ArrangedNote note : before.notes()) {
            if (random.nextInt(6) == 0 && ticks.add(note.tick())) {
                locks.add(new DigitLock(note.tick(), note.role(), digits.get(random.nextInt(digits.size()))));
            }
        }
        Arrangement after = arranged(song, picking, locks);
        assertThat(places(after)).isEqualTo(places(before));
        for (Lock lock : locks) {
            DigitLock own = (DigitLock) lock;
            Set<String> said = after.findings().stream()
                    .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT && finding.tick() == own.tick())
                    .map(Finding::message)
                    .collect(Collectors.toSet());
            ArrangedNote note = note(after, own).orElseThrow();
            assertThat(note.attack())
                    .as("what a digit plucks is not slurred unasked")
                    .isNotInstanceOf(Attack.Slur.class);
            boolean kept = note.right() == own.digit();
            assertThat(said.isEmpty()).as("%s: %s", own.words(), said).isEqualTo(kept);
            long together = after.notes().stream()
                    .filter(one -> one.tick() == own.tick())
                    .count();
            assertThat(kept || together > 1)
                    .as("alone it is always kept: %s", own.words())
                    .isTrue();
        }
        List<ArrangedNote> plucked = after.notes().stream()
                .filter(note -> !(note.attack() instanceof Attack.Slur))
                .toList();
        for (ArrangedNote note : plucked) {
            assertThat(plucked)
                    .as("digits that pluck at once stand in the order of their strings")
                    .noneMatch(other -> other.tick() == note.tick()
                            && other.string() < note.string()
                            && other.right().compareTo(note.right()) < 0);
        }
    }

    @Example
    void aBassNoteMayBeAFingersAndADigitThatTheHandLacksIsSaid() {
        Song song = Songs.random(3, 4);
        ArrangedNote bass = arranged(song, Picking.PLAIN, List.of()).notes().stream()
                .filter(note -> note.role() == Role.BASS)
                .findFirst()
                .orElseThrow();
        DigitLock finger = new DigitLock(bass.tick(), Role.BASS, Digit.I);
        assertThat(note(arranged(song, Picking.PLAIN, List.of(finger)), finger))
                .get()
                .extracting(ArrangedNote::right)
                .isEqualTo(Digit.I);
        DigitLock little = new DigitLock(bass.tick(), Role.BASS, Digit.C);
        assertThat(arranged(song, Picking.PLAIN, List.of(little)).findings())
                .anyMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT
                        && finding.message().contains("this right hand plays without it"));
    }
}

package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;

/** Places and limits that the player decides: kept or said, the rest solved around them. */
class PinsTest {
    private static final Wishes AS_WRITTEN = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);

    private static Arrangement arranged(Song song, List<? extends Lock> locks) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(song, Picking.PLAIN, AS_WRITTEN, locks, () -> false);
    }

    private static List<String> astray(Arrangement arrangement) {
        return arrangement.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .map(Finding::message)
                .toList();
    }

    private static List<String> tune(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(note -> note.tick() + " " + note.midi())
                .toList();
    }

    /** Each decision is kept or said to be left, no tune note is lost to it, and what is free is never cheaper decided. */
    @Property
    void decisionsAreKeptOrSaid(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 4);
        Arrangement free = arranged(song, List.of());
        List<Lock> locks = new ArrayList<>();
        for (ArrangedNote note : free.notes()) {
            if (note.role() != Role.INNER && random.nextInt(4) == 0) {
                Optional<Finger> finger =
                        random.nextInt(3) == 0 ? Optional.of(Finger.values()[random.nextInt(4)]) : Optional.empty();
                int string = Math.max(1, Math.min(6, note.string() + random.nextInt(3) - 1));
                locks.add(new PlaceLock(note.tick(), note.role(), string, finger));
            }
        }
        int end = song.bars().get(1).endTick();
        if (random.nextBoolean()) {
            locks.add(new LimitLock(0, end, OptionalInt.of(3 + random.nextInt(5)), random.nextBoolean()));
        }
        Arrangement pinned = arranged(song, locks);
        int left = 0;
        for (Lock lock : locks) {
            if (lock instanceof PlaceLock place) {
                boolean kept = pinned.notes().stream()
                        .filter(note -> note.tick() == place.tick() && note.role() == place.role())
                        .anyMatch(note -> note.string() == place.string()
                                && (note.fret() == 0
                                        || place.finger().isEmpty()
                                        || note.left().equals(place.finger())));
                left += kept ? 0 : 1;
            } else if (lock instanceof LimitLock limit) {
                boolean kept = pinned.holds().stream()
                        .filter(hold -> hold.tick() < limit.endTick())
                        .allMatch(hold -> hold.press().fret()
                                        <= limit.highestFret().getAsInt()
                                && !(limit.noBarre() && hold.press().strings().size() > 1));
                left += kept ? 0 : 1;
            }
        }
        assertThat(astray(pinned)).as("seed " + seed).hasSize(left);
        assertThat(tune(pinned)).isEqualTo(tune(free));
        assertThat(pinned.cost().compareTo(free.cost())).isNotNegative();
        // what is found already is free to decide
        List<PlaceLock> same = free.notes().stream()
                .filter(note -> note.role() != Role.INNER)
                .map(note -> new PlaceLock(note.tick(), note.role(), note.string(), note.left()))
                .toList();
        Arrangement again = arranged(song, same);
        assertThat(astray(again)).isEmpty();
        assertThat(again.cost()).isEqualTo(free.cost());
    }

    /** As many inner notes begin at a place as were decided, or it is said; what sounds elsewhere stays asked for. */
    @Property
    void innerNotesComeAndGoAsDecided(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 4);
        Arrangement free = arranged(song, List.of());
        List<Integer> ticks =
                free.notes().stream().map(ArrangedNote::tick).distinct().toList();
        List<InnerLock> locks = ticks.stream()
                .filter(tick -> random.nextInt(3) == 0)
                .map(tick -> new InnerLock(tick, random.nextInt(3)))
                .toList();
        Arrangement decided = arranged(song, locks);
        List<InnerLock> left = locks.stream()
                .filter(lock -> inner(decided, lock.tick()) != lock.notes())
                .toList();
        assertThat(astray(decided)).as("seed " + seed).hasSize(left.size());
        // what goes away is never in the way
        assertThat(left).noneMatch(lock -> inner(decided, lock.tick()) > lock.notes());
        // there are only so many digits, and so many strings with a tone of the chord in reach
        assertThat(left)
                .allMatch(
                        lock -> lock.notes() > inner(free, lock.tick()) || inner(decided, lock.tick()) < lock.notes());
        assertThat(tune(decided)).isEqualTo(tune(free));
        List<InnerLock> same = ticks.stream()
                .map(tick -> new InnerLock(tick, inner(free, tick)))
                .toList();
        assertThat(astray(arranged(song, same))).isEmpty();
    }

    private static int inner(Arrangement arrangement, int tick) {
        return (int) arrangement.notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                .count();
    }

    /** Under a long tune note over C two notes come on the third beat and none on the second. */
    @Test
    void twoInnerNotesAreAddedAndOneDropped() {
        Song song = Songs.of("C", Meter.COMMON, "C", "E4:4");
        Arrangement free = arranged(song, List.of());
        int third = 2 * Ticks.QUARTER;
        int first = free.notes().stream()
                .filter(note -> note.role() == Role.INNER && note.tick() != third)
                .findFirst()
                .orElseThrow()
                .tick();
        Arrangement decided = arranged(song, List.of(new InnerLock(third, 2), new InnerLock(first, 0)));
        assertThat(inner(decided, third)).isEqualTo(2);
        assertThat(inner(decided, first)).isZero();
        assertThat(astray(decided)).isEmpty();
        assertThat(astray(arranged(song, List.of(new InnerLock(third, 4)))))
                .singleElement()
                .asString()
                .contains("4 inner notes", "no digit");
    }

    /** E4 goes to string 2, fret 5, and there by finger 4; no barre over F takes its barre away. */
    @Test
    void aNoteIsMovedAndABarreGivenUp() {
        Song song = Songs.of("C", Meter.COMMON, "C F", "E4:4 F4:4");
        Arrangement moved = arranged(song, List.of(new PlaceLock(0, Role.MELODY, 2, Optional.of(Finger.LITTLE))));
        ArrangedNote first = moved.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .findFirst()
                .orElseThrow();
        assertThat(first.string()).isEqualTo(2);
        assertThat(first.fret()).isEqualTo(5);
        assertThat(first.left()).contains(Finger.LITTLE);
        assertThat(astray(moved)).isEmpty();
        Arrangement low = arranged(song, List.of(new LimitLock(0, song.endTick(), OptionalInt.empty(), true)));
        assertThat(low.holds()).noneMatch(hold -> hold.press().isBarre());
        assertThat(astray(low)).isEmpty();
        // a string that has not the note
        assertThat(astray(arranged(song, List.of(new PlaceLock(0, Role.MELODY, 1, Optional.of(Finger.RING))))))
                .isEmpty();
        assertThat(astray(arranged(song, List.of(new PlaceLock(0, Role.BASS, 1, Optional.empty())))))
                .singleElement()
                .asString()
                .contains("the bass note on string 1", "Release it");
    }
}

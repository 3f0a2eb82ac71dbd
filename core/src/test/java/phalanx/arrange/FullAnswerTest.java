package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import phalanx.arrange.advice.FasterWay;
import phalanx.arrange.advice.FasterWays;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.Arrangement;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.righthand.Picking;
import phalanx.song.Song;
import phalanx.song.Songs;

/** What a full answer is beside a quick one, and what its figures say. */
class FullAnswerTest {
    @Test
    void theFullAnswerIsNeverDearerAndKeepsTheTune() {
        double quick = 0;
        double full = 0;
        for (long seed = 0; seed < 8; seed++) {
            Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
            Arrangement first = arranger.quick(Songs.random(seed, 8), Picking.PLAIN, List.of(), () -> false);
            Arrangement then = arranger.full(() -> false);
            assertThat(then.cost()).isLessThanOrEqualTo(first.cost());
            quick += first.effort();
            full += then.effort();
        }
        assertThat(quick).isLessThan(1.03 * full);
    }

    /** The figures shown add up: terms to the effort, slots to the song. */
    @Test
    void everyFigureIsATermAndTheyAddUp() {
        for (long seed = 20; seed < 26; seed++) {
            Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(Songs.random(seed, 6), Picking.PLAIN, List.of(), () -> false);
            long slots = arranged.slots().stream()
                    .mapToLong(slot -> slot.effort().grains())
                    .sum();
            assertThat(slots).isEqualTo(arranged.cost().effort().grains());
            long terms = 0;
            for (Term term : Term.values()) {
                terms += Math.round(arranged.cost().effort().term(term) * phalanx.cost.Effort.GRAINS);
            }
            assertThat(terms).isEqualTo(slots);
            assertThat(arranged.notes())
                    .noneMatch(note -> note.role() == Role.MELODY
                            && note.left().filter(Finger.THUMB::equals).isPresent());
        }
    }

    /** At its ceiling an arrangement has no finding of speed, one beat a minute above it has one. */
    @Test
    void theCeilingIsTheGreatestTempoOfThisVeryArrangement() {
        for (long seed = 30; seed < 42; seed++) {
            Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(Songs.random(seed, 6), Picking.PLAIN, List.of(), () -> false);
            int ceiling = (int) Math.floor(arranged.ceiling().tempo());
            if (ceiling > Song.SLOWEST && ceiling < Song.FASTEST) {
                assertThat(tooFast(at(arranged, ceiling))).isFalse();
                assertThat(tooFast(at(arranged, ceiling + 1))).isTrue();
                assertThat(Audit.of(arranged).ceiling(at(arranged, 60)).tempo())
                        .isEqualTo(Audit.of(arranged).ceiling(at(arranged, 200)).tempo());
            }
        }
    }

    /** Where solving for a faster tempo finds one, the faster way goes as fast as it says, and costs what it says. */
    @Test
    void aFasterWayGoesFaster() {
        int found = 0;
        for (long seed = 30; seed < 36; seed++) {
            Arrangement now = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(Songs.random(seed, 4), Picking.PLAIN, List.of(), () -> false);
            Optional<FasterWay> faster = new FasterWays().find(now, () -> false);
            if (faster.isPresent()) {
                found++;
                int tempo = (int) Math.floor(faster.get().ceiling());
                assertThat(tempo).isGreaterThan((int) Math.floor(now.ceiling().tempo()));
                assertThat(tooFast(at(faster.get().arrangement(), tempo))).isFalse();
                assertThat(tooFast(at(now, tempo))).isTrue();
                assertThat(faster.get().locks()).hasSameSizeAs(now.slots());
            }
        }
        assertThat(found).isPositive();
    }

    private static boolean tooFast(Arrangement arrangement) {
        return Audit.of(arrangement).findings(arrangement).stream()
                .anyMatch(finding -> finding.kind().isOfSpeed());
    }

    private static Arrangement at(Arrangement arranged, int tempo) {
        Request request = new Request(
                arranged.song().withTempo(tempo),
                arranged.request().instrument(),
                arranged.request().hand(),
                List.of(),
                arranged.request().picking());
        return new Arrangement(
                request,
                0,
                arranged.notes(),
                arranged.holds(),
                arranged.slots(),
                arranged.innerAsked(),
                arranged.hits(),
                arranged.joining(),
                List.of(),
                arranged.cost(),
                arranged.ceiling());
    }

    /** What was given up does not stop what comes after it, though the song asks for the same. */
    @Test
    void workThatWasGivenUpDoesNotStopTheNext() {
        Song song = Songs.random(4, 4);
        AtomicBoolean givenUp = new AtomicBoolean();
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        arranger.quick(song, Picking.PLAIN, List.of(), givenUp::get);
        givenUp.set(true);
        arranger.quick(song.withTitle("Another title"), Picking.PLAIN, List.of(), () -> false);
        Arrangement full = arranger.full(() -> false);
        arranger.ready(() -> false);
        assertThat(full.song().title()).isEqualTo("Another title");
    }
}

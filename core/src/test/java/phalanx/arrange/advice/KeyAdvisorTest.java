package phalanx.arrange.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;

public class KeyAdvisorTest {
    private static final Song SONG =
            Songs.of("Ab", Meter.COMMON, "Ab Fm Db Eb7 Ab", "C5:2 Eb5:2 C5:1 Bb4:1 Ab4:2 F4:2 Ab4:2 G4:2 Bb4:2 Ab4:4");

    /** The advice on the song; both tests look at the same. */
    private static List<KeyAdvice> ways = List.of();

    private static final AtomicInteger DONE = new AtomicInteger();

    @BeforeAll
    static void advise() {
        ways = new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE)
                .advise(SONG, count -> DONE.incrementAndGet(), () -> false);
    }

    @Test
    void everyKeyAndCapoIsTriedAndTheBestOnesAreOpenShapes() {
        assertThat(ways).hasSize(KeyAdvisor.WAYS);
        assertThat(DONE).hasValue(KeyAdvisor.WAYS);
        assertThat(ways.stream().map(way -> way.capo() * 12 + way.key().tonic().pitchClass()))
                .doesNotHaveDuplicates();
        KeyAdvice best = ways.stream().min(Comparator.naturalOrder()).orElseThrow();
        KeyAdvice asEntered = ways.stream()
                .filter(way -> way.capo() == 0 && way.semitones() % 12 == 0)
                .findFirst()
                .orElseThrow();
        assertThat(best.compareTo(asEntered)).isNegative();
        // shapes of C, G, D, A and E lie in open position; common practice, no source
        assertThat(best.fingered().toString()).isIn("C", "G", "D", "A", "E");
        assertThat(best.openShare()).isGreaterThan(asEntered.openShare());
        assertThat(best.words()).contains("effort", "bpm", "% open strings");
        Effort there = best.cost().effort();
        Effort here = asEntered.cost().effort();
        Term most = Arrays.stream(Term.values())
                .max(Comparator.comparingDouble(term -> here.term(term) - there.term(term)))
                .orElseThrow();
        assertThat(best.against(asEntered, "now"))
                .hasValue(String.format(
                        "%.0f less than now, most of it \"%s\".", here.total() - there.total(), most.label()));
        assertThat(best.against(best, "now")).isEmpty();
        Arrangement taken = full(best);
        assertThat(best.cost()).as("the first place keeps its promise").isEqualTo(taken.cost());
        assertThat(best.tempoCeiling()).isEqualTo(taken.ceiling().tempo());
        assertThat(asEntered.cost())
                .as("where it is now")
                .isEqualTo(full(asEntered).cost());
    }

    /** None of the next places beats the first when all are arranged in full. */
    @Test
    void theFirstPlaceIsTheBest() {
        List<KeyAdvice> best = ways.stream().sorted().limit(12).toList();
        for (KeyAdvice way : best.subList(1, best.size())) {
            assertThat(full(way).cost()).isGreaterThan(best.get(0).cost());
        }
    }

    private static Arrangement full(KeyAdvice way) {
        return new Arranger(Instrument.STANDARD.withCapo(way.capo()), Hand.AVERAGE)
                .arrange(
                        SONG.transpose(way.semitones()),
                        Picking.PLAIN,
                        Wishes.USUAL.withOctave(Octave.AS_WRITTEN),
                        List.of(),
                        () -> false);
    }

    /** What is advised of the others is what arranging then gives, but for the candidates left aside. */
    @Test
    void adviceAgreesWithTheArrangementItStandsFor() {
        double quick = 0;
        double full = 0;
        for (KeyAdvice way : ways.subList(20, 30)) {
            Arrangement arranged = full(way);
            assertThat(arranged.movedBy()).isZero();
            assertThat(arranged.song().key()).isEqualTo(way.key());
            assertThat(arranged.cost()).isLessThanOrEqualTo(way.cost());
            // each rough answer within 20 % of the full one, all together within 7 %
            assertThat(way.cost().effort().total()).isLessThan(1.2 * arranged.effort());
            quick += way.cost().effort().total();
            full += arranged.effort();
        }
        assertThat(quick).isLessThan(1.07 * full);
    }

    /** A tune that the hand has near the end of the neck does not go along with a capo: where that would be is no fret. */
    @Test
    void whatLiesBeyondTheNeckIsNotMovedWithTheCapo() {
        Song high = Songs.of("C", Meter.COMMON, "C", "D6:2 G5:2");
        Instrument last = Instrument.STANDARD.withCapo(KeyAdvisor.HIGHEST_CAPO);
        Arrangement open = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .rough(high, Picking.PLAIN, Wishes.USUAL.withOctave(Octave.AS_WRITTEN), () -> false);
        assertThat(open.notes()).anyMatch(note -> note.fret() > last.highestFret());
        assertThat(new Arranger(last, Hand.AVERAGE).moved(open, high.transpose(KeyAdvisor.HIGHEST_CAPO)))
                .isEmpty();
    }

    /** Chords alone, held whole, have no octave to move to; the advice is for what the player wants. */
    @Test
    void adviceIsForTheWishes() {
        Song chords = Songs.of("Ab", Meter.COMMON, "Ab Eb7", "");
        Wishes wishes = Wishes.USUAL.withHighestFret(OptionalInt.of(4));
        List<KeyAdvice> found = new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE, Picking.PLAIN, wishes)
                .advise(chords, count -> {}, () -> false);
        assertThat(found).allMatch(way -> way.octave() == 0 && way.keySemitones() == way.semitones());
        KeyAdvice way = found.get(17);
        Arrangement arranged = new Arranger(Instrument.STANDARD.withCapo(way.capo()), Hand.AVERAGE)
                .quick(chords.transpose(way.keySemitones()), Picking.PLAIN, wishes, List.of(), () -> false);
        assertThat(arranged.cost()).isEqualTo(way.cost());
    }

    /** The full answer to the song as it is saves arranging it again, and changes nothing of the advice. */
    @Test
    void whatIsKnownChangesNothing() {
        Arrangement now = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(SONG);
        assertThat(now.movedBy()).as("where a slip would show").isEqualTo(-12);
        assertThat(new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE)
                        .knowing(now)
                        .advise(SONG, count -> {}, () -> false))
                .isEqualTo(ways);
    }

    @Test
    void itStopsWhenItIsCancelled() {
        assertThatThrownBy(
                        () -> new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE).advise(SONG, count -> {}, () -> true))
                .isInstanceOf(CancellationException.class);
    }
}

package phalanx.arrange.advice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.CancellationException;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.search.SolvedSong;
import phalanx.arrange.search.SongGraph;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.testing.Deep;

class OtherWaysTest {
    private static final int MOST = 4;

    private final Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);

    private List<OtherWay> at(int tick) {
        return new OtherWays(arranger, () -> false).at(tick, MOST);
    }

    /** The song's own meter, any pattern, thumb and level. */
    private static Picking picking(Song song, Random random) {
        List<Pattern> fitting = PatternLibrary.standard().all().stream()
                .filter(pattern -> pattern.meter().equals(song.bars().get(0).meter()))
                .toList();
        Optional<Pattern> pattern = fitting.isEmpty() || random.nextInt(3) == 0
                ? Optional.empty()
                : Optional.of(fitting.get(random.nextInt(fitting.size())));
        BassLine bass = BassLine.values()[random.nextInt(BassLine.values().length)];
        Level level = Level.values()[random.nextInt(Level.values().length)];
        return Picking.PLAIN.withPlan(new Picking.Plan(pattern, bass, level));
    }

    /** Two reckonings: the terms come from notes and holds where the ways differ, the sum from the path. */
    @Property
    void theTermsAddUpToWhatThePathSays(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 4 + random.nextInt(Deep.of(5, 16)));
        Arrangement chosen = arranger.arrange(song, picking(song, random), List.of(), () -> false);
        SolvedSong solved = arranger.solved().orElseThrow();
        for (int look = 0; look < 3; look++) {
            int slot = random.nextInt(chosen.slots().size());
            int tick = chosen.slots().get(slot).startTick();
            for (OtherWay way : at(tick)) {
                long path = solved.with(way.held(), solved.slotAt(tick)).orElseThrow();
                long best = solved.answer().way().cost();
                assertThat(way.more().grains()).isEqualTo(SongGraph.grains(path) - SongGraph.grains(best));
                double sum = way.more().terms().values().stream()
                        .mapToDouble(Double::doubleValue)
                        .sum();
                assertThat(sum).isCloseTo(way.moreEffort(), within(1e-9));
            }
        }
    }

    /**
     * Over one C with its third on top, players take the open shape; every other way is dearer, and none by a term that
     * speaks for it.
     */
    @Test
    void aDearerWaySaysWhatItIsDearerBy() {
        Song song = Songs.of("C", Meter.COMMON, "C C", "E4:4 E4:4");
        Arrangement chosen = arranger.arrange(song);
        assertThat(chosen.slotAt(0).held().shape().frets()).doesNotContain(7, 8, 9, 10, 12);
        List<OtherWay> ways = at(0);
        assertThat(ways).hasSize(MOST).allSatisfy(way -> {
            assertThat(way.lock().startTick()).isEqualTo(way.startTick());
            assertThat(way.endTick()).isLessThanOrEqualTo(Ticks.WHOLE);
            way.decides().ifPresent(term -> {
                double its = way.more().term(term);
                assertThat(its).isPositive();
                assertThat(way.more().terms().values()).allMatch(other -> other <= its);
            });
        });
        assertThat(ways).isSortedAccordingTo((a, b) -> Double.compare(a.moreEffort(), b.moreEffort()));
        assertThat(ways)
                .extracting(OtherWay::held)
                .doesNotHaveDuplicates()
                .doesNotContain(chosen.slotAt(0).held());
    }

    @Test
    void lookingIsGivenUpSoon() {
        arranger.arrange(Songs.random(4, 6));
        assertThatThrownBy(() -> new OtherWays(arranger, () -> true).at(0, MOST))
                .isInstanceOf(CancellationException.class);
        assertThatThrownBy(() -> new OtherWays(new Arranger(Instrument.STANDARD, Hand.AVERAGE), () -> false))
                .isInstanceOf(NoSuchElementException.class);
    }

    @Property
    void whatDecidesIsTheGreatestTermOfTheSumsOwnSign(@ForAll long seed) {
        Random random = new Random(seed);
        Effort one = effort(random);
        Effort other = effort(random);
        Effort more = one.minus(other);
        assertThat(more.grains()).isEqualTo(one.grains() - other.grains());
        assertThat(other.plus(more)).isEqualTo(one);
        assertThat(more.decides().isPresent()).isEqualTo(more.grains() != 0);
        more.decides().ifPresent(term -> {
            double sign = Math.signum(more.total());
            assertThat(sign * more.term(term)).isPositive();
            for (Term any : Term.values()) {
                assertThat(sign * more.term(any)).isLessThanOrEqualTo(sign * more.term(term));
            }
        });
        assertThat(other.minus(one).decides()).isEqualTo(more.decides());
    }

    private static Effort effort(Random random) {
        Effort.Sum sum = new Effort.Sum();
        for (Term term : Term.values()) {
            sum.add(term, random.nextInt(4) == 0 ? random.nextInt(3000) : 0);
        }
        return sum.done();
    }
}

package phalanx.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.words.Said;

class TodayTest {
    private static final ZoneId ZONE = ZoneOffset.UTC;
    private static final LocalDate FIRST = LocalDate.of(2026, 3, 1);

    private static List<Step> ladder(int steps) {
        Bar bar = new Bar(1, 0, Meter.COMMON.barTicks(), Meter.COMMON);
        List<Step> ladder = new ArrayList<>();
        for (int i = 0; i < steps; i++) {
            ladder.add(new Step(
                    Said.of("Ladder.at-bpm", i), List.of(bar), List.of(), List.of(), 60, false, "x", "y", "z"));
        }
        return ladder;
    }

    private static void play(List<LogEntry> log, int step, LocalDate day, String passes) {
        for (char pass : passes.toCharArray()) {
            log.add(new LogEntry(
                    day.atTime(18, 0).toInstant(ZoneOffset.UTC),
                    "Song",
                    "all",
                    "at " + step + " bpm",
                    60,
                    pass == 'c',
                    40));
        }
    }

    private static List<Integer> again(List<LogEntry> log, LocalDate day) {
        return Today.of(ladder(6), log, day, ZONE, 60).stream()
                .filter(block -> block.kind() == Today.Kind.RETURN)
                .map(block -> block.step().getAsInt())
                .toList();
    }

    /** Two weeks, worked out by hand: 1 March 2026 is a Sunday, so its week began on 23 February. */
    @Test
    void progressIsTheFastestOfADayAndThePassesOfAWeek() {
        List<LogEntry> log = new ArrayList<>();
        play(log, 0, FIRST, "ccxc");
        play(log, 0, FIRST.plusDays(1), "ccc");
        for (int day = 0; day < Today.STUCK_AFTER; day++) {
            play(log, 1, FIRST.plusDays(10 + day), "cx");
        }
        log.add(new LogEntry(
                FIRST.plusDays(1).atTime(19, 0).toInstant(ZoneOffset.UTC), "Song", "all", "at 2 bpm", 72, true, 40));
        Progress progress = Progress.of(log, ZONE);
        assertThat(progress.tempo()).hasSize(2 + Today.STUCK_AFTER).containsEntry(FIRST, 60);
        assertThat(progress.tempo()).containsEntry(FIRST.plusDays(1), 72);
        assertThat(progress.weeks())
                .containsExactly(
                        Map.entry(FIRST.minusDays(6), new Progress.Week(4, 160)),
                        Map.entry(FIRST.plusDays(1), new Progress.Week(4, 160)),
                        Map.entry(FIRST.plusDays(8), new Progress.Week(10, 400)));
        assertThat(progress.weeks().get(FIRST.plusDays(8)).minutes()).isEqualTo(7);
        assertThat(progress.climbed()).containsExactly("at 0 bpm");
        assertThat(progress.stuck()).containsExactly("at 1 bpm");
        assertThat(Progress.of(List.of(), ZONE).weeks()).isEmpty();
    }

    /** Boxes of 1, 2 and 4 days; a slip begins again. Days worked out by hand. */
    @Test
    void aStepComesBackAfterOneTwoFourDays() {
        List<LogEntry> log = new ArrayList<>();
        play(log, 0, FIRST, "ccc");
        assertThat(again(log, FIRST)).isEmpty();
        assertThat(again(log, FIRST.plusDays(1))).containsExactly(0);
        play(log, 0, FIRST.plusDays(1), "xccc");
        assertThat(again(log, FIRST.plusDays(2))).isEmpty();
        assertThat(again(log, FIRST.plusDays(3))).containsExactly(0);
        play(log, 0, FIRST.plusDays(3), "ccc");
        assertThat(again(log, FIRST.plusDays(6))).isEmpty();
        assertThat(again(log, FIRST.plusDays(7))).containsExactly(0);
        // not clean: it comes back the next day
        play(log, 0, FIRST.plusDays(7), "cxcx");
        assertThat(again(log, FIRST.plusDays(8))).containsExactly(0);
        play(log, 0, FIRST.plusDays(8), "ccc");
        assertThat(again(log, FIRST.plusDays(9))).containsExactly(0);
    }

    @Test
    void theNextStepIsNewAndAStuckOneGetsASuggestion() {
        List<LogEntry> log = new ArrayList<>();
        play(log, 0, FIRST, "ccc");
        for (int day = 0; day < 5; day++) {
            play(log, 1, FIRST.plusDays(day), "cxcx");
        }
        List<Today.Block> blocks = Today.of(ladder(6), log, FIRST.plusDays(5), ZONE, 20);
        assertThat(blocks.get(0).kind()).isEqualTo(Today.Kind.WARM_UP);
        assertThat(blocks)
                .filteredOn(block -> block.kind() == Today.Kind.NEW)
                .first()
                .satisfies(block -> {
                    assertThat(block.step()).hasValue(1);
                    assertThat(block.why()).contains("not moved in 5 sittings");
                });
        assertThat(Today.of(ladder(6), log, FIRST, ZONE, 0)).isEmpty();
        assertThat(Today.of(List.of(), log, FIRST, ZONE, 20)).isEmpty();
    }

    /** A step that strained rests two days, and nothing is built upon it meanwhile. */
    @Test
    void whatStrainsRests() {
        List<LogEntry> log = new ArrayList<>();
        play(log, 0, FIRST.minusDays(3), "ccc");
        play(log, 1, FIRST, "c");
        log.set(log.size() - 1, log.get(log.size() - 1).feeling(LogEntry.Feel.STRAINED));
        List<Today.Block> next = Today.of(ladder(6), log, FIRST.plusDays(1), ZONE, 20);
        assertThat(next)
                .extracting(Today.Block::kind)
                .doesNotContain(Today.Kind.NEW)
                .contains(Today.Kind.RETURN);
        assertThat(next.get(0).why())
                .contains("at 1 bpm strained", FIRST.plusDays(2).toString());
        assertThat(Today.of(ladder(6), log, FIRST.plusDays(2), ZONE, 20))
                .anySatisfy(block -> assertThat(block.kind()).isEqualTo(Today.Kind.NEW));
    }

    /**
     * Six steps, 13 minutes: 3 to warm up, so two new ones (5 and 5) while nothing comes back, else one of 4 and one or
     * two new ones of 5 or less.
     */
    @Test
    void theWeeksAreThoseOfThePlanPlayedOut() {
        Weeks all = Weeks.of(ladder(6), List.of(), FIRST, ZONE, 13).orElseThrow();
        assertThat(all.least()).isEqualTo(1);
        assertThat(all.most()).isBetween(2, 3);
        assertThat(Weeks.of(ladder(6), List.of(), FIRST, ZONE, 3)).isEmpty();
        List<LogEntry> log = new ArrayList<>();
        for (int step = 0; step < 6; step++) {
            play(log, step, FIRST.minusDays(1), "ccc");
        }
        assertThat(Weeks.of(ladder(6), log, FIRST, ZONE, 20)).contains(new Weeks(0, 0));
    }

    /** Whatever the log: no more minutes than there are, a warm-up first, no more than 25 minutes without a rest. */
    @Property(tries = 100)
    void aSittingFitsAndRests(@ForAll long seed, @ForAll @IntRange(min = 0, max = 180) int minutes) {
        Random random = new Random(seed);
        List<LogEntry> log = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            play(log, random.nextInt(10), FIRST.plusDays(random.nextInt(20)), random.nextBoolean() ? "ccc" : "cx");
        }
        List<Today.Block> blocks = Today.of(ladder(12), log, FIRST.plusDays(20), ZONE, minutes);
        int played = 0;
        int inARow = 0;
        for (Today.Block block : blocks) {
            boolean rest = block.kind() == Today.Kind.REST;
            inARow = rest ? 0 : inARow + block.minutes();
            played += rest ? 0 : block.minutes();
            assertThat(inARow).isLessThanOrEqualTo(25);
            assertThat(block.step().isEmpty()).isEqualTo(rest);
        }
        assertThat(played).isLessThanOrEqualTo(minutes);
        assertThat(blocks.isEmpty()).isEqualTo(minutes < 3);
        if (!blocks.isEmpty()) {
            assertThat(blocks.get(0).kind()).isEqualTo(Today.Kind.WARM_UP);
            assertThat(blocks.get(blocks.size() - 1).kind()).isNotEqualTo(Today.Kind.REST);
            assertThat(blocks.stream()
                            .filter(block -> block.kind() != Today.Kind.WARM_UP)
                            .flatMap(block -> block.step().stream().boxed()))
                    .doesNotHaveDuplicates();
        }
    }
}

package phalanx.desktop.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import phalanx.arrange.score.Folding;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.theory.Key;

class ScoreLayoutTest {
    @Property(tries = 200)
    void everyTickHasOnePlaceAndEveryPlaceItsTick(
            @ForAll @IntRange(min = 1, max = 40) int count,
            @ForAll @IntRange(min = 400, max = 2000) int width,
            @ForAll @IntRange(max = 2) int pickup) {
        List<Bar> bars = new ArrayList<>();
        int at = 0;
        if (pickup > 0) {
            bars.add(new Bar(0, 0, pickup * 1680, Meter.COMMON));
            at = pickup * 1680;
        }
        for (int i = 0; i < count; i++) {
            Meter meter = i % 3 == 2 ? new Meter(3, 4) : Meter.COMMON;
            bars.add(new Bar(i + 1, at, meter.barTicks(), meter));
            at += meter.barTicks();
        }
        Song song = new Song("x", Key.C_MAJOR, 90, bars, List.of(), List.of(), List.of());
        ScoreLayout layout = new ScoreLayout(song, 6, 4, false, width);
        assertThat(layout.lines().stream().mapToInt(line -> line.bars().size()).sum())
                .isEqualTo(bars.size());
        for (int first = 0; first < bars.size(); first++) {
            // as many bars from there on as a line below others would have, and one at least
            ScoreLayout running = new ScoreLayout(
                    song, 6, 4, false, Optional.empty(), width, OptionalInt.of(first), Folding.none(song));
            ScoreLayout.Line line = running.lines().get(0);
            assertThat(running.lines()).hasSize(1);
            assertThat(line.bars())
                    .isEqualTo(bars.subList(first, first + line.bars().size()));
            assertThat(running.lineEndX(line)).isLessThanOrEqualTo(width);
            boolean begins =
                    layout.lines().stream().anyMatch(other -> other.bars().equals(line.bars()));
            assertThat(begins)
                    .isEqualTo(layout.lines().stream().anyMatch(other -> other.startTick() == line.startTick()));
        }
        double lastX = 0;
        ScoreLayout.Line lastLine = null;
        for (int tick = 0; tick < at; tick += 420) {
            ScoreLayout.Line line = layout.lineAt(tick);
            double x = layout.x(line, tick);
            assertThat(x).isBetween(ScoreLayout.LEFT, (double) width);
            assertThat(line != lastLine || x > lastX).isTrue();
            assertThat(layout.tickAt(x + 0.01, line.top() + 1)).isBetween(tick - 1, tick + 5);
            lastX = x;
            lastLine = line;
        }
    }
}

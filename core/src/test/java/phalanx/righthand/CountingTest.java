package phalanx.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.song.Bar;
import phalanx.song.Meter;

class CountingTest {
    private static String words(Bar bar, TreeSet<Integer> struck) {
        return Counting.of(bar, struck).stream().map(Counting.Count::word).collect(Collectors.joining(" "));
    }

    /** Beats of any meter divided in any way: the words of the table in the docs, from the one function. */
    @Test
    void theTableInTheDocsHolds() throws IOException {
        List<String> rows = Files.readAllLines(Path.of("../docs/patterns.md")).stream()
                .filter(line -> line.matches("\\| [1-8] \\| .*"))
                .toList();
        assertThat(rows).hasSize(8);
        for (Meter meter : List.of(new Meter(4, 4), new Meter(3, 4), new Meter(2, 2), new Meter(5, 4))) {
            Bar bar = new Bar(2, 6720, meter.barTicks(), meter);
            for (int grid = 1; grid <= 8; grid++) {
                String[] cells = rows.get(grid - 1).split("\\|");
                StringBuilder wanted = new StringBuilder();
                TreeSet<Integer> struck = new TreeSet<>();
                for (int beat = 0; beat < bar.lengthTicks() / meter.beatTicks(); beat++) {
                    String shown = grid == 1 ? cells[2] + "&" : cells[2];
                    wanted.append(shown.strip().replaceFirst("1", String.valueOf(beat + 1)))
                            .append(' ');
                    for (int step = 0; step < grid; step++) {
                        int tick = bar.startTick() + meter.beatTicks() * beat + meter.beatTicks() * step / grid;
                        struck.add(tick);
                        String word = cells[2].strip().split(" ")[step];
                        assertThat(Counting.syllable(bar, tick, grid))
                                .isEqualTo(step == 0 ? String.valueOf(beat + 1) : word);
                    }
                }
                assertThat(words(bar, struck))
                        .as("%s by %d", meter, grid)
                        .isEqualTo(wanted.toString().strip());
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "6, 8, 0 840, 1 2 3 4 5 6",
        "6, 8, 0 420 2520, 1 & 2 & 3 & 4 5 6",
        "6, 8, 0 1260 2520, 1 & 2 & 3 & 4 5 6",
        "6, 8, 0 630 2520, 1 2 3 4 5 6",
        "4, 4, 0 560 1680 3360 3780, 1 trip let 2 & 3 e & a 4 &",
        "4, 4, 0 336 1680, 1 2 3 4 5 2 & 3 & 4 &",
        "4, 4, 0 560 840, 1 2 3 4 5 6 2 & 3 & 4 &"
    })
    void everyBeatIsCountedAsItIsPlayed(int beats, int unit, String ticks, String words) {
        Meter meter = new Meter(beats, unit);
        TreeSet<Integer> struck = new TreeSet<>();
        for (String tick : ticks.split(" ")) {
            struck.add(Integer.parseInt(tick));
        }
        assertThat(words(new Bar(1, 0, meter.barTicks(), meter), struck)).isEqualTo(words);
    }

    /** The half beat at the end of 7/8: numbers would not tell which beat they divide. */
    @Test
    void aPartOfABeatIsNotCountedByNumber() {
        Bar bar = new Bar(1, 0, 5880, new Meter(7, 8));
        assertThat(words(bar, new TreeSet<>(List.of(0, 5040, 5320)))).isEqualTo("1 & 2 & 3 & 4");
    }

    @Test
    void aPickupIsCountedAsTheEndOfItsBar() {
        assertThat(words(new Bar(0, 0, 2520, Meter.COMMON), new TreeSet<>(List.of(0, 840))))
                .isEqualTo("& 4 &");
    }
}

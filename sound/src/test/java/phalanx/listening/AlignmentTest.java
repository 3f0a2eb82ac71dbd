package phalanx.listening;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.song.Ticks;

/** Which onset is which stroke, where it is known because the onsets were made from the strokes. */
class AlignmentTest {
    private static final int EIGHTH = Ticks.QUARTER / 2;

    /** Strokes of any rhythm: eighths, quarters and sixteenths. */
    private static List<Asked> strokes(Random random, int count) {
        List<Asked> asked = new ArrayList<>();
        int tick = 3 * Ticks.QUARTER;
        for (int i = 0; i < count; i++) {
            asked.add(new Asked(tick, List.of()));
            tick += EIGHTH * new int[] {1, 1, 2, 1, 3}[random.nextInt(5)];
        }
        return asked;
    }

    private static double seconds(int ticks, double tempo) {
        return ticks / (double) Ticks.QUARTER * 60 / tempo;
    }

    @Property(tries = 100)
    void playedToAClickEveryStrokeIsFound(@ForAll long seed) {
        Random random = new Random(seed);
        double tempo = 60 + random.nextInt(80);
        List<Asked> asked = strokes(random, 40);
        int start = 2 * Ticks.QUARTER;
        Click click = new Click(1 + random.nextDouble(), tempo);
        boolean[] missed = new boolean[asked.size()];
        double[] played = new double[asked.size()];
        List<Double> onsets = new ArrayList<>();
        for (int i = 0; i < played.length; i++) {
            missed[i] = i > 0 && random.nextInt(8) == 0;
            played[i] =
                    click.seconds() + seconds(asked.get(i).tick() - start, tempo) + 0.06 * (random.nextDouble() - 0.5);
            if (!missed[i]) {
                onsets.add(played[i]);
            }
        }
        Alignment alignment = Alignment.to(asked, onsets, start, click);
        for (int i = 0; i < played.length; i++) {
            if (missed[i]) {
                assertThat(alignment.found(i))
                        .as("stroke " + i + " was not played")
                        .isNaN();
            } else {
                assertThat(alignment.found(i)).isEqualTo(played[i]);
            }
        }
        assertThat(alignment.heard()).isEqualTo(onsets.size());
        assertThat(alignment.extra()).isZero();
    }

    /** Strokes between the asked ones are counted and taken for none of them. */
    @Property(tries = 60)
    void whatIsPlayedBetweenIsExtra(@ForAll long seed) {
        Random random = new Random(seed);
        double tempo = 60 + random.nextInt(40);
        List<Asked> asked = strokes(random, 30);
        int start = asked.get(0).tick();
        Click click = new Click(0.5, tempo);
        List<Double> onsets = new ArrayList<>();
        int between = 0;
        for (int i = 0; i < asked.size(); i++) {
            double due = click.seconds() + seconds(asked.get(i).tick() - start, tempo);
            onsets.add(due);
            if (i + 1 < asked.size() && random.nextInt(5) == 0) {
                onsets.add(due + seconds(asked.get(i + 1).tick() - asked.get(i).tick(), tempo) / 2);
                between++;
            }
        }
        onsets.sort(Comparator.naturalOrder());
        Alignment alignment = Alignment.to(asked, onsets, start, click);
        assertThat(alignment.heard()).isEqualTo(asked.size());
        assertThat(alignment.extra()).isEqualTo(between);
    }

    /** Without a click: at another tempo than the written one, slowly hurrying or dragging. */
    @Property(tries = 60)
    void thePlayersOwnBeatIsFollowed(@ForAll long seed) {
        Random random = new Random(seed);
        double written = 80 + random.nextInt(40);
        double own = written * (0.7 + 0.5 * random.nextDouble());
        double drift = 1 + 0.001 * (random.nextDouble() - 0.5);
        List<Asked> asked = strokes(random, 40);
        List<Double> onsets = new ArrayList<>();
        double at = 0.8;
        double quarter = 60 / own;
        for (int i = 0; i < asked.size(); i++) {
            if (i > 0) {
                at += (asked.get(i).tick() - asked.get(i - 1).tick()) / (double) Ticks.QUARTER * quarter;
                quarter *= drift;
            }
            onsets.add(at + 0.02 * (random.nextDouble() - 0.5));
        }
        List<Alignment> guesses = Alignment.guesses(asked, onsets, asked.get(0).tick(), written);
        assertThat(guesses).anySatisfy(guess -> {
            assertThat(guess.heard()).isEqualTo(asked.size());
            for (int i = 0; i < asked.size(); i++) {
                assertThat(guess.found(i)).isEqualTo(onsets.get(i));
            }
        });
    }

    @Example
    void silenceHasNoStrokes() {
        List<Asked> asked = strokes(new Random(1), 5);
        Alignment none = Alignment.to(asked, List.of(), 0, new Click(0, 100));
        assertThat(none.heard()).isZero();
        assertThat(none.extra()).isZero();
        assertThat(Alignment.guesses(asked, List.of(), 0, 100)).isEmpty();
        assertThat(new Click(2, 120).at(Ticks.QUARTER)).isCloseTo(2.5, within(1e-9));
        assertThatThrownBy(() -> new Click(0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Click(Double.NaN, 90)).isInstanceOf(IllegalArgumentException.class);
    }
}

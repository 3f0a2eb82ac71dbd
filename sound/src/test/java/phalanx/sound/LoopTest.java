package phalanx.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.song.Bar;
import phalanx.song.ChartText;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/** A bar of clicks at 120 to the minute lasts two seconds, and each round after it sounds like the one before. */
class LoopTest {
    @Test
    void everyRoundIsTheSameAfterABarOfClicks() {
        Song song = ChartText.parse("| C | G |", Meter.COMMON)
                .over(TuneEdit.empty("Loop", Key.C_MAJOR, 96, Meter.COMMON, 2));
        Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song, List.of(), () -> false);
        List<Bar> first = song.bars().subList(0, 1);
        Loop loop = new Loop(arrangement, first, 120);
        assertThat(loop.seconds(3)).isCloseTo(8, within(1e-4));
        float[] sound = loop.render(3);
        int bar = 2 * Renderer.SAMPLE_RATE;
        assertThat(sound.length).isBetween(4 * bar, 4 * bar + 2 * Renderer.SAMPLE_RATE);
        // what rings on of one round is heard in the next, so the first one differs
        assertThat(Arrays.copyOfRange(sound, 3 * bar, 4 * bar))
                .containsExactly(Arrays.copyOfRange(sound, 2 * bar, 3 * bar), within(1e-5f));
        // clicks stand on the beats of the first bar, and silence before the second
        assertThat(loudest(sound, 0, 1000)).isGreaterThan(0.05f);
        assertThat(loudest(sound, bar / 4, bar / 4 + 1000)).isGreaterThan(0.05f);
        assertThat(loudest(sound, bar / 8, bar / 8 + 1000)).isZero();
        assertThat(loudest(sound, 0, sound.length)).isLessThanOrEqualTo(1);
    }

    private static float loudest(float[] sound, int from, int to) {
        float loudest = 0;
        for (int i = from; i < to; i++) {
            loudest = Math.max(loudest, Math.abs(sound[i]));
        }
        return loudest;
    }
}

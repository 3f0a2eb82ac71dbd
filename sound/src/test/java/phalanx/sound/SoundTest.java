package phalanx.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class SoundTest {
    @ParameterizedTest
    @ValueSource(ints = {40, 45, 52, 64, 76, 84})
    void aStringSoundsItsPitchWithinThreeCents(int midi) {
        double hertz = Pitch.hertz(midi);
        PluckedString string = new PluckedString(hertz, Renderer.SAMPLE_RATE, 1, 7);
        double[] samples = new double[Renderer.SAMPLE_RATE];
        for (int i = 0; i < samples.length; i++) {
            samples[i] = string.next();
        }
        double cents = 1200
                * Math.log(Renderer.SAMPLE_RATE / period(samples, Renderer.SAMPLE_RATE / hertz) / hertz)
                / Math.log(2);
        assertThat(cents).isCloseTo(0, within(3.0));
        assertThat(energy(samples, 0)).isGreaterThan(4 * energy(samples, samples.length - 4410));
    }

    /** The period by the peak of the autocorrelation over many periods, near the expected one, interpolated. */
    private static double period(double[] samples, double expected) {
        int periods = 20;
        int guess = (int) Math.round(expected * periods);
        int best = guess;
        for (int lag = guess - (int) expected / 3; lag <= guess + (int) expected / 3; lag++) {
            if (correlation(samples, lag) > correlation(samples, best)) {
                best = lag;
            }
        }
        double left = correlation(samples, best - 1);
        double middle = correlation(samples, best);
        double right = correlation(samples, best + 1);
        return (best + 0.5 * (left - right) / (left - 2 * middle + right)) / periods;
    }

    private static double correlation(double[] samples, int lag) {
        double sum = 0;
        for (int i = 2000; i < 14_000; i++) {
            sum += samples[i] * samples[i + lag];
        }
        return sum;
    }

    private static double energy(double[] samples, int from) {
        double sum = 0;
        for (int i = from; i < from + 4410; i++) {
            sum += samples[i] * samples[i];
        }
        return sum;
    }

    @Test
    void aSongIsAsLongAsItsBarsAndNeverClips() {
        Song song = new Song(
                "Two bars",
                Key.C_MAJOR,
                120,
                List.of(new Bar(1, 0, 6720, Meter.COMMON), new Bar(2, 6720, 6720, Meter.COMMON)),
                List.of(),
                List.of(new ChordChange(0, Optional.of(ChordSymbol.parse("C")))),
                List.of(new MelodyNote(0, 6720, Pitch.parse("E4")), new MelodyNote(6720, 6720, Pitch.parse("G4"))));
        Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song);
        float[] samples = new Renderer().render(arrangement, 0, 120, false);
        assertThat(samples.length / (double) Renderer.SAMPLE_RATE).isCloseTo(4 + 1.5, within(0.01));
        float peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        assertThat(peak).isCloseTo(0.85f, within(0.001f));
        assertThat(new Renderer().render(arrangement, 6720, 120, false)).hasSizeLessThan(samples.length);
        assertThat(Renderer.pcm(new float[] {0, 1, -1}, 0, 3)).containsExactly(0, 0, -1, 127, 1, -128);
    }

    /** A sung tune is silent, or on wish there softly: F sharp 5, which no string of the C chord has near. */
    @Test
    void aSungTuneIsHeardOnWish() {
        Song song = new Song(
                "One bar",
                Key.C_MAJOR,
                120,
                List.of(new Bar(1, 0, 6720, Meter.COMMON)),
                List.of(),
                List.of(new ChordChange(0, Optional.of(ChordSymbol.parse("C")))),
                List.of(new MelodyNote(0, 6720, Pitch.parse("F#5"))));
        Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(song, Picking.PLAIN, Wishes.USUAL.withTune(TuneUse.SUNG), List.of(), () -> false);
        double hertz = Pitch.hertz(Pitch.parse("F#5").midi());
        double silent = loudness(new Renderer().render(arrangement, 0, 120, false), hertz);
        double heard = loudness(new Renderer().render(arrangement, 0, 120, true), hertz);
        assertThat(heard).isGreaterThan(10 * silent).isBetween(0.01, 0.4);
        Arrangement played = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song);
        assertThat(new Renderer().render(played, 0, 120, true)).isEqualTo(new Renderer().render(played, 0, 120, false));
    }

    /** The size of one frequency in the first second and a half: one coefficient of the discrete Fourier transform. */
    private static double loudness(float[] samples, double hertz) {
        int length = 3 * Renderer.SAMPLE_RATE / 2;
        double cosine = 0;
        double sine = 0;
        for (int i = 0; i < length; i++) {
            double angle = 2 * Math.PI * hertz * i / Renderer.SAMPLE_RATE;
            cosine += samples[i] * Math.cos(angle);
            sine += samples[i] * Math.sin(angle);
        }
        return 2 * Math.hypot(cosine, sine) / length;
    }

    @Test
    void theSilentClockKeepsTimeAndStops() {
        AtomicLong now = new AtomicLong(5);
        SilentOutput clock = new SilentOutput(now::get);
        clock.start(new float[10]);
        now.addAndGet(2_500_000_000L);
        assertThat(clock.seconds()).isCloseTo(2.5, within(1e-9));
        clock.stop();
        now.addAndGet(1_000_000_000L);
        assertThat(clock.seconds()).isCloseTo(2.5, within(1e-9));
        assertThat(clock.audible()).isFalse();
    }

    @Test
    void withoutACardThereIsStillAnOutput() {
        assertThat(LineOutput.orSilence()).isNotNull();
    }
}

package phalanx.sound.guitar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.jtransforms.fft.DoubleFFT_1D;
import org.junit.jupiter.api.Test;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;
import phalanx.technique.Vibrato;
import phalanx.theory.Pitch;

/**
 * What a string sounds, measured by spectra that share nothing with what makes it: a Hann window, a Fourier transform of a
 * library, and the peak of a parabola through three logarithms (J. O. Smith, Spectral Audio Signal Processing, chapter on
 * quadratic interpolation; from memory).
 */
class StringSoundTest {
    private static final Instrument STEEL = Instrument.STANDARD;
    private static final Instrument NYLON = new Instrument(Guitar.NYLON, Tuning.STANDARD, 0);
    private static final int RATE = GuitarSound.RATE;
    /** Every fret deep, else every fourth, another on each string. */
    private static final int STEP = Boolean.getBoolean("phalanx.deep") ? 1 : 4;
    /** Longer than a second and padded, so that a bin is a sixth of a hertz. */
    private static final int SIZE = 1 << 18;

    private static double hertz(Instrument instrument, int string, int fret) {
        return Pitch.hertz(instrument.midi(string, fret));
    }

    private static Pluck pluck(double hertz) {
        return new Pluck(hertz, 1, 1, true, false);
    }

    /** Left and right together, from where what is asked for at frame 0 is heard. */
    private static double[] heard(GuitarSound guitar, double seconds) {
        int frames = (int) (seconds * RATE) + GuitarSound.LEAD;
        float[] out = new float[2 * frames];
        guitar.read(out, 0, frames);
        double[] mono = new double[frames - GuitarSound.LEAD];
        for (int i = 0; i < mono.length; i++) {
            int at = 2 * (i + GuitarSound.LEAD);
            assertThat(Math.abs(out[at])).isLessThanOrEqualTo(0.9501f);
            mono[i] = (out[at] + out[at + 1]) / 2;
        }
        return mono;
    }

    private static double[] note(Instrument instrument, int string, int fret, double seconds) {
        GuitarSound guitar = new GuitarSound(Strings.usual(instrument));
        guitar.pluck(0, string, pluck(hertz(instrument, string, fret)), 0);
        return heard(guitar, seconds);
    }

    /** Magnitudes of a stretch, bin by bin. */
    private static double[] spectrum(double[] samples, double from, double seconds) {
        double[] windowed = new double[SIZE];
        int start = (int) (from * RATE);
        int length = (int) (seconds * RATE);
        for (int i = 0; i < length; i++) {
            windowed[i] = samples[start + i] * (0.5 - 0.5 * Math.cos(2 * Math.PI * i / length));
        }
        new DoubleFFT_1D(SIZE).realForward(windowed);
        double[] sizes = new double[SIZE / 2];
        for (int bin = 1; bin < sizes.length; bin++) {
            sizes[bin] = Math.hypot(windowed[2 * bin], windowed[2 * bin + 1]);
        }
        return sizes;
    }

    /** The peak within a quarter tone of a frequency. */
    private static double peak(double[] sizes, double near) {
        int low = (int) (near / 1.03 * SIZE / RATE);
        int high = (int) (near * 1.03 * SIZE / RATE);
        int best = low;
        for (int bin = low; bin <= high; bin++) {
            best = sizes[bin] > sizes[best] ? bin : best;
        }
        double left = Math.log(sizes[best - 1]);
        double middle = Math.log(sizes[best]);
        double right = Math.log(sizes[best + 1]);
        return (best + 0.5 * (left - right) / (left - 2 * middle + right)) * RATE / SIZE;
    }

    private static double loudest(double[] sizes, double near) {
        double best = 0;
        for (int bin = (int) (near / 1.01 * SIZE / RATE); bin <= near * 1.01 * SIZE / RATE; bin++) {
            best = Math.max(best, sizes[bin]);
        }
        return best;
    }

    private static double cents(double hertz, double than) {
        return 1200 * Math.log(hertz / than) / Math.log(2);
    }

    private static double power(double[] samples, double from, double to) {
        double sum = 0;
        for (int i = (int) (from * RATE); i < (int) (to * RATE); i++) {
            sum += samples[i] * samples[i];
        }
        return 10 * Math.log10(sum / ((to - from) * RATE) + 1e-20);
    }

    /** Its pitch each hundredth of a second, by how fast the phase of its first partial goes on. */
    private static double[] pitches(double[] samples, double near, double from, double to) {
        int hop = RATE / 100;
        int window = RATE / 25;
        double[] phases = IntStream.iterate((int) (from * RATE), at -> at + window < to * RATE, at -> at + hop)
                .mapToDouble(at -> {
                    double real = 0;
                    double imaginary = 0;
                    for (int i = 0; i < window; i++) {
                        double share = (0.5 - 0.5 * Math.cos(2 * Math.PI * i / window)) * samples[at + i];
                        real += share * Math.cos(2 * Math.PI * near * (at + i) / RATE);
                        imaginary -= share * Math.sin(2 * Math.PI * near * (at + i) / RATE);
                    }
                    return Math.atan2(imaginary, real);
                })
                .toArray();
        return IntStream.range(1, phases.length)
                .mapToDouble(
                        i -> near + Math.IEEEremainder(phases[i] - phases[i - 1], 2 * Math.PI) / (2 * Math.PI) * 100)
                .toArray();
    }

    /** As far as {@link Vibrato} says to both sides, as often, calm at first, and still with the next pluck. */
    @Test
    void aWaveringNoteKeepsItsMiddle() {
        // no open string has a partial near
        double a = hertz(STEEL, 3, 6);
        for (Instrument instrument : List.of(STEEL, NYLON)) {
            GuitarSound guitar = new GuitarSound(Strings.usual(instrument));
            guitar.pluck(0, 3, pluck(a).wavering(), 0);
            guitar.pluck(2 * RATE, 3, pluck(a), 0);
            double[] samples = heard(guitar, 3);
            double[] pitches = pitches(samples, a, 0.5, 1.9);
            double high = cents(Arrays.stream(pitches).max().orElseThrow(), a);
            double low = cents(Arrays.stream(pitches).min().orElseThrow(), a);
            assertThat(high).isCloseTo(Vibrato.CENTS, within(3.0));
            assertThat(low).isCloseTo(-Vibrato.CENTS, within(3.0));
            long ups = IntStream.range(1, pitches.length)
                    .filter(i -> pitches[i - 1] < a && pitches[i] >= a)
                    .count();
            assertThat(ups / 1.4).isCloseTo(Vibrato.HERTZ, within(0.8));
            for (double start : new double[] {0.03, 2.5}) {
                assertThat(Arrays.stream(pitches(samples, a, start, start + 0.12)))
                        .allMatch(pitch -> Math.abs(cents(pitch, a)) < 4);
            }
        }
    }

    @Test
    void everyNoteOfBothGuitarsIsInTuneAndAboutAsLoud() {
        for (Instrument instrument : List.of(STEEL, NYLON)) {
            double least = Double.POSITIVE_INFINITY;
            double most = Double.NEGATIVE_INFINITY;
            for (int string = 1; string <= 6; string++) {
                for (int fret = string % STEP; fret <= 19; fret += STEP) {
                    double[] samples = note(instrument, string, fret, 1.4);
                    double wanted = hertz(instrument, string, fret);
                    assertThat(cents(peak(spectrum(samples, 0.1, 1.2), wanted), wanted))
                            .as("string %d fret %d of %s", string, fret, instrument)
                            .isCloseTo(0, within(2.0));
                    least = Math.min(least, power(samples, 0, 0.5));
                    most = Math.max(most, power(samples, 0, 0.5));
                }
            }
            assertThat(most - least).isBetween(1.0, 7.0);
        }
    }

    /** An A string falls by 60 dB in its eight seconds on steel, in four and a half on nylon: 15 and 26.7 dB in two. */
    @Test
    void aStringDiesAwayAsItsTableSays() {
        double a = hertz(STEEL, 5, 0);
        for (Instrument instrument : List.of(STEEL, NYLON)) {
            double[] samples = note(instrument, 5, 0, 3.2);
            double fall =
                    20 * Math.log10(loudest(spectrum(samples, 0.5, 0.5), a) / loudest(spectrum(samples, 2.5, 0.5), a));
            assertThat(fall).isCloseTo(instrument == STEEL ? 15 : 26.7, within(0.8));
            // and its high partials sooner
            double high = 20
                    * Math.log10(loudest(spectrum(samples, 0.2, 0.3), 27 * a)
                            / loudest(spectrum(samples, 0.8, 0.3), 27 * a));
            assertThat(high).isGreaterThan(25);
        }
    }

    /** A nylon string with nails is duller than steel, and flesh duller than nails. */
    @Test
    void steelIsBrighterThanNylonAndNailThanFlesh() {
        assertThat(brightness(STEEL, true)).isGreaterThan(brightness(NYLON, true) + 2);
        assertThat(brightness(STEEL, true)).isGreaterThan(brightness(STEEL, false) + 3);
    }

    /** What lies above 2 kHz, in dB beside all. */
    private static double brightness(Instrument instrument, boolean nail) {
        GuitarSound guitar = new GuitarSound(Strings.usual(instrument));
        guitar.pluck(0, 3, new Pluck(hertz(instrument, 3, 0), 1, 1, nail, false), 0);
        double[] sizes = spectrum(heard(guitar, 1), 0.02, 0.5);
        double high = 0;
        double all = 0;
        for (int bin = 1; bin < sizes.length; bin++) {
            all += sizes[bin] * sizes[bin];
            high += bin * (double) RATE / SIZE > 2000 ? sizes[bin] * sizes[bin] : 0;
        }
        return 10 * Math.log10(high / all);
    }

    @Test
    void harmonicsSoundSoManyTimesTheOpenPitchAndNothingElse() {
        double a = hertz(STEEL, 5, 0);
        for (int n = 2; n <= 6; n++) {
            GuitarSound guitar = new GuitarSound(Strings.usual(STEEL));
            guitar.pluck(0, 5, new Pluck(a, n, 1, true, false), 0);
            double[] sizes = spectrum(heard(guitar, 1.4), 0.1, 1.2);
            assertThat(cents(peak(sizes, n * a), n * a)).isCloseTo(0, within(2.0));
            for (int other = 1; other < n; other++) {
                assertThat(20 * Math.log10(loudest(sizes, n * a) / loudest(sizes, other * a)))
                        .as("harmonic %d beside partial %d", n, other)
                        .isGreaterThan(40);
            }
        }
    }

    @Test
    void aPluckIsHeardInTheFrameItIsMeantFor() {
        GuitarSound guitar = new GuitarSound(Strings.usual(STEEL));
        guitar.pluck(10_000, 2, pluck(hertz(STEEL, 2, 0)), 0.01);
        float[] out = new float[2 * 20_000];
        guitar.read(out, 0, 20_000);
        int first = 0;
        while (Math.abs(out[2 * first]) < 1e-4) {
            first++;
        }
        assertThat(first).isBetween(10_000 + GuitarSound.LEAD + 441, 10_000 + GuitarSound.LEAD + 441 + 64);
    }

    /** The largest second difference of a stretch: a step in the wave is a click. */
    private static double sharpest(double[] samples, int from, int to) {
        double sharpest = 0;
        for (int i = Math.max(1, from); i < Math.min(to, samples.length - 1); i++) {
            sharpest = Math.max(sharpest, Math.abs(samples[i + 1] - 2 * samples[i] + samples[i - 1]));
        }
        return sharpest;
    }

    /** Whatever a finger does to a ringing string is no sharper than a pluck of a string at rest. */
    @Test
    void nothingThatIsDoneToARingingStringClicks() {
        double open = hertz(STEEL, 3, 0);
        double[] once = note(STEEL, 3, 0, 1);
        double pluck = sharpest(once, 0, once.length);
        double ringing = sharpest(once, (int) (0.25 * RATE), (int) (0.45 * RATE));
        List<String> clicks = new ArrayList<>();
        for (String what : List.of("again", "lift", "hammer", "pull", "slide", "bend", "slap")) {
            GuitarSound guitar = new GuitarSound(Strings.usual(STEEL));
            double from = what.equals("pull") ? hertz(STEEL, 3, 2) : open;
            guitar.pluck(0, 3, pluck(from), 0);
            long when = (long) (0.3 * RATE);
            double higher = hertz(STEEL, 3, 2);
            switch (what) {
                case "again" -> guitar.pluck(when, 3, pluck(higher), 0);
                case "lift" -> guitar.lift(when, 3);
                case "hammer" -> guitar.slur(when, 3, SlurKind.HAMMER, higher, 1);
                case "pull" -> guitar.slur(when, 3, SlurKind.PULL, open, 1);
                case "slide" -> guitar.slur(when, 3, SlurKind.SLIDE, higher, 1);
                case "bend" -> guitar.slur(when, 3, SlurKind.BEND, higher, 1);
                default -> guitar.hit(when, HitKind.SLAP, 1e-9);
            }
            double[] samples = heard(guitar, 0.6);
            double sharp = sharpest(samples, (int) (0.27 * RATE), (int) (0.45 * RATE));
            double allowed =
                    switch (what) {
                        case "again" -> 1.3 * pluck;
                        case "lift", "slap", "bend" -> 1.1 * ringing;
                        default -> 0.6 * pluck;
                    };
            if (sharp > allowed) {
                clicks.add(what + " " + sharp + " where " + allowed);
            }
        }
        assertThat(clicks).as("a pluck %.4f, ringing %.4f", pluck, ringing).isEmpty();
    }

    @Test
    void aSlurLandsOnItsPitchAndALiftEndsTheString() {
        for (SlurKind kind : SlurKind.values()) {
            GuitarSound guitar = new GuitarSound(Strings.usual(STEEL));
            double to = hertz(STEEL, 2, kind == SlurKind.PULL ? 1 : 3);
            guitar.pluck(0, 2, pluck(hertz(STEEL, 2, kind == SlurKind.PULL ? 3 : 1)), 0);
            guitar.slur((long) (0.3 * RATE), 2, kind, to, 1);
            guitar.lift((long) (1.6 * RATE), 2);
            double[] samples = heard(guitar, 2.2);
            assertThat(cents(peak(spectrum(samples, 0.45, 1.1), to), to))
                    .as("%s", kind)
                    .isCloseTo(0, within(2.0));
            assertThat(power(samples, 1.5, 1.6) - power(samples, 1.75, 1.85))
                    .as("what rings along is softer")
                    .isGreaterThan(22);
        }
    }

    @Test
    void aSlapStopsTheLowStringsAndAChuckAll() {
        for (HitKind kind : List.of(HitKind.SLAP, HitKind.CHUCK, HitKind.KNOCK)) {
            for (int string : List.of(1, 6)) {
                GuitarSound guitar = new GuitarSound(Strings.usual(STEEL));
                guitar.pluck(0, string, pluck(hertz(STEEL, string, 0)), 0);
                guitar.hit((long) (0.4 * RATE), kind, 1e-6);
                double[] samples = heard(guitar, 1);
                boolean stopped = power(samples, 0.3, 0.4) - power(samples, 0.6, 0.7) > 22;
                assertThat(stopped).as("%s on string %d", kind, string).isEqualTo(kind.damps(string, 6));
            }
        }
    }

    /** An open string that nobody touches rings with its octave below, softly; a damped one does not. */
    @Test
    void openStringsRingAlongALittle() {
        double octave = hertz(STEEL, 4, 0);
        double[] free = soundOfLowD(false);
        double[] damped = soundOfLowD(true);
        double along = loudest(spectrum(free, 0.9, 0.5), octave) / loudest(spectrum(damped, 0.9, 0.5), octave);
        assertThat(20 * Math.log10(along)).isGreaterThan(6);
        assertThat(power(note(STEEL, 6, 0, 1), 0.2, 0.4) - power(free, 0.9, 1.2))
                .isGreaterThan(20);
    }

    /** D on the low string for half a second, then stopped: what is left after it. */
    private static double[] soundOfLowD(boolean dampOthers) {
        Instrument dropped = new Instrument(Guitar.STEEL, Tuning.parse("D2 A2 D3 G3 B3 E4"), 0);
        GuitarSound guitar = new GuitarSound(Strings.usual(dropped));
        guitar.pluck(0, 6, pluck(hertz(dropped, 6, 0)), 0);
        guitar.lift((long) (0.6 * RATE), 6);
        if (dampOthers) {
            for (int string = 1; string <= 5; string++) {
                guitar.lift((long) (0.6 * RATE), string);
            }
        }
        return heard(guitar, 1.5);
    }
}

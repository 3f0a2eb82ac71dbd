package phalanx.sound.guitar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import phalanx.theory.Pitch;

/**
 * The loop of a string against what filter theory says of it: its response is summed up here from its taps, sample by
 * sample, and compared with the pitch and the times it was made for (J. O. Smith, Physical Audio Signal Processing, from
 * memory).
 */
class LoopFilterTest {
    private static final int RATE = 44_100;
    private static final int[] OPEN = {64, 59, 55, 50, 45, 40};

    /** Size and delay in samples of one round through the loop, from an impulse sent through it. */
    private static double[] response(LoopFilter loop, double hertz) {
        double w = 2 * Math.PI * hertz / RATE;
        double d = loop.fraction;
        double[] taps = {Lagrange.h0(d), Lagrange.h1(d), Lagrange.h2(d), Lagrange.h3(d)};
        double real = 0;
        double imaginary = 0;
        double held = 0;
        for (int sample = 0; sample < 4_000; sample++) {
            double in = sample < taps.length ? taps[sample] : 0;
            held = loop.gain * in + loop.pole * held;
            real += held * Math.cos(w * sample);
            imaginary -= held * Math.sin(w * sample);
        }
        double lag = Math.atan2(-imaginary, real) / w;
        return new double[] {Math.hypot(real, imaginary), loop.whole + lag};
    }

    /** A place on the neck: the string's pitch there, how long it rings, and the loop that is made for it. */
    private record Place(double hertz, StringTone tone, LoopFilter loop) {
        static Place of(boolean steel, int string, int fret) {
            double hertz = Pitch.hertz(OPEN[string - 1] + fret);
            StringTone tone = StringTone.open(steel, string).at(fret);
            return new Place(hertz, tone, new LoopFilter(hertz, tone, RATE));
        }

        static Place any(Random random) {
            return of(random.nextBoolean(), 1 + random.nextInt(6), random.nextInt(20));
        }
    }

    @Property(tries = 100)
    void aRoundTakesThePeriodAndLosesWhatItShould(@ForAll long seed) {
        Place place = Place.any(new Random(seed));
        double[] round = response(place.loop, place.hertz);
        double cents = 1200 * Math.log(RATE / round[1] / place.hertz) / Math.log(2);
        assertThat(cents).as("tuning").isCloseTo(0, within(0.5));
        double rounds = place.hertz * place.tone.seconds();
        double decibels = 20 * Math.log10(round[0]) * rounds;
        assertThat(decibels).as("after its time it is 60 dB down").isCloseTo(-60, within(1.0));
        assertThat(place.loop.fraction).isBetween(0.9, 2.1);
        assertThat(place.loop.pole).isBetween(0.0, 1.0);
    }

    /** A loop that gains anywhere grows without end. */
    @Property(tries = 40)
    void noFrequencyGains(@ForAll long seed) {
        LoopFilter loop = Place.any(new Random(seed)).loop;
        for (double hertz = 20; hertz < RATE / 2.0; hertz *= 1.07) {
            assertThat(response(loop, hertz)[0]).as(hertz + " Hz").isLessThan(1);
        }
    }

    /** Partials above die away sooner, and those of nylon sooner than those of steel. */
    @Property(tries = 40)
    void highPartialsDieAwaySooner(@ForAll long seed) {
        Random random = new Random(seed);
        int string = 1 + random.nextInt(6);
        int fret = random.nextInt(13);
        double[] high = new double[2];
        for (int material = 0; material < 2; material++) {
            Place place = Place.of(material == 0, string, fret);
            double before = Double.MAX_VALUE;
            for (int partial = 1; partial * place.hertz < 6_000; partial += 2) {
                double size = response(place.loop, partial * place.hertz)[0];
                assertThat(size).isLessThanOrEqualTo(before * 1.002);
                before = size;
            }
            high[material] = response(place.loop, 3_000)[0];
        }
        assertThat(high[1]).isLessThan(high[0]);
    }

    /** Four taps lie on any cubic curve exactly. */
    @Property(tries = 100)
    void curvesOfThirdOrderAreMetExactly(@ForAll long seed, @ForAll @DoubleRange(min = 0, max = 3) double d) {
        Random random = new Random(seed);
        double[] factors = random.doubles(4, -2, 2).toArray();
        double met = 0;
        double[] taps = {Lagrange.h0(d), Lagrange.h1(d), Lagrange.h2(d), Lagrange.h3(d)};
        for (int tap = 0; tap < taps.length; tap++) {
            met += taps[tap] * curve(factors, tap);
        }
        assertThat(met).isCloseTo(curve(factors, d), within(1e-9));
        assertThat(taps[0] + taps[1] + taps[2] + taps[3]).isCloseTo(1, within(1e-12));
        assertThat(Lagrange.delay(Math.max(0.01, d), 1e-4)).isCloseTo(Math.max(0.01, d), within(1e-4));
        assertThat(Lagrange.size(d, 1e-4)).isCloseTo(1, within(1e-6));
    }

    private static double curve(double[] factors, double x) {
        return factors[0] + x * (factors[1] + x * (factors[2] + x * factors[3]));
    }

    @Example
    void tonesGoFromOneToAnother() {
        StringTone open = StringTone.open(true, 6);
        assertThat(open.at(14).seconds()).as("half as long").isCloseTo(open.seconds() / 2, within(1e-9));
        assertThat(open.towards(StringTone.HEEL, 0)).isEqualTo(open);
        StringTone all = open.towards(StringTone.HEEL, 1);
        assertThat(all.seconds()).isCloseTo(StringTone.HEEL.seconds(), within(1e-9));
        assertThat(open.towards(StringTone.HEEL, 0.5).seconds())
                .as("the geometric mean")
                .isCloseTo(Math.sqrt(open.seconds() * StringTone.HEEL.seconds()), within(1e-9));
        assertThatThrownBy(() -> new StringTone(0, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new StringTone(1, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }
}

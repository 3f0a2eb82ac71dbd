package phalanx.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.ChartText;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.sound.guitar.GuitarSound;
import phalanx.technique.Attack;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** A song of four bars with a tune, on both kinds of strings: when and how loud it is heard, and where the cursor stands. */
class TransportTest {
    private static final int RATE = GuitarSound.RATE;
    private static final int BAR = 4 * Ticks.QUARTER;

    private static Song song() {
        Song chords = ChartText.parse("| C | G | Am | C |", Meter.COMMON)
                .over(TuneEdit.empty("Four bars", Key.C_MAJOR, 120, Meter.COMMON, 4));
        List<MelodyNote> tune = List.of(
                new MelodyNote(0, BAR, Pitch.parse("E4")),
                new MelodyNote(BAR, BAR, Pitch.parse("G4")),
                new MelodyNote(2 * BAR, BAR, Pitch.parse("C5")),
                new MelodyNote(3 * BAR, BAR, Pitch.parse("E4")));
        return new Song("Four bars", Key.C_MAJOR, 120, chords.bars(), chords.sections(), chords.chart(), tune);
    }

    private static Arrangement arranged(Guitar guitar) {
        return new Arranger(new Instrument(guitar, Tuning.STANDARD, 0), Hand.AVERAGE).arrange(song());
    }

    private static final Arrangement STEEL = arranged(Guitar.STEEL);

    private static float[] rendered(Arrangement arrangement, Mix mix, double speed) {
        return Rendering.of(
                Performance.of(arrangement),
                Transport.Stretch.once(0, arrangement.song().endTick()),
                mix,
                speed);
    }

    private static Mix only(Layer... layers) {
        Mix mix = Mix.USUAL;
        for (Layer layer : Layer.values()) {
            mix = mix.with(layer, Arrays.asList(layers).contains(layer) ? 1 : 0);
        }
        return mix;
    }

    private static double decibels(float[] samples) {
        double sum = 0;
        for (float sample : samples) {
            sum += (double) sample * sample;
        }
        return 10 * Math.log10(sum / samples.length + 1e-20);
    }

    private static float loudest(float[] samples, double from, double to) {
        float loudest = 0;
        for (int i = (int) (2 * RATE * from); i < Math.min(samples.length, (int) (2 * RATE * to)); i++) {
            loudest = Math.max(loudest, Math.abs(samples[i]));
        }
        return loudest;
    }

    @Test
    void theTuneStandsOverTheInnerNotesAndNothingClips() {
        for (Arrangement arrangement : List.of(STEEL, arranged(Guitar.NYLON))) {
            double tune = decibels(rendered(arrangement, only(Layer.TUNE), 1));
            double fingers = decibels(rendered(arrangement, only(Layer.FINGERS), 1));
            double thumb = decibels(rendered(arrangement, only(Layer.THUMB), 1));
            assertThat(tune - fingers).isGreaterThan(4);
            assertThat(tune).isGreaterThan(thumb - 2);
            float[] all = rendered(arrangement, Mix.USUAL, 1);
            assertThat(loudest(all, 0, 20)).isBetween(0.15f, 0.951f);
            assertThat(decibels(rendered(arrangement, only(), 1))).isLessThan(-150);
        }
    }

    /** The layers together are the whole, but for what rings along and the limiter. */
    /** How strong a frequency is from one time to another, by Goertzel's recurrence (1958), from memory. */
    private static double strength(float[] samples, double hertz, double from, double to) {
        double turn = 2 * Math.cos(2 * Math.PI * hertz / RATE);
        double one = 0;
        double two = 0;
        for (int frame = (int) (RATE * from); frame < (int) (RATE * to); frame++) {
            double now = samples[2 * frame] + turn * one - two;
            two = one;
            one = now;
        }
        return one * one + two * two - turn * one * two;
    }

    /** F pulled off to the open E: one pluck, the grace note first, 70 ms later the note itself. */
    @Test
    void aGraceNoteIsHeardBeforeItsNote() {
        Song song = song();
        MelodyNote open = song.melody().get(0);
        List<MelodyNote> tune = new ArrayList<>(song.melody());
        tune.set(0, open.graced(List.of(Pitch.parse("F4"))));
        Arrangement arrangement = new Arranger(new Instrument(Guitar.STEEL, Tuning.STANDARD, 0), Hand.AVERAGE)
                .arrange(song.withMelody(tune));
        assertThat(arrangement.notes()).anyMatch(note -> note.attack() instanceof Attack.Graced);
        float[] heard = rendered(arrangement, only(Layer.TUNE), 1);
        double f = Pitch.hertz(Pitch.parse("F4").midi());
        double e = Pitch.hertz(open.midi());
        assertThat(strength(heard, f, 0.005, 0.068)).isGreaterThan(3 * strength(heard, e, 0.005, 0.068));
        assertThat(strength(heard, e, 0.12, 0.5)).isGreaterThan(100 * strength(heard, f, 0.12, 0.5));
    }

    /** In its last moments the note before already sounds as high as the one that the finger slides to; so long not before. */
    @Test
    void aShiftSlideIsHeardBeforeThePluck() {
        ArrangedNote from = STEEL.notes().stream()
                .filter(note -> note.role() == Role.MELODY && note.fret() > 0 && note.lengthTicks() >= Ticks.QUARTER)
                .findFirst()
                .orElseThrow();
        ArrangedNote to = new ArrangedNote(
                from.endTick(),
                Ticks.QUARTER,
                Ticks.QUARTER,
                from.string(),
                from.fret() + 2,
                from.midi() + 2,
                Role.MELODY,
                from.left(),
                from.right(),
                Attack.ARRIVED,
                from.weight());
        Arrangement two = STEEL.coloured(List.of(from, to), STEEL.holds(), List.of(), List.of());
        float[] heard = rendered(two, only(Layer.TUNE), 1);
        double pluck = Ticks.milliseconds(to.tick(), STEEL.song().tempo()) / 1000;
        double high = Pitch.hertz(to.midi());
        double low = Pitch.hertz(from.midi());
        assertThat(strength(heard, low, pluck - 0.2, pluck - 0.07))
                .isGreaterThan(3 * strength(heard, high, pluck - 0.2, pluck - 0.07));
        assertThat(strength(heard, high, pluck - 0.02, pluck)).isGreaterThan(strength(heard, low, pluck - 0.02, pluck));
        assertThat(strength(heard, high, pluck + 0.05, pluck + 0.2))
                .as("plucked again")
                .isGreaterThan(2 * strength(heard, low, pluck - 0.2, pluck - 0.07));
    }

    @Test
    void soloAndSilentAreEachOthersRest() {
        float[] solo = rendered(STEEL, Mix.USUAL.solo(Layer.THUMB), 1);
        assertThat(solo).isEqualTo(rendered(STEEL, only(Layer.THUMB), 1));
        assertThat(decibels(rendered(STEEL, Mix.USUAL.with(Layer.THUMB, 0), 1)))
                .isLessThan(decibels(rendered(STEEL, Mix.USUAL, 1)));
        assertThat(Mix.USUAL.with(Layer.CLICK, 0.5).solo(Layer.TUNE).level(Layer.CLICK))
                .isEqualTo(0.5);
        assertThatThrownBy(() -> Mix.USUAL.with(Layer.TUNE, 1.5)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.3, 0.7, 1, 1.5})
    void everyOnsetIsWhereTheScoreHasItAtAnySpeed(double speed) {
        // each thumb note alone, so that its onset can be seen
        for (ArrangedNote note : STEEL.notes().stream()
                .filter(note -> note.right() == Digit.P)
                .limit(6)
                .toList()) {
            Arrangement alone = STEEL.coloured(List.of(note), STEEL.holds(), List.of(), List.of());
            float[] samples = rendered(alone, Mix.USUAL, speed);
            int first = 0;
            float heard = 1e-3f * loudest(samples, 0, 60);
            while (Math.abs(samples[2 * first]) < heard) {
                first++;
            }
            double wanted = Ticks.milliseconds(note.tick(), 120 * speed) / 1000;
            assertThat(first / (double) RATE).isCloseTo(wanted, within(0.0015));
        }
        float[] whole = rendered(STEEL, Mix.USUAL, speed);
        assertThat(whole.length / 2.0 / RATE).isCloseTo(8 / speed + 1.5, within(0.02));
    }

    @Test
    void aLoopIsCountedInAndEveryRoundIsAlike() {
        Bar first = STEEL.song().bars().get(0);
        Transport.Stretch stretch = Transport.Stretch.once(0, BAR).times(4).after(first);
        float[] sound = Rendering.of(Performance.of(STEEL), stretch, only(Layer.THUMB, Layer.CLICK), 1);
        assertThat(sound.length / 2.0 / RATE).isCloseTo(2 + 4 * 2 + 1.5, within(0.02));
        // four clicks, the first the highest, and silence between
        for (int beat = 0; beat < 4; beat++) {
            assertThat(loudest(sound, beat * 0.5, beat * 0.5 + 0.03)).isGreaterThan(0.05f);
            assertThat(loudest(sound, beat * 0.5 + 0.05, beat * 0.5 + 0.45)).isLessThan(0.002f);
        }
        // from the second round on what rang before rings in
        float[] second = Arrays.copyOfRange(sound, 2 * RATE * 4, 2 * RATE * 6);
        float[] third = Arrays.copyOfRange(sound, 2 * RATE * 6, 2 * RATE * 8);
        assertThat(decibels(second)).isCloseTo(decibels(third), within(0.1));
    }

    @Test
    void roundsGrowFasterAsSoonAsItIsAskedFor() {
        Transport transport = new Transport(Performance.of(STEEL), Transport.Stretch.loop(0, BAR), Mix.USUAL, 1);
        float[] round = new float[5 * RATE];
        transport.read(round, 2 * RATE + 100);
        assertThat(transport.speed()).isEqualTo(1);
        transport.setFaster(0.25);
        transport.read(round, 2 * RATE);
        assertThat(transport.speed()).isEqualTo(1.25);
        transport.setFaster(0);
        transport.read(round, 2 * RATE);
        assertThat(transport.speed()).isEqualTo(1.25);
    }

    /** The cursor by its own arithmetic: counted in, twice round with the second faster, and after a change of speed. */
    @Test
    void theCursorStandsWhereItIsHeard() {
        Bar first = STEEL.song().bars().get(0);
        Transport transport = new Transport(
                Performance.of(STEEL),
                Transport.Stretch.loop(0, BAR).after(first).faster(0.25, 1.5),
                Mix.USUAL,
                1);
        float[] chunk = new float[2 * 700];
        double lead = GuitarSound.LEAD / (double) RATE;
        for (int frames = 0; frames < 9 * RATE; frames += 700) {
            assertThat(transport.read(chunk, 700)).isEqualTo(700);
        }
        assertThat(transport.tickAt(lead)).isCloseTo(-BAR, within(1.0));
        assertThat(transport.tickAt(lead + 1)).isCloseTo(-BAR / 2.0, within(1.0));
        assertThat(transport.tickAt(lead + 3)).isCloseTo(BAR / 2.0, within(1.0));
        // the second round lasts 1.6 s, the third 1.33
        assertThat(transport.tickAt(lead + 4.8)).isCloseTo(BAR / 2.0, within(1.0));
        assertThat(transport.tickAt(lead + 5.6 + 2 / 3.0)).isCloseTo(BAR / 2.0, within(1.0));
        assertThat(transport.speed()).isEqualTo(1.5);
        transport.setSpeed(0.5);
        double now = transport.tickAt(12.86);
        for (int frames = 0; frames < RATE; frames += 700) {
            transport.read(chunk, 700);
        }
        assertThat(now).isBetween(0.0, (double) BAR);
        assertThatThrownBy(() -> transport.setSpeed(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aSpeedThatChangesWhilePlayingChangesTheCursorsPace() {
        Transport transport = new Transport(Performance.of(STEEL), Transport.Stretch.once(0, 4 * BAR), Mix.USUAL, 1);
        float[] chunk = new float[2 * RATE];
        transport.read(chunk, RATE);
        transport.setSpeed(0.5);
        transport.read(chunk, RATE);
        double lead = GuitarSound.LEAD / (double) RATE;
        assertThat(transport.tickAt(1 + lead)).isCloseTo(BAR / 2.0, within(1.0));
        assertThat(transport.tickAt(2 + lead)).isCloseTo(BAR * 0.75, within(1.0));
        while (transport.read(chunk, RATE) == RATE) {
            // to the end
        }
        assertThat(transport.tickAt(1000)).isEqualTo(4 * BAR);
    }

    /** A sung tune is silent, or on wish there softly: F sharp 5, which no string of the C chord has near. */
    @Test
    void aSungTuneIsHeardOnWish() {
        Song song = new Song(
                "One bar",
                Key.C_MAJOR,
                120,
                List.of(new Bar(1, 0, BAR, Meter.COMMON)),
                List.of(),
                ChartText.parse("| C |", Meter.COMMON)
                        .over(TuneEdit.empty("One bar", Key.C_MAJOR, 120, Meter.COMMON, 1))
                        .chart(),
                List.of(new MelodyNote(0, BAR, Pitch.parse("F#5"))));
        Arrangement sung = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(song, Picking.PLAIN, Wishes.USUAL.withTune(TuneUse.SUNG), List.of(), () -> false);
        double hertz = Pitch.hertz(Pitch.parse("F#5").midi());
        double silent = size(rendered(sung, Mix.USUAL, 1), hertz);
        double heard = size(rendered(sung, Mix.USUAL.with(Layer.VOICE, 1), 1), hertz);
        assertThat(heard).isGreaterThan(10 * silent).isBetween(0.005, 0.1);
    }

    /** The size of one frequency in the first second and a half, on the left: one coefficient of a Fourier transform. */
    private static double size(float[] samples, double hertz) {
        int length = 3 * RATE / 2;
        double cosine = 0;
        double sine = 0;
        for (int i = 0; i < length; i++) {
            double angle = 2 * Math.PI * hertz * i / RATE;
            cosine += samples[2 * i] * Math.cos(angle);
            sine += samples[2 * i] * Math.sin(angle);
        }
        return 2 * Math.hypot(cosine, sine) / length;
    }

    @Test
    void theSilentClockPullsAsMuchAsWouldBeHeard() {
        AtomicLong now = new AtomicLong(5);
        SilentOutput clock = new SilentOutput(now::get);
        long[] pulled = new long[1];
        clock.start((out, frames) -> {
            int some = (int) Math.min(frames, 4L * RATE - pulled[0]);
            pulled[0] += some;
            return some;
        });
        now.addAndGet(2_500_000_000L);
        assertThat(clock.seconds()).isCloseTo(2.5, within(1e-9));
        assertThat(pulled[0]).isBetween((long) (2.5 * RATE), (long) (2.5 * RATE) + 2048);
        assertThat(clock.isOver()).isFalse();
        now.addAndGet(2_000_000_000L);
        assertThat(clock.seconds()).isCloseTo(4.5, within(1e-9));
        assertThat(clock.isOver()).isTrue();
        clock.stop();
        now.addAndGet(1_000_000_000L);
        assertThat(clock.seconds()).isCloseTo(4.5, within(1e-9));
        assertThat(clock.audible()).isFalse();
        // a machine that slept for a day plays on where it was
        clock.start((out, frames) -> frames);
        now.addAndGet(86_400_000_000_000L);
        assertThat(clock.seconds()).isLessThan(61);
        assertThat(LineOutput.orSilence()).isNotNull();
    }

    /** The JDK's own reader finds what was written: two channels of 16 bits, 44,100 frames a second. */
    @Test
    void aWavFileHoldsTheSamples() throws Exception {
        byte[] file = new WavWriter().write(new float[] {0, 1, -1, 0.5f, 2, -2});
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
            assertThat(in.getFormat().getChannels()).isEqualTo(2);
            assertThat(in.getFormat().getSampleRate()).isEqualTo(44_100);
            assertThat(in.getFrameLength()).isEqualTo(3);
            assertThat(in.readAllBytes()).containsExactly(0, 0, -1, 127, 1, -128, 0, 64, -1, 127, 1, -128);
        }
    }

    @Test
    void soundsFollowOneAnotherAndPitchesRingTogether() {
        Sequence both = new Sequence(List.of(new Plucks(List.of(45, 57), 0.5), new Plucks(List.of(64), 0.1)));
        float[] chunk = new float[2 * RATE];
        long frames = 0;
        int got = RATE;
        while (got == RATE) {
            got = both.read(chunk, RATE);
            frames += got;
        }
        assertThat(frames / (double) RATE).isCloseTo(2.2 + 1 + 2.2 + 0.1, within(0.01));
        assertThat(new Sequence(List.of()).read(chunk, 10)).isZero();
    }
}

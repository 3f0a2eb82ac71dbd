package phalanx.sound;

import java.util.List;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.theory.Pitch;

/** Renders an arrangement to samples: every note a plucked string, the tune loudest, then the bass, then the rest. */
public final class Renderer {
    public static final int SAMPLE_RATE = 44_100;

    private static final double GHOST = 0.45;
    private static final double ACCENT = 1.35;
    /** A hammered or pulled note beside a plucked one. */
    private static final double SLURRED = 0.6;

    private static final double RELEASE_SECONDS = 0.06;
    private static final double TAIL_SECONDS = 1.5;
    private static final double STRUM_SECONDS = 2.2;
    private static final double STRUM_GAP_SECONDS = 0.07;
    private static final double PEAK = 0.85;
    /** How loud the sung tune is beside a string's first swing. */
    private static final double VOICE = 0.12;

    private static final double OCTAVE_SHARE = 0.3;
    private static final double SWELL_SECONDS = 0.03;

    /**
     * The whole song from a tick on, one channel, between -1 and 1.
     *
     * @param tempo quarter notes a minute
     * @param sungTune whether a tune that is sung is heard softly with it
     */
    public float[] render(Arrangement arrangement, int fromTick, double tempo, boolean sungTune) {
        return render(arrangement, fromTick, arrangement.song().endTick(), tempo, sungTune);
    }

    /** Its notes from a tick on, up to another and as long as strings ring on; a sung tune is not heard. */
    public float[] render(Arrangement arrangement, int fromTick, int toTick, double tempo) {
        return render(arrangement.between(fromTick, toTick), fromTick, toTick, tempo, false);
    }

    private float[] render(Arrangement arrangement, int fromTick, int toTick, double tempo, boolean sungTune) {
        double songSeconds = Ticks.milliseconds(toTick - fromTick, tempo) / 1000;
        float[] out = new float[(int) ((Math.max(0, songSeconds) + TAIL_SECONDS) * SAMPLE_RATE)];
        for (ArrangedNote note : arrangement.notes()) {
            if (note.tick() >= fromTick) {
                add(note, fromTick, tempo, out);
            }
        }
        for (Hit hit : arrangement.hits()) {
            if (hit.tick() >= fromTick) {
                add(hit, fromTick, tempo, out);
            }
        }
        if (sungTune && arrangement.request().tune() == TuneUse.SUNG) {
            arrangement.song().melody().stream()
                    .filter(note -> note.tick() >= fromTick)
                    .forEach(note -> sing(note, fromTick, tempo, out));
        }
        normalise(out);
        return out;
    }

    /** A soft tone that stands apart from strings: a sine with a little of its octave, swelling and fading. */
    private static void sing(MelodyNote note, int fromTick, double tempo, float[] out) {
        int start = (int) (Ticks.milliseconds(note.tick() - fromTick, tempo) / 1000 * SAMPLE_RATE);
        int length = (int) (Ticks.milliseconds(note.lengthTicks(), tempo) / 1000 * SAMPLE_RATE);
        double swell = Math.max(1, Math.min(SWELL_SECONDS * SAMPLE_RATE, length / 2.0));
        double step = 2 * Math.PI * Pitch.hertz(note.midi()) / SAMPLE_RATE;
        for (int i = 0; i < length && start + i < out.length; i++) {
            double loudness = VOICE * Math.min(1, Math.min(i, length - i) / swell);
            out[start + i] += (float) (loudness * (Math.sin(step * i) + OCTAVE_SHARE * Math.sin(2 * step * i)));
        }
    }

    /**
     * Strings plucked one just after the other, as to hear a shape or, with one string, a pitch to tune to.
     *
     * @param midi the pitches in the order they are plucked
     */
    public float[] strum(List<Integer> midi) {
        return oneByOne(midi, STRUM_GAP_SECONDS);
    }

    /**
     * Strings plucked one after the other, all ringing on.
     *
     * @param midi the pitches in the order they are plucked
     * @param gapSeconds from one to the next
     */
    public float[] oneByOne(List<Integer> midi, double gapSeconds) {
        float[] out = new float[(int) ((STRUM_SECONDS + gapSeconds * midi.size()) * SAMPLE_RATE)];
        for (int i = 0; i < midi.size(); i++) {
            int start = (int) (i * gapSeconds * SAMPLE_RATE);
            PluckedString string = new PluckedString(Pitch.hertz(midi.get(i)), SAMPLE_RATE, 1, i);
            for (int at = start; at < out.length; at++) {
                double fade = Math.min(1, (out.length - at) / (RELEASE_SECONDS * SAMPLE_RATE));
                out[at] += (float) (fade * string.next());
            }
        }
        normalise(out);
        return out;
    }

    private static void add(ArrangedNote note, int fromTick, double tempo, float[] out) {
        int start = (int) (Ticks.milliseconds(note.tick() - fromTick, tempo) / 1000 * SAMPLE_RATE);
        int sounding = (int) (Ticks.milliseconds(note.lengthTicks(), tempo) / 1000 * SAMPLE_RATE);
        int release = (int) (RELEASE_SECONDS * SAMPLE_RATE);
        double cents =
                note.attack() instanceof Attack.Touched touched ? touched.node().cents() : 0;
        double hertz = Pitch.hertz(note.midi()) * Math.pow(2, cents / 1200);
        PluckedString string = new PluckedString(hertz, SAMPLE_RATE, loudness(note), note.tick() * 31L + note.string());
        int end = Math.min(out.length, start + sounding + release);
        for (int i = start; i < end; i++) {
            int released = i - start - sounding;
            double fade = released > 0 ? 1 - released / (double) release : 1;
            out[i] += (float) (fade * string.next());
        }
    }

    private static double loudness(ArrangedNote note) {
        double role =
                switch (note.role()) {
                    case MELODY -> 1.0;
                    case BASS -> 0.75;
                    case INNER -> 0.5;
                };
        if (!note.attack().plucked()) {
            return SLURRED * role;
        }
        return switch (note.weight()) {
            case GHOST -> GHOST * role;
            case PLAIN -> role;
            case ACCENT -> ACCENT * role;
        };
    }

    private static void add(Hit hit, int fromTick, double tempo, float[] out) {
        int start = (int) (Ticks.milliseconds(hit.tick() - fromTick, tempo) / 1000 * SAMPLE_RATE);
        float[] sound = HitSound.of(hit.kind(), SAMPLE_RATE, hit.tick());
        for (int i = 0; i < sound.length && start + i < out.length; i++) {
            out[start + i] += sound[i];
        }
    }

    static void normalise(float[] samples) {
        float peak = 0;
        for (float sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        if (peak > 0) {
            float gain = (float) (PEAK / peak);
            for (int i = 0; i < samples.length; i++) {
                samples[i] *= gain;
            }
        }
    }

    /** A stretch of samples as 16-bit little-endian PCM. */
    static byte[] pcm(float[] samples, int from, int to) {
        byte[] bytes = new byte[2 * (to - from)];
        for (int i = from; i < to; i++) {
            short value = (short) Math.round(samples[i] * Short.MAX_VALUE);
            bytes[2 * (i - from)] = (byte) value;
            bytes[2 * (i - from) + 1] = (byte) (value >> 8);
        }
        return bytes;
    }
}

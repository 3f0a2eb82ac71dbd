package phalanx.listening;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.Ticks;
import phalanx.sound.Performance;
import phalanx.sound.guitar.GuitarSound;

/** Plays an arrangement with flaws of one's choice, and tells which: for trying out what listening finds. */
public final class SimulatedPlayer {
    private static final double LEAD_IN_SECONDS = 0.4;
    private static final double TAIL_SECONDS = 1;
    /** A string is let go before an early stroke could take it up. */
    private static final double LET_EARLIER_SECONDS = 0.06;

    /**
     * What is wrong with the playing.
     *
     * @param thumbLateMs by beat of the bar, beat 1 first; further beats are on time
     * @param thumbSpreadMs standard deviation of every thumb stroke
     * @param fingerSpreadMs of every finger stroke
     * @param wrong share of notes a semitone or two beside
     * @param missing share of notes left out
     * @param noiseDb below the playing; not a number for none
     */
    public record Flaws(
            List<Double> thumbLateMs,
            double thumbSpreadMs,
            double fingerSpreadMs,
            double wrong,
            double missing,
            double noiseDb) {
        /** None. */
        public static final Flaws NONE = new Flaws(List.of(), 0, 0, 0, 0, Double.NaN);

        public Flaws {
            thumbLateMs = List.copyOf(thumbLateMs);
        }
    }

    /**
     * A take and the truth about it.
     *
     * @param click the first tick of the passage and the tempo
     * @param thumb what each thumb stroke was late by, ms
     * @param wrong what sounded in place of a note
     * @param missing notes that were left out
     */
    public record Played(
            Take take,
            Click click,
            Map<ArrangedNote, Double> thumb,
            Map<ArrangedNote, Integer> wrong,
            List<ArrangedNote> missing) {}

    private final Arrangement arrangement;
    private final Flaws flaws;
    private final Random random;

    public SimulatedPlayer(Arrangement arrangement, Flaws flaws, long seed) {
        this.arrangement = arrangement;
        this.flaws = flaws;
        this.random = new Random(seed);
    }

    /** Plays from a tick up to another. */
    public Played play(int from, int to, double tempo) {
        Click click = new Click(LEAD_IN_SECONDS, tempo);
        Map<ArrangedNote, Double> thumb = new HashMap<>();
        Map<ArrangedNote, Integer> wrong = new HashMap<>();
        List<ArrangedNote> missing = new ArrayList<>();
        List<ArrangedNote> played = new ArrayList<>();
        Map<Integer, Double> late = new HashMap<>();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.tick() < from || note.tick() >= to) {
                continue;
            }
            if (random.nextDouble() < flaws.missing()) {
                missing.add(note);
                continue;
            }
            boolean byThumb = note.right() == Digit.P;
            double ms = byThumb
                    ? beatLate(note.tick()) + flaws.thumbSpreadMs() * random.nextGaussian()
                    : flaws.fingerSpreadMs() * random.nextGaussian();
            // a brush by the thumb is one stroke
            double of = late.computeIfAbsent(2 * note.tick() + (byThumb ? 1 : 0), key -> ms);
            if (byThumb) {
                thumb.put(note, of);
            }
            if (random.nextDouble() < flaws.wrong()) {
                int by = (random.nextBoolean() ? 1 : -1) * (1 + random.nextInt(2));
                wrong.put(note, note.midi() + (note.fret() + by < 0 ? -by : by));
            }
            played.add(note);
        }
        float[] samples = sound(played, wrong, late, click, from, to);
        noise(samples);
        return new Played(new Take(samples, GuitarSound.RATE), click, thumb, wrong, missing);
    }

    private double beatLate(int tick) {
        Bar bar = arrangement.song().barAt(tick);
        int beat = bar.offsetOf(tick) / bar.meter().beatTicks();
        return beat < flaws.thumbLateMs().size() ? flaws.thumbLateMs().get(beat) : 0;
    }

    private float[] sound(
            List<ArrangedNote> played,
            Map<ArrangedNote, Integer> wrong,
            Map<Integer, Double> late,
            Click click,
            int from,
            int to) {
        List<ArrangedNote> sounding = played.stream()
                .map(note -> wrong.containsKey(note) ? note.sounding(wrong.get(note)) : note)
                .toList();
        Performance performance =
                Performance.of(arrangement.coloured(sounding, arrangement.holds(), List.of(), List.of()));
        GuitarSound guitar = new GuitarSound(performance.strings());
        Map<List<Integer>, Double> ms = new HashMap<>();
        played.forEach(note -> ms.put(
                List.of(note.tick(), note.string()), late.get(2 * note.tick() + (note.right() == Digit.P ? 1 : 0))));
        double secondsATick = Ticks.milliseconds(1, click.tempo()) / 1000;
        for (Performance.Act act : performance.acts()) {
            if (act.string() == 0 || act.tick() < from) {
                continue;
            }
            boolean ends = act.isLet();
            double off = ends ? -LET_EARLIER_SECONDS : ms.get(List.of(act.tick(), act.string())) / 1000;
            double seconds = click.at(act.tick() - from) + off;
            long frame = Math.round(seconds * GuitarSound.RATE) - GuitarSound.LEAD;
            act.tell(guitar, frame, 1, true, secondsATick);
        }
        int frames = (int) ((click.at(to - from) + TAIL_SECONDS) * GuitarSound.RATE);
        float[] stereo = new float[2 * frames];
        guitar.read(stereo, 0, frames);
        float[] mono = new float[frames];
        for (int i = 0; i < frames; i++) {
            mono[i] = (stereo[2 * i] + stereo[2 * i + 1]) / 2;
        }
        return mono;
    }

    private void noise(float[] samples) {
        if (Double.isNaN(flaws.noiseDb())) {
            return;
        }
        double power = 0;
        for (float sample : samples) {
            power += (double) sample * sample / samples.length;
        }
        double level = Math.sqrt(power) * Math.pow(10, -flaws.noiseDb() / 20);
        for (int i = 0; i < samples.length; i++) {
            samples[i] += (float) (level * random.nextGaussian());
        }
    }
}

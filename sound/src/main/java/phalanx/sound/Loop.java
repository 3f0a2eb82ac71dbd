package phalanx.sound;

import java.util.List;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.Ticks;

/** Some bars played over and over, for practice: a bar of clicks first, then a click on every beat under the notes. */
public final class Loop {
    private static final double CLICK_HERTZ = 1600;
    private static final double ACCENT_HERTZ = 2200;
    private static final double CLICK_SECONDS = 0.03;
    private static final double CLICK = 0.22;

    private final Arrangement arrangement;
    private final List<Bar> bars;
    private final double tempo;

    /**
     * @param arrangement of which those notes are heard that begin in the bars
     * @param bars in a row
     * @param tempo quarter notes a minute
     */
    public Loop(Arrangement arrangement, List<Bar> bars, double tempo) {
        this.arrangement = arrangement;
        this.bars = List.copyOf(bars);
        this.tempo = tempo;
    }

    private int from() {
        return bars.get(0).startTick();
    }

    private int to() {
        return bars.get(bars.size() - 1).endTick();
    }

    private int samples(int ticks) {
        return (int) Math.round(Ticks.milliseconds(ticks, tempo) / 1000 * Renderer.SAMPLE_RATE);
    }

    private int countIn() {
        return bars.get(0).meter().barTicks();
    }

    /** How long it is with its bar of clicks, in seconds, without what rings on at the end. */
    public double seconds(int times) {
        return (samples(countIn()) + times * (double) samples(to() - from())) / Renderer.SAMPLE_RATE;
    }

    /** One channel, between -1 and 1; every time the same. */
    public float[] render(int times) {
        float[] once = new Renderer().render(arrangement, from(), to(), tempo);
        int start = samples(countIn());
        int length = samples(to() - from());
        float[] all = new float[start + (times - 1) * length + Math.max(length, once.length)];
        int beat = bars.get(0).meter().beatTicks();
        for (int tick = 0; tick < countIn(); tick += beat) {
            click(samples(tick), tick == 0, all);
        }
        for (int time = 0; time < times; time++) {
            int at = start + time * length;
            for (int i = 0; i < once.length; i++) {
                all[at + i] += once[i];
            }
            for (Bar bar : bars) {
                int step = bar.meter().beatTicks();
                int first = Math.floorMod(-bar.offsetOf(bar.startTick()), step);
                for (int tick = first; tick < bar.lengthTicks(); tick += step) {
                    boolean one = bar.offsetOf(bar.startTick() + tick) == 0;
                    click(at + samples(bar.startTick() + tick - from()), one, all);
                }
            }
        }
        Renderer.normalise(all);
        return all;
    }

    private static void click(int at, boolean accent, float[] out) {
        double step = 2 * Math.PI * (accent ? ACCENT_HERTZ : CLICK_HERTZ) / Renderer.SAMPLE_RATE;
        int length = (int) (CLICK_SECONDS * Renderer.SAMPLE_RATE);
        for (int i = 0; i < length && at + i < out.length; i++) {
            double fade = 1 - i / (double) length;
            out[at + i] += (float) (CLICK * fade * fade * Math.sin(step * i));
        }
    }
}

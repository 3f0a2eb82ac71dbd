package phalanx.desktop;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.Ticks;
import phalanx.sound.Loop;
import phalanx.sound.Output;
import phalanx.sound.Renderer;

/** Plays the arrangement and tells where it is. Samples are rendered in the background. */
public final class Playback {
    private static final double SLOWLY_SECONDS = 0.26;

    private final Output output;
    private final Executor background;
    private final Executor interfaceThread;
    private final AtomicLong latest = new AtomicLong();
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper();
    private boolean sungTune;
    private int fromTick;
    private double tempo = 1;
    private int endTick;

    public Playback(Output output, Executor background, Executor interfaceThread) {
        this.output = output;
        this.background = background;
        this.interfaceThread = interfaceThread;
    }

    public ReadOnlyBooleanProperty playingProperty() {
        return playing.getReadOnlyProperty();
    }

    /** Whether a sound card was found. */
    public boolean audible() {
        return output.audible();
    }

    /** Whether a tune that is sung is heard softly. */
    public boolean hearsSungTune() {
        return sungTune;
    }

    public void setHearsSungTune(boolean heard) {
        sungTune = heard;
    }

    /** Plays from a tick to the end. */
    public void play(Arrangement arrangement, int tick) {
        stop();
        long ticket = latest.incrementAndGet();
        playing.set(true);
        double songTempo = arrangement.song().tempo();
        boolean voice = sungTune;
        background.execute(() -> {
            float[] samples =
                    output.audible() ? new Renderer().render(arrangement, tick, songTempo, voice) : new float[0];
            interfaceThread.execute(() -> {
                if (latest.get() == ticket) {
                    fromTick = tick;
                    tempo = songTempo;
                    endTick = arrangement.song().endTick();
                    output.start(samples);
                }
            });
        });
    }

    /** Plays a stretch, from a tick up to another; the play cursor does not go along. */
    public void hear(Arrangement arrangement, int from, int to) {
        stop();
        long ticket = latest.get();
        background.execute(() -> {
            float[] samples = output.audible()
                    ? new Renderer()
                            .render(arrangement, from, to, arrangement.song().tempo())
                    : new float[0];
            interfaceThread.execute(() -> {
                if (latest.get() == ticket) {
                    output.start(samples);
                }
            });
        });
    }

    /** Plays the same stretch of several arrangements, one after the other. */
    public void hearInTurn(List<Arrangement> arrangements, int from, int to) {
        hear(() -> {
            float[] all = new float[0];
            for (Arrangement one : arrangements) {
                float[] part = new Renderer().render(one, from, to, one.song().tempo());
                int before = all.length;
                all = Arrays.copyOf(all, before + part.length);
                System.arraycopy(part, 0, all, before, part.length);
            }
            return all;
        });
    }

    /**
     * Plays bars over and over after a bar of clicks, a click on every beat; the play cursor does not go along.
     *
     * @return how long it takes, in seconds
     */
    public double loop(Arrangement part, List<Bar> bars, double atTempo, int times) {
        hear(() -> new Loop(part, bars, atTempo).render(times));
        return new Loop(part, bars, atTempo).seconds(times);
    }

    /**
     * Lets some pitches be heard, one just after the other.
     *
     * @param midi in the order they are plucked
     */
    public void hear(List<Integer> midi) {
        hear(() -> new Renderer().strum(midi));
    }

    /** Lets pitches sound slowly one after the other, all ringing on. */
    public void hearOneByOne(List<Integer> midi) {
        hear(() -> new Renderer().oneByOne(midi, SLOWLY_SECONDS));
    }

    private void hear(Supplier<float[]> sound) {
        stop();
        long ticket = latest.get();
        background.execute(() -> {
            float[] samples = output.audible() ? sound.get() : new float[0];
            interfaceThread.execute(() -> {
                if (latest.get() == ticket) {
                    output.start(samples);
                }
            });
        });
    }

    public void stop() {
        latest.incrementAndGet();
        output.stop();
        playing.set(false);
        endTick = 0;
    }

    /** Where the playback is, in ticks; the end stops it. */
    public int tick() {
        if (endTick == 0) {
            return fromTick;
        }
        int tick = fromTick + (int) (output.seconds() * 1000 / Ticks.milliseconds(1, tempo));
        if (tick >= endTick) {
            int end = endTick;
            stop();
            return end;
        }
        return tick;
    }
}

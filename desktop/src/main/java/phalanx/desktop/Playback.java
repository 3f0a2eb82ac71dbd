package phalanx.desktop;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Supplier;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.SimpleObjectProperty;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.library.Hearing;
import phalanx.guitar.StringSet;
import phalanx.song.Bar;
import phalanx.sound.Layer;
import phalanx.sound.Mix;
import phalanx.sound.Output;
import phalanx.sound.Performance;
import phalanx.sound.Plucks;
import phalanx.sound.SampleSource;
import phalanx.sound.Sequence;
import phalanx.sound.Transport;

/** Plays the arrangement and tells where it is. What is heard, and how fast, can be changed while it plays. */
public final class Playback {
    private static final double SLOWLY_SECONDS = 0.26;
    private static final double PERCENT = 100;

    private final Output output;
    private final Executor background;
    private final Executor interfaceThread;
    private final AtomicLong latest = new AtomicLong();
    private final ReadOnlyBooleanWrapper playing = new ReadOnlyBooleanWrapper();
    private final ReadOnlyBooleanWrapper audible = new ReadOnlyBooleanWrapper();
    private final ObjectProperty<Habits> habits = new SimpleObjectProperty<>(Habits.USUAL);
    private Optional<StringSet> strings = Optional.empty();
    private Optional<Transport> transport = Optional.empty();
    private int fromTick;
    /** Whether bars are practised: at a tempo of their own, always with a click. */
    private boolean practising;

    /**
     * How the player wants to hear it.
     *
     * @param mix how loud each layer is
     * @param percent of the written tempo, 30 to 150
     * @param countIn whether a bar of clicks comes first
     * @param loop whether it is played over and over
     * @param fasterBy percent added after each round of a loop
     */
    public record Habits(Mix mix, int percent, boolean countIn, boolean loop, int fasterBy) {
        public static final int SLOWEST = (int) (PERCENT * Transport.SLOWEST);
        public static final int FASTEST = (int) (PERCENT * Transport.FASTEST);

        /** As written, once. */
        public static final Habits USUAL = new Habits(Mix.USUAL, 100, false, false, 0);

        public Habits {
            percent = Math.max(SLOWEST, Math.min(FASTEST, percent));
        }

        public Habits with(Mix newMix) {
            return new Habits(newMix, percent, countIn, loop, fasterBy);
        }

        public Habits with(Layer layer, double level) {
            return with(mix.with(layer, level));
        }

        public Habits atPercent(int newPercent) {
            return new Habits(mix, newPercent, countIn, loop, fasterBy);
        }

        public Habits countedIn(boolean counted) {
            return new Habits(mix, percent, counted, loop, fasterBy);
        }

        public Habits looped(boolean over) {
            return new Habits(mix, percent, countIn, over, fasterBy);
        }

        public Habits faster(int by) {
            return new Habits(mix, percent, countIn, loop, by);
        }

        double speed() {
            return percent / PERCENT;
        }

        double faster() {
            return fasterBy / PERCENT;
        }
    }

    public Playback(Output output, Executor background, Executor interfaceThread) {
        this.output = output;
        this.background = background;
        this.interfaceThread = interfaceThread;
        audible.set(output.audible());
        output.whenAudibleChanges(() -> interfaceThread.execute(() -> audible.set(output.audible())));
        habits.addListener((property, before, now) -> transport.ifPresent(running -> {
            running.setMix(mix());
            if (now.percent() != before.percent() && !practising) {
                running.setSpeed(now.speed());
            }
            if (!practising) {
                running.setFaster(now.faster());
            }
        }));
    }

    public ReadOnlyBooleanProperty playingProperty() {
        return playing.getReadOnlyProperty();
    }

    /** What the player hears; a change is heard at once. */
    public ObjectProperty<Habits> habitsProperty() {
        return habits;
    }

    /** Takes up how songs were heard at an earlier start. */
    void take(Hearing kept) {
        habits.set(
                new Habits(Mix.USUAL.withNails(kept.nails()), kept.percent(), kept.countIn(), false, kept.fasterBy()));
    }

    Hearing toKeep() {
        Habits now = habits.get();
        return new Hearing(
                now.percent(), now.countIn(), now.fasterBy(), now.mix().nails());
    }

    /** Whether there is a sound card. */
    public boolean audible() {
        return audible.get();
    }

    ReadOnlyBooleanProperty audibleProperty() {
        return audible.getReadOnlyProperty();
    }

    /** Whether a tune that is sung is heard softly. */
    public boolean hearsSungTune() {
        return habits.get().mix().level(Layer.VOICE) > 0;
    }

    public void setHearsSungTune(boolean heard) {
        habits.set(habits.get().with(Layer.VOICE, heard ? 1 : 0));
    }

    /** The strings that are on the guitar from now on. */
    public void useStrings(StringSet set) {
        strings = Optional.of(set);
    }

    /** Plays from a tick to the end. */
    public void play(Arrangement arrangement, int tick) {
        play(arrangement, tick, arrangement.song().endTick(), false);
    }

    /** Plays bars over and over. */
    public void playBars(Arrangement arrangement, int from, int to) {
        play(arrangement, from, to, true);
    }

    private void play(Arrangement arrangement, int from, int to, boolean over) {
        stop();
        playing.set(true);
        fromTick = from;
        Habits now = habits.get();
        Transport.Stretch stretch = over ? Transport.Stretch.loop(from, to) : Transport.Stretch.once(from, to);
        if (now.countIn()) {
            stretch = stretch.after(arrangement.song().barAt(from));
        }
        Transport.Stretch chosen = stretch.faster(now.faster(), Transport.FASTEST);
        start(() -> new Transport(performance(arrangement), chosen, now.mix(), now.speed()));
    }

    private Performance performance(Arrangement arrangement) {
        return strings.map(set -> Performance.of(arrangement, set)).orElseGet(() -> Performance.of(arrangement));
    }

    /** Plays a stretch, from a tick up to another; the play cursor does not go along. */
    public void hear(Arrangement arrangement, int from, int to) {
        stop();
        start(() -> once(arrangement, from, to));
    }

    private Transport once(Arrangement arrangement, int from, int to) {
        Habits now = habits.get();
        return new Transport(performance(arrangement), Transport.Stretch.once(from, to), now.mix(), now.speed());
    }

    /** Plays the same stretch of several arrangements, one after the other. */
    public void hearInTurn(List<Arrangement> arrangements, int from, int to) {
        stop();
        start(() -> new Sequence(
                arrangements.stream().map(one -> once(one, from, to)).toList()));
    }

    /**
     * Plays bars over and over until it is stopped, after a bar of clicks, a click on every beat; where it is is told by {@link
     * #tick}.
     *
     * @param atTempo quarter notes a minute
     */
    public void practise(Arrangement part, List<Bar> bars, int atTempo) {
        stop();
        int from = bars.get(0).startTick();
        int to = bars.get(bars.size() - 1).endTick();
        fromTick = from;
        practising = true;
        Mix clicking = mix();
        double speed = atTempo / (double) part.song().tempo();
        Transport.Stretch stretch = Transport.Stretch.loop(from, to).after(bars.get(0));
        start(() -> new Transport(performance(part), stretch, clicking, speed));
    }

    private Mix mix() {
        Mix mix = habits.get().mix();
        return practising && mix.level(Layer.CLICK) == 0 ? mix.with(Layer.CLICK, 1) : mix;
    }

    /** Another tempo for the bars that are practised, from now on. */
    public void practiseAt(int tempo, int written) {
        transport.ifPresent(running -> running.setSpeed(tempo / (double) written));
    }

    /**
     * Lets some pitches be heard, one just after the other.
     *
     * @param midi in the order they are plucked
     */
    public void hear(List<Integer> midi) {
        stop();
        start(() -> new Plucks(midi, Plucks.STRUM_SECONDS));
    }

    /** Lets pitches sound slowly one after the other, all ringing on. */
    public void hearOneByOne(List<Integer> midi) {
        stop();
        start(() -> new Plucks(midi, SLOWLY_SECONDS));
    }

    /** Makes a source in the background and plays it, unless something else was asked for meanwhile. */
    private void start(Supplier<SampleSource> making) {
        long ticket = latest.get();
        background.execute(() -> {
            SampleSource source = making.get();
            interfaceThread.execute(() -> {
                if (latest.get() == ticket) {
                    transport = source instanceof Transport one ? Optional.of(one) : Optional.empty();
                    output.start(source);
                }
            });
        });
    }

    public void stop() {
        latest.incrementAndGet();
        output.stop();
        transport = Optional.empty();
        practising = false;
        playing.set(false);
    }

    /** Where the playback is, in ticks, before its first tick while it counts in; the end stops it. */
    public int tick() {
        if (transport.isEmpty()) {
            return fromTick;
        }
        double tick = transport.get().tickAt(output.seconds());
        if (output.isOver()) {
            stop();
        }
        return (int) Math.round(tick);
    }
}

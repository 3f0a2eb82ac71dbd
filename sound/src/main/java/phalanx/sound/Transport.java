package phalanx.sound;

import static phalanx.words.Words.wording;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import phalanx.song.Bar;
import phalanx.song.Ticks;
import phalanx.sound.guitar.GuitarSound;

/**
 * Plays a stretch of a performance, once or over and over, and alone knows where it is: speed, loop and what is heard can be
 * changed while it runs. May be used from several threads.
 */
public final class Transport implements SampleSource {
    /** How slow and how fast the written tempo may be played. */
    public static final double SLOWEST = 0.3;

    public static final double FASTEST = 1.5;

    /** What still rings after the end is heard so long. */
    private static final double TAIL_SECONDS = 1.5;

    private static final int STEP = 512;
    private static final double COUNTED = 0.6;
    private static final int KEPT = 4000;

    private final Performance performance;
    private final Stretch stretch;
    private final GuitarSound guitar;
    private final List<Performance.Act> countIn = new ArrayList<>();
    private final Deque<Leg> legs = new ArrayDeque<>();
    private Mix mix;
    private double speed;
    private double faster;
    private double tick;
    private int next;
    private int counted;
    private int round;
    private long framesLeft = -1;

    /**
     * What is played.
     *
     * @param from first tick
     * @param to the tick before which it ends
     * @param times how often, from 1
     * @param countIn the bar whose clicks come first; none for none
     * @param faster what is added to the speed after each round, as a share of the written tempo
     * @param fastest the speed it stops at
     */
    public record Stretch(int from, int to, int times, List<Bar> countIn, double faster, double fastest) {
        public Stretch {
            countIn = List.copyOf(countIn);
            if (to < from || times < 1) {
                throw new IllegalArgumentException(wording("Transport.ticks-to-times", from, to, times));
            }
        }

        /** Once, at once. */
        public static Stretch once(int from, int to) {
            return new Stretch(from, to, 1, List.of(), 0, FASTEST);
        }

        /** Over and over, until it is stopped. */
        public static Stretch loop(int from, int to) {
            return new Stretch(from, to, Integer.MAX_VALUE, List.of(), 0, FASTEST);
        }

        /** With a bar of clicks before it. */
        public Stretch after(Bar bar) {
            return new Stretch(from, to, times, List.of(bar), faster, fastest);
        }

        /** So many times. */
        public Stretch times(int many) {
            return new Stretch(from, to, many, countIn, faster, fastest);
        }

        /** Faster each time by a share of the written tempo, up to a speed. */
        public Stretch faster(double by, double upTo) {
            return new Stretch(from, to, times, countIn, by, upTo);
        }
    }

    /** From a frame on, a tick moves evenly. */
    private record Leg(long frame, double tick, double ticksAFrame) {}

    /** @param speed 1 for the written tempo */
    public Transport(Performance performance, Stretch stretch, Mix mix, double speed) {
        this.performance = performance;
        this.stretch = stretch;
        this.mix = mix;
        this.speed = checked(speed);
        this.faster = stretch.faster();
        this.guitar = new GuitarSound(performance.strings());
        this.tick = stretch.from();
        for (Bar bar : stretch.countIn()) {
            int one = stretch.from() - bar.offsetOf(stretch.from());
            int length = bar.meter().barTicks();
            for (int at = one - length; at < stretch.from(); at += bar.meter().beatTicks()) {
                countIn.add(new Performance.Clicked(at, at == one - length || at == one));
            }
            tick = one - (double) length;
        }
        next = first(stretch.from());
        leg();
    }

    private static double checked(double speed) {
        if (!(speed >= 0.05 && speed <= 4)) {
            throw new IllegalArgumentException(wording("Transport.speed", speed));
        }
        return speed;
    }

    private int first(int from) {
        List<Performance.Act> acts = performance.acts();
        int at = 0;
        while (at < acts.size() && acts.get(at).tick() < from) {
            at++;
        }
        return at;
    }

    private double ticksAFrame() {
        return 1000.0 / GuitarSound.RATE / Ticks.milliseconds(1, performance.tempo() * speed);
    }

    private void leg() {
        legs.addLast(new Leg(guitar.frame(), tick, ticksAFrame()));
        if (legs.size() > KEPT) {
            legs.removeFirst();
        }
    }

    /** How long it takes at the speed it has, without what rings on: infinite for an endless loop. */
    public synchronized double seconds() {
        double once = Ticks.milliseconds(stretch.to() - stretch.from(), performance.tempo() * speed) / 1000;
        double before =
                Ticks.milliseconds((int) (stretch.from() - legs.getFirst().tick), performance.tempo() * speed) / 1000;
        return stretch.times() == Integer.MAX_VALUE ? Double.POSITIVE_INFINITY : before + once * stretch.times();
    }

    public synchronized void setSpeed(double newSpeed) {
        speed = checked(newSpeed);
        leg();
    }

    public synchronized double speed() {
        return speed;
    }

    /** Another step for the rounds to come, as a share of the written tempo; 0 stays at the speed it has. */
    public synchronized void setFaster(double by) {
        faster = by;
    }

    public synchronized void setMix(Mix newMix) {
        mix = newMix;
    }

    /**
     * The tick that is heard.
     *
     * @param seconds heard since the first frame
     * @return before the stretch while it is counted in; the end of the stretch when it is over
     */
    public synchronized double tickAt(double seconds) {
        Leg leg = legAt(seconds);
        double at = leg.tick + (seconds * GuitarSound.RATE - GuitarSound.LEAD - leg.frame) * leg.ticksAFrame;
        return Math.min(stretch.to(), Math.max(legs.getFirst().tick, at));
    }

    private Leg legAt(double seconds) {
        double frame = seconds * GuitarSound.RATE - GuitarSound.LEAD;
        Leg found = legs.getFirst();
        for (Leg leg : legs) {
            if (leg.frame > frame) {
                break;
            }
            found = leg;
        }
        return found;
    }

    @Override
    public synchronized int read(float[] out, int frames) {
        int done = 0;
        while (done < frames && framesLeft != 0) {
            int some = Math.min(STEP, frames - done);
            if (framesLeft > 0) {
                some = (int) Math.min(some, framesLeft);
            } else {
                double room = (stretch.to() - tick) / ticksAFrame();
                some = Math.max(1, (int) Math.min(some, Math.ceil(room)));
            }
            tell(tick + some * ticksAFrame());
            guitar.read(out, done, some);
            tick += some * ticksAFrame();
            done += some;
            framesLeft = framesLeft > 0 ? framesLeft - some : framesLeft;
            if (framesLeft < 0 && tick >= stretch.to()) {
                turn();
            }
        }
        return done;
    }

    /** At the end of a round: once more, or ring out. */
    private void turn() {
        round++;
        if (round < stretch.times()) {
            tick -= stretch.to() - stretch.from();
            next = first(stretch.from());
            if (faster > 0 && speed < stretch.fastest()) {
                speed = Math.min(stretch.fastest(), speed + faster);
            }
            letGo();
            leg();
        } else {
            framesLeft = GuitarSound.LEAD + (long) (TAIL_SECONDS * GuitarSound.RATE);
            guitar.damp(guitar.frame() + framesLeft - GuitarSound.RATE / 3);
        }
    }

    /** What would ring over the loop's end ends there, unless it is plucked again. */
    private void letGo() {
        for (Performance.Act act : performance.acts()) {
            if (act instanceof Performance.Plucked plucked
                    && plucked.tick() >= stretch.from()
                    && plucked.tick() < stretch.to()
                    && plucked.end() > stretch.to()) {
                guitar.lift(guitar.frame(), plucked.string());
            }
        }
    }

    /** Hands the guitar all that is due before a tick. */
    private void tell(double before) {
        long frame = guitar.frame();
        while (counted < countIn.size() && countIn.get(counted).tick() < before) {
            tell(countIn.get(counted), frame(countIn.get(counted), frame), true);
            counted++;
        }
        while (next < performance.acts().size() && performance.acts().get(next).tick() < before) {
            Performance.Act act = performance.acts().get(next++);
            boolean ends = act instanceof Performance.Let;
            if (ends || act.tick() < stretch.to()) {
                tell(act, frame(act, frame), false);
            }
        }
    }

    private long frame(Performance.Act act, long now) {
        return now + Math.max(0, Math.round((act.tick() - tick) / ticksAFrame()));
    }

    /** What is counted in is heard whether the click is on or not. */
    private void tell(Performance.Act act, long frame, boolean counting) {
        double level = Math.max(mix.level(act.layer()), counting ? COUNTED : 0);
        if (level > 0) {
            act.tell(guitar, frame, level, mix.nails(), 1 / (ticksAFrame() * GuitarSound.RATE));
        }
    }
}

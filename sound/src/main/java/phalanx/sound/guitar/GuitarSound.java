package phalanx.sound.guitar;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;
import phalanx.technique.Vibrato;

/**
 * A guitar that is played by the frame: strings, body, hits, and plain tones beside it. What is asked for is heard
 * {@link #LEAD} frames later, so that a finger can touch a ringing string before it plucks it.
 */
public final class GuitarSound {
    /** Frames a second. */
    public static final int RATE = 44_100;

    private static final double TOUCH_SECONDS = 0.02;

    /** Frames from what is asked for to what is heard. */
    public static final int LEAD = (int) (TOUCH_SECONDS * RATE);

    /** Flesh of the thumb or a finger, hertz; nails are brighter, less so on nylon. */
    private static final double FLESH_HERTZ = 1700;

    private static final double STEEL_NAIL_HERTZ = 5500;
    private static final double NYLON_NAIL_HERTZ = 4200;

    private static final int TOUCH_RAMP = frames(0.005);
    private static final int LIFT_RAMP = frames(0.008);
    private static final int HEEL_RAMP = frames(0.008);
    private static final int SLAP_RAMP = frames(0.003);
    private static final int STOP_FADE = frames(0.004);
    private static final int BEND = frames(0.09);
    private static final int SLIDE = frames(0.06);
    /** So long after it was lifted an open string is free to ring with the others. */
    private static final int REST_AFTER = frames(0.3);
    /** A hammered or pulled note beside a plucked one, put in at the middle of the string. */
    private static final double SLURRED = 0.35;

    private static final double SLID = 0.12;
    private static final double MIDDLE = 0.5;
    /** What a string at rest takes of what the bridge gives. */
    private static final double SYMPATHY = 0.00025;

    /** Below it nothing at the bridge moves another string. */
    private static final double STIRRED = 1e-6;

    private static final double MASTER = 0.09;
    private static final double HIT = 0.5;
    private static final double CEILING = 0.95;
    private static final double RELEASE_SECONDS = 0.15;
    /** How far to the side the outer strings are heard. */
    private static final double WIDTH = 0.35;

    private static final int BLOCK = StringLoop.BLOCK;

    private final boolean steel;
    private final Strung[] strings;
    private final Body left = new Body(RATE, 1);
    private final Body right = new Body(RATE, 1.013);
    private final PriorityQueue<Due> due =
            new PriorityQueue<>(Comparator.comparingLong(Due::frame).thenComparingLong(Due::order));
    private final Map<HitKind, float[]> hits = new EnumMap<>(HitKind.class);
    private final List<Sounding> besides = new ArrayList<>();
    private final double release = Math.exp(-1 / (RELEASE_SECONDS * RATE));
    private final double[] bridge = new double[BLOCK];
    private final double[] drive = new double[BLOCK];
    private final double[] toLeft = new double[BLOCK];
    private final double[] toRight = new double[BLOCK];
    private double peak = CEILING;
    private long frame;
    private long asked;

    /** Something that is to happen at a frame. */
    private record Due(long frame, long order, Runnable what) {}

    /** Samples that run beside the strings. */
    private interface Sounding {
        /** The next sample. */
        double next();

        boolean isOver();
    }

    /** A string and its place in the stereo picture. */
    private static final class Strung {
        private final StringLoop loop;
        private final StringTone open;
        private final double openHertz;
        private final double leftShare;
        private final double rightShare;
        /** What it gave in the last block. */
        private final double[] given = new double[BLOCK];

        private long restsFrom;
        private boolean lifted;

        Strung(double openHertz, StringTone open, double side) {
            this.loop = new StringLoop(openHertz, open, RATE);
            this.openHertz = openHertz;
            this.open = open;
            double angle = (side + 1) * Math.PI / 4;
            this.leftShare = Math.sqrt(2) * Math.cos(angle);
            this.rightShare = Math.sqrt(2) * Math.sin(angle);
        }

        StringTone tone(double hertz) {
            return open.at(12 * Math.log(hertz / openHertz) / Math.log(2));
        }
    }

    /** @param strung what the strings are */
    public GuitarSound(Strings strung) {
        this.steel = strung.steel();
        int count = strung.hertz().size();
        strings = new Strung[count];
        for (int i = 0; i < count; i++) {
            double side = count == 1 ? 0 : WIDTH * (1 - 2.0 * i / (count - 1));
            strings[i] = new Strung(strung.hertz().get(i), strung.tones().get(i), side);
        }
        for (HitKind kind : HitKind.values()) {
            hits.put(kind, HitSound.of(kind, RATE, kind.ordinal()));
        }
    }

    private static int frames(double seconds) {
        return (int) Math.round(seconds * RATE);
    }

    /** Frames given so far. */
    public long frame() {
        return frame;
    }

    private void at(long when, Runnable what) {
        due.add(new Due(Math.max(frame, when), asked++, what));
    }

    /**
     * Plucks a string, which is touched just before if it rings.
     *
     * @param when the frame it is asked for
     * @param string 1 at the treble side
     * @param later seconds after the others of its stroke
     */
    public void pluck(long when, int string, Pluck pluck, double later) {
        Strung strung = strings[string - 1];
        long heard = when + LEAD + frames(later);
        at(heard - LEAD, () -> {
            if (!strung.loop.silent()) {
                strung.loop.fallTo(StringTone.TOUCHED, TOUCH_RAMP);
            }
        });
        at(heard, () -> {
            strung.lifted = false;
            double hertz = pluck.hertz();
            if (Math.abs(hertz / strung.loop.hertz() - 1) > 1e-6) {
                strung.loop.stopAt(hertz, STOP_FADE);
            }
            StringTone tone = strung.tone(hertz);
            strung.loop.fallTo(
                    pluck.damped()
                            ? new StringTone(
                                    Math.min(tone.seconds(), StringTone.HEEL.seconds()), StringTone.HEEL.highSeconds())
                            : tone,
                    pluck.damped() ? HEEL_RAMP : 1);
            strung.loop.still();
            if (pluck.wavers()) {
                strung.loop.waver(Vibrato.CENTS);
            }
            double nail = steel ? STEEL_NAIL_HERTZ : NYLON_NAIL_HERTZ;
            strung.loop.excite(
                    pluck.harmonic() > 1
                            ? Excitation.harmonic(hertz, pluck.harmonic(), pluck.level(), RATE)
                            : Excitation.pluck(
                                    hertz,
                                    pluck.nail() ? nail : FLESH_HERTZ,
                                    pluck.level(),
                                    Excitation.PLACE,
                                    RATE,
                                    heard * 31 + string));
        });
    }

    /** Makes a note from the one that rings on a string, if one does. */
    public void slur(long when, int string, SlurKind kind, double hertz, double level) {
        Strung strung = strings[string - 1];
        at(when + LEAD, () -> {
            if (strung.loop.silent()) {
                return;
            }
            strung.lifted = false;
            strung.loop.fallTo(strung.tone(hertz), BLOCK);
            switch (kind) {
                case BEND, RELEASE -> strung.loop.glideTo(hertz, BEND);
                case SLIDE -> {
                    strung.loop.glideTo(hertz, SLIDE);
                    soft(strung, hertz, SLID * level, when);
                }
                case HAMMER, PULL -> {
                    strung.loop.stopAt(hertz, STOP_FADE);
                    soft(strung, hertz, SLURRED * level, when);
                }
            }
        });
    }

    private static void soft(Strung strung, double hertz, double level, long seed) {
        strung.loop.excite(Excitation.pluck(hertz, FLESH_HERTZ, level, MIDDLE, RATE, seed));
    }

    /** The finger leaves a string and damps it. */
    public void lift(long when, int string) {
        at(when + LEAD, () -> {
            Strung strung = strings[string - 1];
            strung.loop.fallTo(StringTone.LIFTED, LIFT_RAMP);
            strung.lifted = true;
            strung.restsFrom = frame + REST_AFTER;
        });
    }

    /** A percussive sound, which stops the strings its kind stops. */
    public void hit(long when, HitKind kind, double level) {
        at(when + LEAD, () -> {
            for (int string = 1; string <= strings.length; string++) {
                if (kind.damps(string, strings.length)) {
                    strings[string - 1].loop.fallTo(StringTone.SLAPPED, SLAP_RAMP);
                    strings[string - 1].lifted = true;
                    strings[string - 1].restsFrom = frame + REST_AFTER;
                }
            }
            float[] samples = hits.get(kind);
            besides.add(new Sounding() {
                private int next;

                @Override
                public double next() {
                    return HIT * level * samples[next++];
                }

                @Override
                public boolean isOver() {
                    return next >= samples.length;
                }
            });
        });
    }

    /** A plain tone beside the guitar: a sine with some of its octave, swelling and fading. */
    public void tone(long when, Tone tone) {
        at(
                when + LEAD,
                () -> besides.add(new Sounding() {
                    private final int length = Math.max(1, frames(tone.seconds()));
                    private final double swell = Math.max(1, Math.min(tone.swellSeconds() * RATE, length / 2.0));
                    private final double step = 2 * Math.PI * tone.hertz() / RATE;
                    private int i;

                    @Override
                    public double next() {
                        double shape = Math.min(1, Math.min(i, length - i) / swell);
                        double swing = Math.sin(step * i) + tone.octave() * Math.sin(2 * step * i);
                        i++;
                        return tone.level() * shape * swing;
                    }

                    @Override
                    public boolean isOver() {
                        return i >= length;
                    }
                }));
    }

    /** All strings are damped, as by the flat hand. */
    public void damp(long when) {
        for (int string = 1; string <= strings.length; string++) {
            lift(when, string);
        }
    }

    /**
     * Fills a buffer with frames of two samples, left and right, each within -1 and 1.
     *
     * @param from the first frame of the buffer to fill
     */
    public void read(float[] out, int from, int count) {
        for (int done = 0; done < count; ) {
            while (!due.isEmpty() && due.peek().frame <= frame) {
                due.poll().what.run();
            }
            int some = Math.min(BLOCK, count - done);
            if (!due.isEmpty()) {
                some = (int) Math.min(some, due.peek().frame - frame);
            }
            block(out, from + done, some);
            done += some;
            frame += some;
        }
    }

    private void block(float[] out, int from, int count) {
        Arrays.fill(toLeft, 0, count, 0);
        Arrays.fill(toRight, 0, count, 0);
        boolean stirred = peakOf(bridge) > STIRRED;
        double[] now = new double[BLOCK];
        for (Strung strung : strings) {
            if (strung.lifted && frame >= strung.restsFrom) {
                // the open string hangs free again
                strung.lifted = false;
                strung.loop.stopAt(strung.openHertz, STOP_FADE);
                strung.loop.fallTo(strung.open, 1);
            }
            boolean free = !strung.lifted && strung.loop.hertz() == strung.openHertz;
            if (strung.loop.silent() && !(free && stirred)) {
                Arrays.fill(strung.given, 0);
                continue;
            }
            for (int i = 0; i < count; i++) {
                drive[i] = free ? SYMPATHY * (bridge[i] - strung.given[i]) : 0;
            }
            Arrays.fill(strung.given, 0);
            strung.loop.run(drive, strung.given, 0, count);
            for (int i = 0; i < count; i++) {
                now[i] += strung.given[i];
                toLeft[i] += strung.leftShare * strung.given[i];
                toRight[i] += strung.rightShare * strung.given[i];
            }
        }
        System.arraycopy(now, 0, bridge, 0, BLOCK);
        for (int i = 0; i < count; i++) {
            double beside = 0;
            for (Iterator<Sounding> each = besides.iterator(); each.hasNext(); ) {
                Sounding sounding = each.next();
                beside += sounding.next();
                if (sounding.isOver()) {
                    each.remove();
                }
            }
            double l = MASTER * left.next(toLeft[i]) + beside;
            double r = MASTER * right.next(toRight[i]) + beside;
            // what would clip is turned down as it comes up, and comes back slowly
            peak = Math.max(CEILING, Math.max(peak * release, Math.max(Math.abs(l), Math.abs(r))));
            double turned = CEILING / peak;
            out[2 * (from + i)] = (float) (turned * l);
            out[2 * (from + i) + 1] = (float) (turned * r);
        }
    }

    private static double peakOf(double[] samples) {
        double peak = 0;
        for (double sample : samples) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return peak;
    }
}

package phalanx.sound.guitar;

import phalanx.technique.Vibrato;

/**
 * A string as a delay loop that can be struck again, damped, stopped elsewhere and bent while it rings (K. Karplus and A.
 * Strong, "Digital synthesis of plucked-string and drum timbres", Computer Music Journal 7(2), 1983, and the extensions of D.
 * Jaffe and J. Smith in the same number; from memory). Nothing that changes it clears or cuts it, so nothing clicks.
 */
final class StringLoop {
    /** Parameters move in steps of so many samples, evenly within a step. */
    static final int BLOCK = 32;

    /** In this time a vibrato grows: an assumption. */
    private static final double SWELL_SECONDS = 0.25;

    private static final int LENGTH = 4096;
    private static final int MASK = LENGTH - 1;
    /** Below it a string is at rest. */
    private static final double SILENT = 1e-7;

    private final int rate;
    private final double[] line = new double[LENGTH];
    private final double[] input = new double[LENGTH];
    private int at;
    /** Frames for which something is still put in. */
    private int fed;

    private double hertz;
    private double fromHertz;
    private double toHertz;
    private int glide;
    private int glided;
    /** By how much the pitch sways, as a natural logarithm, and for how many frames it has. */
    private double sway;

    private int swayed;
    private StringTone tone;
    private StringTone fromTone;
    private StringTone toTone;
    private int fall;
    private int fallen;

    private double gain;
    private double pole;
    private double delay;
    private LoopFilter goal;
    private double last;
    private double oldDelay;
    private int fade;
    private int faded;
    private boolean silent = true;
    /** Frames in a row in which nothing moved: between two pulses that run round nothing does. */
    private int quiet;

    StringLoop(double hertz, StringTone tone, int rate) {
        this.rate = rate;
        this.hertz = hertz;
        this.toHertz = hertz;
        this.tone = tone;
        this.toTone = tone;
        settle();
    }

    private void settle() {
        goal = new LoopFilter(hertz, tone, rate);
        gain = goal.gain;
        pole = goal.pole;
        delay = goal.whole + goal.fraction;
    }

    double hertz() {
        return toHertz;
    }

    boolean silent() {
        return silent && fed == 0;
    }

    /** Adds an excitation to whatever rings. */
    void excite(double[] burst) {
        for (int i = 0; i < burst.length; i++) {
            input[at + i & MASK] += burst[i];
        }
        fed = Math.max(fed, burst.length);
        silent = false;
    }

    /** Lets it die away otherwise, reached after so many frames. */
    void fallTo(StringTone other, int frames) {
        fromTone = tone;
        toTone = other;
        fall = Math.max(1, frames);
        fallen = 0;
    }

    /** Has the pitch waver, as under a finger that rocks, until it is stopped, bent or plucked anew. */
    void waver(double cents) {
        sway = cents / 1200 * Math.log(2);
        swayed = 0;
    }

    /** Ends that. */
    void still() {
        if (sway > 0) {
            sway = 0;
            goal = new LoopFilter(hertz, tone, rate);
        }
    }

    /** How far the pitch is from its middle now, as a factor: calm at first, then more and more. */
    private double swaying() {
        double seconds = swayed / (double) rate - Vibrato.CALM_MS / 1000;
        double share = Math.max(0, Math.min(1, seconds / SWELL_SECONDS));
        return Math.exp(sway * share * Math.sin(2 * Math.PI * Vibrato.HERTZ * seconds));
    }

    /** Moves to another pitch evenly, as a sliding or bending finger does. */
    void glideTo(double other, int frames) {
        still();
        fromHertz = hertz;
        toHertz = other;
        glide = Math.max(1, frames);
        glided = 0;
    }

    /** Sounds another pitch at once: the line is read at the old and the new place, one fading into the other. */
    void stopAt(double other, int frames) {
        still();
        if (silent()) {
            hertz = other;
            toHertz = other;
            glide = 0;
            settle();
            return;
        }
        oldDelay = delay;
        fade = Math.max(1, frames);
        faded = 0;
        hertz = other;
        toHertz = other;
        glide = 0;
        goal = new LoopFilter(hertz, tone, rate);
        delay = goal.whole + goal.fraction;
    }

    /**
     * Adds what it sounds.
     *
     * @param drive what the bridge puts into it
     * @param out taken up from the same index
     */
    void run(double[] drive, double[] out, int from, int count) {
        for (int done = 0; done < count; ) {
            int some = Math.min(BLOCK, count - done);
            block(drive, out, from + done, some);
            done += some;
        }
    }

    private void block(double[] drive, double[] out, int from, int count) {
        move(count);
        double gainStep = (goal.gain - gain) / count;
        double poleStep = (goal.pole - pole) / count;
        double target = goal.whole + goal.fraction;
        double delayStep = (target - delay) / count;
        boolean moving = delayStep != 0;
        int whole = goal.whole;
        double h0 = Lagrange.h0(goal.fraction);
        double h1 = Lagrange.h1(goal.fraction);
        double h2 = Lagrange.h2(goal.fraction);
        double h3 = Lagrange.h3(goal.fraction);
        double peak = 0;
        for (int i = 0; i < count; i++) {
            gain += gainStep;
            pole += poleStep;
            double read;
            if (moving) {
                delay += delayStep;
                read = read(delay);
            } else {
                int base = at - whole;
                read = h0 * line[base & MASK]
                        + h1 * line[base - 1 & MASK]
                        + h2 * line[base - 2 & MASK]
                        + h3 * line[base - 3 & MASK];
            }
            if (faded < fade) {
                double share = 0.5 - 0.5 * Math.cos(Math.PI * faded / fade);
                read = share * read + (1 - share) * read(oldDelay);
                faded++;
            }
            last = gain * read + pole * last;
            double now = last + input[at] + drive[from + i];
            input[at] = 0;
            line[at] = now;
            out[from + i] += now;
            peak = Math.max(peak, Math.abs(now));
            at = at + 1 & MASK;
        }
        delay = target;
        fed = Math.max(0, fed - count);
        rest(peak, count);
    }

    private double read(double samples) {
        int whole = (int) Math.floor(samples - 1);
        double d = samples - whole;
        int base = at - whole;
        return Lagrange.h0(d) * line[base & MASK]
                + Lagrange.h1(d) * line[base - 1 & MASK]
                + Lagrange.h2(d) * line[base - 2 & MASK]
                + Lagrange.h3(d) * line[base - 3 & MASK];
    }

    /** A loop that is at rest is not run: numbers too small for the processor's registers would slow it down. */
    private void rest(double peak, int count) {
        quiet = peak < SILENT ? quiet + count : 0;
        silent = quiet > goal.whole + BLOCK && fed == 0;
    }

    /** Where pitch and tone are after so many frames. */
    private void move(int frames) {
        boolean moved = false;
        if (glided < glide) {
            glided = Math.min(glide, glided + frames);
            double share = 0.5 - 0.5 * Math.cos(Math.PI * glided / glide);
            hertz = fromHertz * Math.pow(toHertz / fromHertz, share);
            moved = true;
        }
        if (fallen < fall) {
            fallen = Math.min(fall, fallen + frames);
            tone = fallen == fall ? toTone : fromTone.towards(toTone, fallen / (double) fall);
            moved = true;
        }
        if (sway > 0) {
            swayed += frames;
            moved = true;
        }
        if (moved) {
            goal = new LoopFilter(sway > 0 ? hertz * swaying() : hertz, tone, rate);
        }
    }
}

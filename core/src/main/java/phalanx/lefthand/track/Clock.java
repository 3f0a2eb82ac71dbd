package phalanx.lefthand.track;

import phalanx.song.Ticks;

/**
 * The one clock of the left hand: how much time a move has.
 *
 * <p>A note may be cut to half of what it could ring to the next moment, and no further. So a finger that plucked a note
 * at tick p has from half way between p and the onset that it serves next; a finger that plucked nothing since the
 * moment before has from that moment on. The hand has from when the last finger that must go is free; a finger that was
 * up goes with the hand, and where the hand stays it has all the time since the moment before.
 *
 * <p>An eighth at 120 quarter notes a minute lasts 250 ms: the finger of a note plucked at its beginning has 125 ms.
 */
public final class Clock {
    /** The share of a note that a cut may leave. An assumption of ours. */
    private static final int LEAST_SHARE = 2;

    private final double tempo;

    /** @param tempo quarter notes a minute */
    public Clock(double tempo) {
        this.tempo = tempo;
    }

    /**
     * The ticks that a finger has at the end of a stretch.
     *
     * @param pluckTick the last note it plucked within the stretch
     * @param endTick where the stretch ends
     */
    public static int afterPluck(int pluckTick, int endTick) {
        return (endTick - pluckTick) / LEAST_SHARE;
    }

    /** Whole microseconds, rounded down. */
    public int us(int ticks) {
        return (int) Math.min(Integer.MAX_VALUE, Ticks.milliseconds(ticks, tempo) * 1000);
    }

    /** The fastest tempo at which something that takes so long fits into so many ticks. */
    public static double tempo(int ticks, int needsUs) {
        return Ticks.tempo(ticks, needsUs / 1000.0);
    }
}

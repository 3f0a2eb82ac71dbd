package phalanx.lefthand.shape;

/**
 * Where the hand stands: the fret over which finger 1 stands or waits. Fingers 2 to 4 stand over the frets above it, the
 * thumb over the neck from one fret below it to two above.
 */
public final class Position {
    /** How far the hand may stand from where its fingers are while finger 1 is up. An assumption of ours. */
    public static final int TOLERANCE = 1;

    private static final int THUMB_BELOW = 1;
    private static final int THUMB_ABOVE = 2;

    private Position() {}

    /**
     * The fret over which finger 1 stands or would stand, by the lowest of fingers 1 to 4 that is down.
     *
     * @param presses packed, see {@link Fingering#packed()}
     * @return 0 when none of these is down
     */
    public static int natural(int[] presses) {
        for (int finger = 0; finger < Fingering.THUMB; finger++) {
            if (presses[finger] != 0) {
                return Math.max(1, Press.fret(presses[finger]) - finger);
            }
        }
        return 0;
    }

    /** How many frets a position is away from the natural one; nothing while no finger 1 to 4 is down. */
    public static int away(int[] presses, int position) {
        int natural = natural(presses);
        return natural == 0 ? 0 : Math.abs(position - natural);
    }

    /** Whether a hand with these presses can stand there. */
    public static boolean admits(int[] presses, int position) {
        int tolerance = presses[0] == 0 ? TOLERANCE : 0;
        int thumb = presses[Fingering.THUMB];
        return position >= 1
                && away(presses, position) <= tolerance
                && (thumb == 0 || thumbReaches(Press.fret(thumb), position));
    }

    /** Whether the thumb reaches a fret over the neck. */
    public static boolean thumbReaches(int fret, int position) {
        return fret >= position - THUMB_BELOW && fret <= position + THUMB_ABOVE;
    }
}

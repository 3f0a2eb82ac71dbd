package phalanx.arrange;

import phalanx.lefthand.Grasp;

/**
 * A candidate while it is compared with others.
 *
 * @param grasp how the hand holds it
 * @param hover the fret over which finger 1 waits while no finger is down
 * @param part what it plays
 */
record Draft(Grasp grasp, int hover, Candidate.Part part) {
    /** More than any effort: what loses less of the tune comes first, whatever it costs. */
    private static final double BEYOND_EFFORT = 1e3;
    /** More than any tune lost: what can be played comes first. */
    private static final double BEYOND_LOSS = 1e6;

    /** One number to order drafts by: unplayable, then melody lost, then effort. */
    static double rank(int unplayable, int melodyLost, double effort) {
        return unplayable * BEYOND_LOSS + melodyLost * BEYOND_EFFORT + effort;
    }

    static boolean playable(double rank) {
        return rank < BEYOND_LOSS;
    }

    double rank() {
        return rank(part.unplayable(), part.melodyLost(), grasp.effort() + part.dislike());
    }
}

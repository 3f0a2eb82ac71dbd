package phalanx.lefthand;

/**
 * What makes a shape or a change hard, and how much. Our assumptions, set so that the fingerings that handbooks print
 * for open chords, barre chords and thumb shapes come out; no unit but effort.
 */
final class EffortWeights {
    /** A pair at its greatest reach; falls with the sixth power of reach over greatest. */
    static final double STRETCH = 2;
    /** Each fret that a pair stands nearer than one finger a fret. */
    static final double BUNCHED_FRET = 0.1;
    /** The same where the index is one of the pair: it stands less well drawn back. */
    static final double BUNCHED_FRET_OF_INDEX = 0.12;

    static final double FINGER = 0.25;
    static final double LITTLE_FINGER = 0.15;
    static final double BARRE = 0.6;
    static final double BARRE_STRING = 0.2;
    /** A barre by another finger than the index. */
    static final double BARRE_BY_OTHER = 0.7;
    /** An open string just past the treble end of a barre. */
    static final double OPEN_BESIDE_BARRE = 0.8;

    static final double THUMB = 0.5;
    /** Each fret between the thumb and the index. */
    static final double THUMB_FRET = 0.2;
    /** Each fret of the hand's position above the first: less sure, further from the open chords. */
    static final double UP_THE_NECK = 0.05;
    /** The thumb over the neck turns the hand, which costs the little finger its place. */
    static final double THUMB_WITH_LITTLE = 0.4;
    /** Two tips on one fret with no room between them. */
    static final double CROWDING = 0.3;

    static final double CROSSING = 0.5;
    static final double PAST_JOINT_FINGER = 0.4;
    /** A silent string that a fingertip or a barre stops. */
    static final double MUTED_BY_FINGER = 0.7;
    /** A silent string that is only left unplucked. */
    static final double LEFT_UNPLUCKED = 0.9;
    /** A silent string below the lowest sounding one. */
    static final double LEFT_OUT_BELOW = 0.3;
    /** A silent string above the highest sounding one. */
    static final double LEFT_OUT_ABOVE = 0.4;

    /** A finger that was up is put down. */
    static final double PLACE = 0.15;

    static final double LIFT = 0.05;
    static final double ROLL_INTO_BARRE = 0.1;
    static final double GUIDE = 0.1;
    static final double GUIDE_PER_100_MM = 0.5;
    static final double JUMP = 0.3;
    static final double JUMP_PER_100_MM = 1.2;
    static final double SHIFT_PER_100_MM = 1.5;
    /** The share of a shift that is left when a finger slides along: it leads the hand. */
    static final double GUIDED_SHIFT = 0.25;
    /** A string goes from one finger's fret to another finger's other fret: one must be gone before the other comes. */
    static final double SUBSTITUTION = 0.3;
    /** A finger that needs more time than it has, plus as much again for each time over. */
    static final double TOO_FAST = 3;

    private EffortWeights() {}
}

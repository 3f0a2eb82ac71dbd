package phalanx.righthand;

/** How a stroke of a pattern is made. */
public enum Manner {
    /** Plucked; a brush from the lowest string up to the top. */
    DOWN,
    /** A brush from the top string down to the lowest. */
    UP,
    /** Not plucked: a finger comes down on the string that still rings from the stroke before. */
    HAMMERED,
    /** A finger hooks under the string and lets it snap against the frets. */
    SNAPPED,
    /** A brush from the lowest string up to the top with the nails, the backs of the fingers. */
    NAILS
}

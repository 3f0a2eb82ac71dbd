package phalanx.formats.page;

/** Measures of a line of tablature, in spaces between two strings. */
final class Sizes {
    /** The sign of a note: a square, a circle. */
    static final double TILE = 1.02;

    static final double WIDE_TILE = 1.55;
    static final double FIGURE = 0.95;
    /** Frets that are plucked just before a note. */
    static final double GRACE = 0.65;

    static final double DIGIT = 0.95;
    static final double COUNT = 0.95;
    static final double WORDS = 1.1;
    static final double CHORD = 1.45;
    static final double FINGER = 0.85;
    static final double NUMBER = 0.8;
    static final double LABEL = 0.78;
    static final double METER = 1.9;
    /** Between two lines of the staff. */
    static final double STAFF = 0.67;
    /** The space of the small staff that the signs of the rhythm are made for. */
    static final double RHYTHM = 0.45;
    /** Room left of the staff for the names of strings and rows. */
    static final double LABELS = 3.2;
    /** From a bar line to the first note. */
    static final double BEFORE = 1.3;
    /** Between two signs or words at least. */
    static final double GAP = 0.35;

    private Sizes() {}
}

package phalanx.arrange;

/**
 * A place for a note.
 *
 * @param string 1 at the treble side, or {@link Candidate#NONE}
 * @param fret relative to the capo
 */
record Place(int string, int fret) {
    static final Place NOWHERE = new Place(Candidate.NONE, 0);

    boolean isNowhere() {
        return string == Candidate.NONE;
    }
}

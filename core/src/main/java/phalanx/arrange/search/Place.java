package phalanx.arrange.search;

/**
 * A place for a note.
 *
 * @param string 1 at the treble side, or {@link Layer#NONE}
 * @param fret relative to the capo
 */
record Place(int string, int fret) {
    static final Place NOWHERE = new Place(Layer.NONE, 0);

    boolean isNowhere() {
        return string == Layer.NONE;
    }
}

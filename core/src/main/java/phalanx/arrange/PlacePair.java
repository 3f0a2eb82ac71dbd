package phalanx.arrange;

/**
 * A place for the melody note and one for the bass.
 *
 * @param melody its string is the treble side's end of what may sound
 * @param bass its string is the bass side's end
 */
record PlacePair(Place melody, Place bass) {
    /** The strings between them, or as far as there are, as a range from the treble side. */
    int lowestInner(int strings) {
        return bass.isNowhere() ? strings - 1 : bass.string() - 1;
    }
}

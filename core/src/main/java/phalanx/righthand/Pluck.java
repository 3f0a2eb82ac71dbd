package phalanx.righthand;

/**
 * A string to be plucked.
 *
 * @param tick when
 * @param string which, 1 at the treble side
 * @param bass whether it is the thumb's bass
 */
public record Pluck(int tick, int string, boolean bass) {}

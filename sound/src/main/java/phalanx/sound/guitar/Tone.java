package phalanx.sound.guitar;

/**
 * A plain tone, such as a click or the line of a sung tune.
 *
 * @param hertz its pitch
 * @param seconds how long
 * @param level its greatest swing
 * @param octave how much of its octave is in it
 * @param swellSeconds in which it comes and goes
 */
public record Tone(double hertz, double seconds, double level, double octave, double swellSeconds) {}

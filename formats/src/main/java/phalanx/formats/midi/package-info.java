/**
 * Standard MIDI files, in and out; played times are put on the nearest grid.
 *
 * <p>For example a note at tick 402 goes to 420, the nearest sixteenth, and the report counts it; one at 560, a third of a
 * beat, stays.
 */
package phalanx.formats.midi;

/**
 * The instrument and the hand in measures: geometry, tunings, capos, strings and their pull, retuning, reach.
 *
 * <p>On a scale of 650 mm fret 5 lies 650 * (1 - 2^(-5/12)) = 163.1 mm from the nut, fret 12 at 325.0. A hand that spans 125 mm from
 * index to little finger reaches 0.6 * 125 = 75 mm from index to middle finger at most.
 */
package phalanx.guitar;

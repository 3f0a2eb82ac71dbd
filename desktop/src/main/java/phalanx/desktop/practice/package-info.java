/**
 * The station Practice: the ladder of a passage, one step at a time, large enough to be read with a guitar in the lap, and
 * played in a loop with a count.
 */
package phalanx.desktop.practice;

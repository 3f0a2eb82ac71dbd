/**
 * How a passage is learnt. A {@link phalanx.practice.Ladder} builds it up from the thumb alone to the arrangement at its
 * tempo; each {@link phalanx.practice.Step} adds one thing. For example in a bar of alternating thumb with two fingers
 * between, the first step is the thumb, the second adds the pinch on the second beat, and so on.
 */
package phalanx.practice;

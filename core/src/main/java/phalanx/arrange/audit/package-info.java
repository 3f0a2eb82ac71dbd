/**
 * Measures a written arrangement and says what it does not like, and the tempo up to which all moves fit.
 *
 * <p>For example a finger that needs 170 ms and has half of an eighth, at 120 quarter notes a minute 125 ms, is a finding;
 * it fits at 88.
 */
package phalanx.arrange.audit;

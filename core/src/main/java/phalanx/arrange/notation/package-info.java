/**
 * An arrangement in standard notation: voices cut into note values, beamed, with ties, rests and accidentals. What the
 * screen and the files write is the same. For example a half note of the tune that begins on the second eighth of a bar of
 * four becomes an eighth, a quarter and an eighth, tied.
 */
package phalanx.arrange.notation;

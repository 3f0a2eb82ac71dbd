/**
 * Chains of shapes as drills: shapes typed as frets or as chords, a bar each, held so that the changes between them ask
 * least of the hand.
 *
 * <p>A worked chain: {@code x75776 x65676}. The first has the fingers 2 1 3 4, and so has the second: only 2 and 3 move,
 * by one fret each. {@code ChainTest} runs it.
 */
package phalanx.lefthand.drill;

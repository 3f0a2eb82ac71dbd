/**
 * What is asked of the hands in each slot: the tune's note, the bass, inner strokes, a locked shape; and how it sounds.
 *
 * <p>For example over a half note with the thumb on both beats there are two slots: in the first the tune begins, in the
 * second it rings on, and a place of the tune there is the place where it rings, or none when it is cut.
 */
package phalanx.arrange.demand;

/**
 * Other ways to play a moment, and where a song lies well, all compared by the cost of the whole song.
 *
 * <p>For example another way of a moment says +1.2: with it locked and the rest solved around it, the song costs 1.2 more.
 */
package phalanx.arrange.advice;

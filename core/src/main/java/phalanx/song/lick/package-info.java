/**
 * Figures of a bar or two that are kept by their degrees over a chord, and put over another one. For example
 * {@code Mill Step} is {@code 5 3 2 1}: over D it is A F# E D, over Dm A F E D.
 */
package phalanx.song.lick;

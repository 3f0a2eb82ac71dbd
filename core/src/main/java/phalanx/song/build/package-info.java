/**
 * Puts a song together from what a reader of any format finds, bar by bar, and mends what can be mended: each mend is a
 * line of the report with its bar.
 *
 * <p>For example two bars of 4/4 with 5 and 3 quarter notes, the second before a repeat sign: the first is kept five
 * quarters long, and the report says so; the second is three quarters long without a word, since a pickup may follow.
 */
package phalanx.song.build;

/**
 * The station Song: bars, chart, tune, form, harmony, and where the song lies well.
 *
 * <p>For example 3 typed in a bar of the tune puts fret 3 of the chosen string at the cursor and moves on by the chosen length.
 */
package phalanx.desktop.song;

/**
 * The station Picking: patterns, the grid they are built on, and how the bar is played with them.
 *
 * <p>For example a click on row "middle" under the second "&amp;" adds a stroke there; "Put it on" solves the song with it.
 */
package phalanx.desktop.picking;

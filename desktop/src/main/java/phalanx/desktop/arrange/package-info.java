/**
 * The station Score: the arrangement drawn on one time axis, and why it is so.
 *
 * <p>For example a click on bar 2 selects its first beat; the drawer at the right shows the shape held there and each term of its effort.
 */
package phalanx.desktop.arrange;

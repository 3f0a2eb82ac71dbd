/**
 * The station Shapes: the shapes of a chord as cards, filters, and the change into the one chosen.
 *
 * <p>For example F with a top of C5 lists only shapes whose highest note is that C, those that players use first.
 */
package phalanx.desktop.shapes;

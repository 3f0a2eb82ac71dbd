/**
 * The player's own guitars, tunings, shapes and patterns, in one file.
 *
 * <p>For example a tuning kept as "low" with D A D G B E is offered wherever tunings are chosen.
 */
package phalanx.formats.library;

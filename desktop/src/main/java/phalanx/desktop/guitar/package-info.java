/**
 * The station Guitar: strings and their pull, retuning, capos, the hand.
 *
 * <p>For example a tuning typed as D A D G B E shows which string goes down by how much, and what to check it against.
 */
package phalanx.desktop.guitar;

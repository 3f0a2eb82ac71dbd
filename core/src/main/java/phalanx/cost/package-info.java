/**
 * What everything costs: ranks that compare in order, the last of them a sum of named terms, and the one file of weights.
 *
 * <p>For example a barre over six strings by finger 1, held for a beat, is 0.25 for the finger and 0.6 + 5 * 0.2 for the
 * barre; the two terms are shown, and their sum is what the path adds up.
 */
package phalanx.cost;
